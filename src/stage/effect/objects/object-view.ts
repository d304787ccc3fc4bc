/** One object at one of its places in a scene. */
import type { Object3D, Texture, WebGLRenderer } from 'three';
import type { Media } from '../../../core/kinds/values';
import type { Particles } from '../../../core/fountain/particles';
import type { Effect, EffectObject, ObjectId } from '../../../core/document/schema';
import type { Matrix } from '../../../core/maths/matrix';
import type { TrackedFace, TrackedHand } from '../../../core/tracking/track-frame';
import type { Seconds, Unit } from '../../../core/units';
import type { Layering } from '../../../core/placing/anchors';
import type { PartNow, Place } from '../../../core/placing/places';
import type { SurfaceCut, WornSurface } from '../../surface/worn-surface';
import type { Blended } from '../blended';
import type { CameraParts } from '../../backdrop/camera-parts';
import type { SeenCutout } from '../seen-cutouts';
import type { Stores } from '../stores';
import type { FlatTools } from './flat';

/** What a view is brought to. */
export interface ObjectNow<O extends EffectObject = EffectObject> {
  readonly object: O;
  readonly effect: Effect;
  /** Its own and that of the groups it hangs in. */
  readonly opacity: Unit;
  readonly face: TrackedFace | null;
  /** The hand it is on. */
  readonly hand: TrackedHand | null;
  /** Whose expressions count: its own face, or else the first. */
  readonly wearer: TrackedFace | null;
  /** The face of a number, from 1; null when it is not there. */
  readonly faceOf: (number: number) => TrackedFace | null;
  /** Since the effect started. */
  readonly time: Seconds;
  /** Where behaviour has brought what it plays; null is as the document says, by `time`. */
  readonly media: Media | null;
  /** Of a fountain. */
  readonly particles: Particles | null;
  /** From its own space to the world's. */
  readonly matrix: Matrix;
  /** Of a model: those of its parts that are objects of their own. */
  readonly parts: readonly PartNow[];
  /** Any object of the program, as behaviour has made it. */
  readonly objectAt: (index: number) => EffectObject;
  /** Where another object is, and how opaque; null where it is nowhere, or hidden. */
  readonly placeOf: (id: ObjectId) => Place | null;
  /** What stands higher in the Stack is drawn later. */
  readonly order: number;
  readonly layering: Layering;
  /** Width over height of the view. */
  readonly aspect: number;
}

export interface ObjectView<O extends EffectObject = EffectObject> {
  /** Its matrix is set by whoever owns the view. */
  readonly node: Object3D;
  /** False when there is nothing to draw: an asset still on its way, an opacity of 0. */
  update(now: ObjectNow<O>): boolean;
  /** What a cutout shows now; null while it shows nothing. */
  seen?(renderer: WebGLRenderer): SeenCutout | null;
  dispose(): void;
}

/** What views share. */
export interface ViewTools extends FlatTools {
  readonly stores: Stores;
  /** The camera picture; a view without one (Space) shows none. */
  readonly camera: CameraParts | null;
  /** What a cutout showed on another stage; for a view without a camera picture. */
  readonly cutout: (id: ObjectId) => Texture | null;
  /** A material to be worn. */
  readonly surface: (blended: Blended, cut?: SurfaceCut) => WornSurface;
}
