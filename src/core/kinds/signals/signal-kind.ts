/**
 * What a kind of signal is. A kind is one file beside this one, listed in `signals.ts`: from there the schema of the document, its menu and
 * its fields, what it is called, what it needs and whether it can reach a level follow by themselves.
 */
import { z } from 'zod';
import type { Dimension } from '../../formula/dimension';
import type { TargetId } from '../../schema/anchor-schema';
import type { ControlId, CueId, VariableId } from '../../schema/behave-ids';
import type { ObjectId } from '../../schema/placed-schema';
import type { UnitName } from '../../schema/properties';
import type { Matrix } from '../../maths/matrix';
import type { Vec3 } from '../../maths/vec3';
import type { TrackedFace, TrackFrame } from '../../tracking/track-frame';
import type { Seconds, Unit } from '../../units';
import type { Names } from '../names';
import type { Need } from '../needs';
import type { EffectObject } from '../objects/objects';
import type { Values } from '../values';

/** What signals are read from: the effect at an instant. NaN and null are what is not there, or has no place. */
export interface SignalSource {
  /** Since the effect started. */
  readonly time: Seconds;
  readonly frame: TrackFrame;
  /** How loud the microphone hears it. */
  readonly loudness: Unit;
  /** The scene that is on. */
  readonly scene: string | null;
  /** The face of a number, from 1. */
  face(number: number): TrackedFace | undefined;
  values(object: ObjectId): Readonly<Values> | null;
  /** A number of an object by its path; see `numbers.ts`. */
  numberOf(object: ObjectId, path: string): number;
  /** From the space of an object to the world's or the screen's. Costly: a kind that asks for it says `isPlaced`. */
  matrixOf(object: ObjectId): Matrix | null;
  /** Where an object is in the picture, in shares of it from the top left. */
  onScreen(object: ObjectId): readonly [x: number, y: number] | null;
  /** Metres a second since the step before; 0 when it was not asked for then. */
  speedOf(object: ObjectId, at: Vec3): number;
  /** How far a cue is, and how often it has fired. */
  progress(cue: CueId): Unit;
  timesFired(cue: CueId): number;
  control(id: ControlId): number;
  variable(id: VariableId): number;
  seesPicture(id: TargetId): boolean;
}

/** The least and the most that a signal can be. */
export type Reach = readonly [low: number, high: number];
export const ZERO_TO_ONE: Reach = [0, 1];

/** What a control of the viewer gives, as far as signals care. */
export type ControlReach = (id: ControlId) => Reach | null;

export type SignalOf<K extends string, F extends z.core.$ZodLooseShape> = z.infer<
  z.ZodObject<{ kind: z.ZodLiteral<K> } & F, z.core.$strict>
>;
type Own<F> = { readonly [P in keyof F]: F[P] extends z.ZodType<infer V> ? V : never };

/** What a kind says of its signals; `S` is one of them. */
export interface SignalSpec<S> {
  /** In menus. */
  readonly name: string;
  /** "yaw of the head", "Crab to the viewer (m)". */
  readonly words: (signal: S, names: Names) => string;
  /** The value now; NaN where there is none. */
  readonly read: (signal: S, from: SignalSource) => number;
  /** Between what it can be, where that is known. */
  readonly reach?: (signal: S, ofControl: ControlReach) => Reach | null;
  /** What it measures, for formulas; without, a plain number. */
  readonly measures?: (signal: S) => Dimension;
  readonly needs?: (signal: S) => readonly Need[];
  /** It asks where objects are. */
  readonly isPlaced?: (signal: S) => boolean;
  /** More words it is sought by. */
  readonly also?: string;
  /** It is offered part by part: by the choices of this field, each with more words it is sought by. */
  readonly parts?: {
    readonly field: string;
    readonly also?: Readonly<Record<string, string>>;
    /** What there is to choose goes by the object. */
    readonly of?: (own: EffectObject) => readonly { readonly value: string; readonly label: string }[];
  };
  /** What beside its kind tells its ready triggers apart. */
  readonly gist?: (signal: S) => string;
  /** What a trigger takes it for where it has no value; without, it says nothing. */
  readonly whenAbsent?: number;
  /** The unit its level is in. */
  readonly unit?: 'm';
  /** The unit its values are shown in; without, they are as they are. */
  readonly shownIn?: (signal: S, unitOf: Names['unitOfNumber']) => UnitName;
  /** It is 1 or 0, with nothing between. */
  readonly isTruth?: (signal: S) => boolean;
  /** How it reads where it is asked whether it is anything but 0: "Crab is shown". */
  readonly sentence?: {
    readonly yes: string;
    readonly no: string;
    /** Of what that is said, where not of its words. */
    readonly words?: (signal: S, names: Names) => string;
    /** Of which signals of the kind; without, of all. */
    readonly of?: (signal: S) => boolean;
  };
}

interface Definition<K extends string, F extends z.core.$ZodLooseShape> extends SignalSpec<SignalOf<K, F>> {
  readonly kind: K;
  /** What can be chosen of it; see `schema/properties.ts` for fields that describe themselves. */
  readonly fields: F;
  /** What it is when it is first chosen. */
  readonly fresh: Own<F>;
}

/** Makes a kind: its schema is its fields. */
export const defineSignal = <const K extends string, const F extends z.core.$ZodLooseShape>(
  definition: Definition<K, F>,
) => ({
  ...definition,
  schema: z.strictObject({ kind: z.literal(definition.kind), ...definition.fields }),
});
