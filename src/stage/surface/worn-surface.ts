/** A material as what wears it knows it. */
import type { IUniform, Material as ThreeMaterial, MeshDepthMaterial, Texture } from 'three';
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

/** What leaves a part of a surface out, beside its material: code that says how much of it is there, and what that code reads. */
export interface SurfaceCut {
  /** Tells kinds of cuts apart. */
  readonly key: string;
  /** GLSL: declarations. */
  readonly head: string;
  /** GLSL: an expression from 0 to 1; `sfVPlace` is the place on the surface's layout. */
  readonly there: string;
  readonly uniforms: Record<string, IUniform>;
}

export interface WornSurface {
  /** Throws the shadow of what is cut out or shaped. */
  readonly shadow: MeshDepthMaterial | null;
  /** Brings it up to date, and gives what to draw with. */
  update(now: SurfaceNow): ThreeMaterial;
  dispose(): void;
}
