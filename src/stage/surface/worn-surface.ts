/** A material as what wears it knows it. */
import type { Material as ThreeMaterial, MeshDepthMaterial, Texture } from 'three';
import type { Effect, Material } from '../../core/document/schema';
import type { TrackedFace } from '../../core/tracking/track-frame';
import type { Seconds, Unit } from '../../core/units';
import type { Blended } from '../effect/blended';

/** What a material is brought to. */
export interface SurfaceNow {
  readonly material: Material;
  readonly effect: Effect;
  /** Whose expressions and face count. */
  readonly face: TrackedFace | null;
  readonly time: Seconds;
  /** Of the object now, cues counted. */
  readonly opacity: Unit;
  readonly depthTest: boolean;
  readonly depthWrite: boolean;
  readonly blend: Parameters<Blended['style']>[1];
  /** Lies under a material that has no base picture of its own. */
  readonly picture?: { readonly texture: Texture; readonly rect: readonly [number, number, number, number] };
}

export interface WornSurface {
  /** Throws the shadow of what is cut out or shaped. */
  readonly shadow: MeshDepthMaterial | null;
  /** Brings it up to date, and gives what to draw with. */
  update(now: SurfaceNow): ThreeMaterial;
  dispose(): void;
}
