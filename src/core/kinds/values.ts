/** What behaviour can change about an object. */
import type { Vec3 } from '../maths/vec3';
import type { AssetId } from '../schema/asset-schema';
import type { Hex, Metres, Seconds, Unit } from '../units';

/** A sequence, video, clip or sound under way. */
export interface Media {
  /** Of a model; null is the one it has. */
  readonly clip: string | null;
  /** Where it is, in its own time. */
  readonly at: Seconds;
  readonly running: boolean;
  readonly speed: number;
  readonly from: Seconds;
  readonly to: Seconds;
  /** Rounds that are left; 0 goes on without end. */
  readonly left: number;
  /** The step at which it was set going. */
  readonly since: number;
  /** The clip of a model that it comes in over, where that was, and how much of the new one there is. */
  readonly over: {
    readonly clip: string | null;
    readonly at: Seconds;
    readonly share: Unit;
    readonly blend: Seconds;
  } | null;
}

/** What a card shows instead of its own picture, and how large. */
export interface ShownPicture {
  readonly asset: AssetId;
  readonly extent: [Metres, Metres];
}

export interface Values {
  visible: boolean;
  /** Of a sound it is the volume. */
  opacity: Unit;
  move: Vec3;
  turn: Vec3;
  scale: Vec3;
  /** Numbers of the object that differ from the document, by their path; see `numbers.ts`. Replaced, never changed. */
  numbers: Readonly<Record<string, number>> | null;
  colour: Hex | null;
  /** What a text says instead of what the document says. */
  text: string | null;
  /** Replaced, never changed. */
  picture: ShownPicture | null;
  /** Null is as the document says: from the start, again and again. */
  media: Media | null;
  /** Of a fountain: share of its rate. */
  open: number;
  /** Of a fountain: particles to be born in this step. */
  burst: number;
  /** Keeps its front to the viewer. */
  facing: boolean;
}
