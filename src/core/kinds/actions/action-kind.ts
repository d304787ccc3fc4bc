/**
 * What a kind of action is. A kind is one file beside this one, listed in `actions.ts`: from there the schema of the document, the menus,
 * what is put back, what two actions fight over and what an action cannot do follow by themselves.
 */
import { z } from 'zod';
import type { Matrix } from '../../maths/matrix';
import type { Quaternion } from '../../maths/quaternion';
import type { Vec3 } from '../../maths/vec3';
import type { CueId, PromptId, VariableId } from '../../schema/behave-ids';
import { objectIdSchema, type SceneId } from '../../schema/placed-schema';
import type { Referred } from '../../schema/referred';
import { choice, number, yesNo, type NumberProperty, type UnitName } from '../../schema/properties';
import { easingSchema } from '../../schema/timing-schema';
import { idText } from '../../schema/values-schema';
import type { Seconds } from '../../units';
import type { Assets } from '../objects/object-kind';
import type { Names } from '../names';
import type { EffectObject } from '../objects/objects';
import type { Values } from '../values';

/** Copies share the cues of what they were copied from, so one action may act on many. */
export const MOST_TARGETS = 2000;

/** Seconds of an action. */
export const seconds = (name: string, more: Partial<Omit<NumberProperty, 'type'>> = {}) =>
  number({ name, low: 0, high: 3600, unit: 'seconds', ...more });

/** How the objects of one action differ, each in its own way: so that copies do not move in step. */
export const varySchema = z.strictObject({
  seed: z.number().int().min(0).max(65_535),
  /** Up to so many seconds later. */
  delay: seconds('Later by up to', { offered: [0, 600] }),
  /** Up to this share slower or faster. */
  speed: number({
    name: 'Speed, plus or minus',
    short: 'Speed ±',
    low: 0,
    high: 0.95,
    unit: 'percent',
    step: 5,
  }),
  /** Up to this share less or more of what is done. */
  amount: number({
    name: 'Amount, plus or minus',
    short: 'Amount ±',
    low: 0,
    high: 1,
    unit: 'percent',
    step: 5,
  }),
});

/** What every action has. */
export const timed = {
  id: idText,
  targets: z.array(objectIdSchema).max(MOST_TARGETS),
  delay: seconds('Delay'),
  duration: seconds('Duration'),
  easing: easingSchema,
  /** How many times; 0 runs without end. */
  repeat: number({
    name: 'Times; 0 runs without end',
    short: 'Times',
    low: 0,
    high: 1000,
    unit: 'count',
    whole: true,
  }),
  thereAndBack: yesNo('There and back'),
  /** What was changed stays so when the action ends, or is as before at once. */
  after: z.enum(['stay', 'return']),
  vary: varySchema.nullable(),
};
export type Timed = z.infer<z.ZodObject<typeof timed>>;

/** `from` begins at the amount and goes to how things are. */
export const modeSchema = () => choice('To, by or from', { to: 'to', by: 'by', from: 'from' });
/** Whose x, y and z an amount is in: of what the object hangs in, its own, or the viewer's. */
export const axesSchema = () =>
  choice('Whose axes', {
    parent: 'along its parent',
    own: 'along itself',
    viewer: 'as the viewer sees it',
  });
/** An amount along each axis. */
export const amounts = (unit: UnitName) => {
  const along = (axis: string) =>
    number({
      name: axis,
      low: -1e6,
      high: 1e6,
      unit,
      digits: 2,
      step: 1,
      mark: axis,
      bare: unit === 'centimetres',
    });
  return z.tuple([along('x'), along('y'), along('z')]);
};
/** By the angles as they are typed, or the shortest way to the same end. */
export const waySchema = () =>
  choice('Which way round', { typed: 'by the angles as typed', short: 'the short way' });

/** Where an action stands in menus, in their order. */
export const ACTION_GROUPS = ['Seen or not', 'Move', 'Keeps moving', 'Play', 'Values', 'Effect'] as const;
export type ActionGroup = (typeof ACTION_GROUPS)[number];

/**
 * How an action goes: all at once; at once, but as long as it takes where it comes back (`switches`); from beginning to end along a curve
 * (`eases`); the same from beginning to end (`lasts`); without end until it is stopped (`goesOn`).
 */
export type Pace = 'atOnce' | 'switches' | 'eases' | 'lasts' | 'goesOn';

/** What an action needs to know of the world. Everything is of the step before, so that order does not matter. */
export interface World {
  /** From the space an object hangs in to the world's or the screen's; null when it is nowhere. */
  base(i: number): Matrix | null;
  /** Where an object is; null is nowhere. */
  positionOf(id: string): Vec3 | null;
  /** Where the viewer looks from; on the screen and behind people it has no place, but its axes. */
  readonly eye: { readonly position: Vec3; readonly rotation: Quaternion };
  isFlat(i: number): boolean;
}

/** What an action remembers from its beginning on: of followers where they are. */
export interface Carried {
  readonly offset: Vec3;
  readonly at: Vec3;
  readonly speed: Vec3;
}

/** An action on one of its objects when it begins. */
export interface Beginning<A> {
  readonly action: A;
  readonly object: EffectObject;
  /** Of the object, for the world. */
  readonly index: number;
  /** What the object was when the action began. */
  readonly from: Values;
  readonly world: World;
}

/** An action on one of its objects at a moment of its course. */
export interface Moment<A> extends Beginning<A> {
  /** To be changed. */
  readonly values: Values;
  /** How far it is, 0 to 1 along its curve, beyond where that swings over. */
  readonly whole: number;
  /** The same by the amount that is set, and the rounds behind it that add up. */
  readonly k: number;
  readonly rounds: number;
  readonly round: number;
  /** On its way there, or there; else back. */
  readonly forth: boolean;
  readonly amount: number;
  readonly carried: Carried | null;
}

/** An action of a moment, on one of its objects. */
export interface Stroke<A> {
  readonly action: A;
  readonly object: EffectObject;
  readonly values: Values;
  readonly amount: number;
  readonly assets: Assets;
  readonly step: number;
}

/** Something that a cue or a prompt is bidden: by cues for the next step, by circuits for this one. */
export type Order =
  /** To start and to stop whatever it is; to be set off, or put back, as its own triggers do: only if it may. */
  | { readonly kind: 'start' | 'stop' | 'setOff' | 'reset'; readonly id: CueId }
  | { readonly kind: 'show' | 'hide'; readonly id: PromptId };

/** What an action changes about the effect as a whole. */
export interface WholeWrites {
  /** A scene that is not there is left alone. */
  goTo(scene: SceneId | null): void;
  setVariable(variable: VariableId | null, value: number): void;
  variable(variable: VariableId | null): number;
  bid(order: Order): void;
}

/** The same for sentences about actions. */
export interface ActionNames extends Names {
  /** A number of the objects that an action acts on, and a value of it with its unit. */
  readonly number: (property: string) => string;
  readonly amountOf: (property: string, value: number) => string;
}

type ActionOf<K extends string, F extends z.core.$ZodLooseShape> = z.infer<
  z.ZodObject<typeof timed & { kind: z.ZodLiteral<K> } & F, z.core.$strict>
>;

/** Whether something of a document is there. */
export type Has = (to: Referred, id: string) => boolean;

type Own<F> = { readonly [P in keyof F]: F[P] extends z.ZodType<infer V> ? V : never };

/** What a kind says of its actions; `A` is one of them. */
export interface ActionSpec<A> {
  /** In menus, and where nothing more can be said: "show or hide". */
  readonly name: string;
  readonly group: ActionGroup;
  /** What it does, without saying to what: "size to 130 %". */
  readonly summary?: (action: A, names: ActionNames) => string;
  readonly pace: Pace;
  /** What its duration is called, where not as usual for its pace. */
  readonly takes?: string;
  /** Each of several rounds does it again. */
  readonly everyRound?: boolean;
  readonly actsOn: 'objects' | 'effect';
  /** What it changes of its objects, to be put back; the first is what another action could change at the same time. */
  readonly changes?:
    | readonly (keyof Values)[]
    | ((action: A, object: EffectObject) => readonly (keyof Values)[]);
  /** Why it can do nothing to such an object, said of it ("has no clip to play"); null where it can. Without, it can to every one. */
  readonly unsuited?: (action: A, object: EffectObject, assets: Assets) => string | null;
  /** Paths of fields that do nothing as it is set, and are not shown. */
  readonly unused?: (action: A) => readonly string[];
  /** It asks where objects are. */
  readonly isPlaced?: (action: A) => boolean;
  /** It is set to change nothing at all. */
  readonly isIdle?: (action: A) => boolean;
  /** What it lacks to be done, where not as its fields say. */
  readonly lacks?: (action: A, has: Has) => Referred | null;
  /** How long it takes on an object, where its duration does not say so. */
  readonly length?: (action: A, object: EffectObject, assets: Assets) => Seconds;
  readonly begin?: (beginning: Beginning<A>) => Carried;
  /** Brings the values to where the action is at a moment; may give what it carries on. */
  readonly act?: (moment: Moment<A>) => Carried | void;
  /** Done once, when it begins. */
  readonly once?: (stroke: Stroke<A>) => void;
  /** How it lies over the pose while it runs, without changing what is beneath. */
  readonly overlay?: (
    action: A,
    elapsed: Seconds,
    amount: number,
    seed: number,
  ) => { readonly move: Vec3; readonly turn: Vec3 };
  /** What it does to the effect as a whole. */
  readonly bid?: (action: A, write: WholeWrites) => void;
}

interface Definition<K extends string, F extends z.core.$ZodLooseShape> extends ActionSpec<ActionOf<K, F>> {
  readonly kind: K;
  /** What it has besides what all actions have; see `schema/properties.ts` for fields that describe themselves. */
  readonly fields: F;
  /** What it does at first, and how its timing differs then from the usual. */
  readonly fresh: Own<F> & Partial<Omit<Timed, 'id' | 'targets'>>;
}

/** Makes a kind: its schema is that of all actions with its own fields. */
export const defineAction = <const K extends string, const F extends z.core.$ZodLooseShape>(
  definition: Definition<K, F>,
) => ({
  ...definition,
  schema: z.strictObject({ ...timed, kind: z.literal(definition.kind), ...definition.fields }),
});

/** Things that go on until they are stopped. */
export const goesOn = { repeat: 0, easing: 'steady' as const };
