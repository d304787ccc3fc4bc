/** What of a face is made of a material: its skin as a lit thing, laid out by the face layout, where a layer or a morph says. */
import {
  BufferAttribute,
  Mesh,
  Vector2,
  type BufferGeometry,
  type Material as ThreeMaterial,
  type Texture,
} from 'three';
import type { Effect, Material } from '../../core/document/schema';
import { farToNear } from '../../core/face/far-to-near';
import { OPEN_TRIANGLES, OPENING_TRIANGLES, UV } from '../../core/face/neutral';
import { MOUTH_BELOW } from '../../core/face/region-mask';
import { toLocal } from '../../core/maths/pose';
import type { Vec3 } from '../../core/maths/vec3';
import type { BlendMode } from '../../core/maths/blend';
import type { TrackedFace } from '../../core/tracking/track-frame';
import type { Seconds, Unit } from '../../core/units';
import { Blended } from '../effect/blended';
import { faceGeometry, fitFace } from '../effect/objects/face-geometry';
import type { ViewTools } from '../effect/objects/object-view';
import { texture, value } from '../passes';
import type { WornSurface } from '../surface/worn-surface';
import { LIMIT_GLSL, limitUniforms, setLimit, type LayerMask } from './limit-shader';
import type { RegionTextures } from './region-textures';

/** A material on a face now. */
export interface SkinNow {
  readonly material: Material;
  readonly effect: Effect;
  readonly opacity: Unit;
  readonly blend: BlendMode;
  /** Where it is: a region, or a painted mask. */
  readonly region: Texture;
  readonly painted: Texture | null;
  readonly limit: LayerMask | null;
  readonly limitedOut: boolean;
  readonly givesWay: boolean;
  readonly coversEyes: boolean;
  readonly coversMouth: boolean;
  readonly time: Seconds;
  /** Lies under a material without a base picture of its own. */
  readonly picture: {
    readonly texture: Texture;
    readonly rect: readonly [number, number, number, number];
  } | null;
}

/** What all of a face is drawn in. */
export interface SkinScene {
  /** Where the camera is, world. */
  readonly eye: Vec3;
  /** Where something is before the face; null when nobody knows. */
  readonly cover: Texture | null;
}

const openings = (belowEyes: boolean): number[] => {
  const found: number[] = [];
  for (let i = 0; i < OPENING_TRIANGLES.length; i += 3) {
    const corners = [0, 1, 2].map((k) => OPENING_TRIANGLES[i + k]!);
    const v = corners.reduce((sum, corner) => sum + UV[2 * corner + 1]!, 0) / 3;
    if (v > MOUTH_BELOW === belowEyes) found.push(...corners);
  }
  return found;
};
const EYES = openings(false);
const MOUTH = openings(true);

export class SkinSurface {
  readonly mesh: Mesh<BufferGeometry, ThreeMaterial>;
  private readonly surface: WornSurface;
  private covers = '';
  private triangles: readonly number[] = [];
  private order = new Uint16Array();
  private readonly uniforms = {
    skinRegion: texture(),
    skinPainted: texture(),
    skinIsPainted: value(false),
    skinCover: texture(),
    skinCovered: value(false),
    skinBuffer: value(new Vector2(1, 1)),
    ...limitUniforms(),
  };

  constructor(
    tools: ViewTools,
    private readonly regions: RegionTextures,
  ) {
    const blended = new Blended(tools.beneath, true);
    this.surface = tools.surface(blended, {
      key: 'skin',
      head: `
        uniform sampler2D skinRegion;
        uniform sampler2D skinPainted;
        uniform bool skinIsPainted;
        uniform sampler2D skinCover;
        uniform bool skinCovered;
        uniform vec2 skinBuffer;
        ${LIMIT_GLSL}`,
      there: `maskOf(skinRegion, skinPainted, skinIsPainted, sfVPlace) * limitAt(sfVPlace)
        * (skinCovered ? 1.0 - texture2D(skinCover, gl_FragCoord.xy / skinBuffer).r : 1.0)`,
      uniforms: this.uniforms,
    });
    this.mesh = new Mesh(faceGeometry());
    this.mesh.frustumCulled = false;
    this.mesh.receiveShadow = true;
    // It lies in the skin: half a millimetre before it, so that a head occluder does not flicker through.
    this.mesh.position.z = 0.0005;
    blended.watch(this.mesh);
    const copies = this.mesh.onBeforeRender.bind(this.mesh);
    this.mesh.onBeforeRender = (...now) => {
      copies(...now);
      now[0].getDrawingBufferSize(this.uniforms.skinBuffer.value);
    };
  }

  update(face: TrackedFace, now: SkinNow, { eye, cover }: SkinScene, order: number): void {
    const { mesh, uniforms } = this;
    const covers = `${now.coversEyes} ${now.coversMouth}`;
    if (covers !== this.covers) {
      this.covers = covers;
      this.triangles = [
        ...OPEN_TRIANGLES,
        ...(now.coversEyes ? EYES : []),
        ...(now.coversMouth ? MOUTH : []),
      ];
      this.order = new Uint16Array(this.triangles.length);
      mesh.geometry.setIndex(new BufferAttribute(this.order, 1));
    }
    fitFace(mesh.geometry, face);
    // The nose of a turned face covers the far cheek.
    farToNear(this.triangles, face.landmarks, toLocal(face.pose, eye), this.order);
    mesh.geometry.index!.needsUpdate = true;
    uniforms.skinRegion.value = now.region;
    uniforms.skinPainted.value = now.painted;
    uniforms.skinIsPainted.value = now.painted !== null;
    setLimit(uniforms, this.regions, now.limit, now.limitedOut);
    const before = now.givesWay ? cover : null;
    uniforms.skinCover.value = before;
    uniforms.skinCovered.value = before !== null;
    const { picture } = now;
    mesh.material = this.surface.update({
      material: { ...now.material, doubleSided: false },
      effect: now.effect,
      face,
      time: now.time,
      opacity: now.opacity,
      depthTest: true,
      depthWrite: false,
      blend: now.blend,
      ...(picture ? { picture } : {}),
    });
    mesh.renderOrder = order;
  }

  dispose(): void {
    this.mesh.removeFromParent();
    this.mesh.geometry.dispose();
    this.surface.dispose();
  }
}
