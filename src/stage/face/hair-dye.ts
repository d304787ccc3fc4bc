/** Hair of a head in another colour. */
import { Matrix4, Vector3, Vector4, type PerspectiveCamera, type Texture, type WebGLRenderer } from 'three';
import type { Hair } from '../../core/document/schema';
import { HAIR_PARTS } from '../../core/kinds/objects/hair';
import { fromPose } from '../../core/maths/matrix';
import { toLocal, toOuter } from '../../core/maths/pose';
import { rgbOf } from '../../core/maths/srgb';
import type { Vec3 } from '../../core/maths/vec3';
import type { TrackedFace } from '../../core/tracking/track-frame';
import type { Unit } from '../../core/units';
import { modeNumber } from '../effect/blend-shader';
import { byteTarget, passMaterial, PassQuad, texture, value } from '../passes';
import { HAIR_FRAGMENT, HEADS, MEAN_HAIR_FRAGMENT } from './retouch-shader';

/** Corners of a box in head space that holds the head with its hair, metres. */
const LOW: Vec3 = [-0.13, -0.28, -0.02];
const HIGH: Vec3 = [0.13, 0.18, -0.02];

/** The middle of a skull in head space, and how large it is, metres. */
const MIDDLE: Vec3 = [0, 0.03, -0.03];
const RADIUS = 0.1;

export class HairDye {
  private readonly quad = new PassQuad();
  private readonly mean = byteTarget(1, 1);
  private readonly meanPass = passMaterial(MEAN_HAIR_FRAGMENT, {
    beneath: texture(),
    hair: texture(),
    box: value(new Vector4()),
  });
  private readonly pass = passMaterial(HAIR_FRAGMENT, {
    beneath: texture(),
    hair: texture(),
    meanHair: texture(),
    tint: value(new Vector3()),
    mode: value(0),
    blends: value(false),
    strength: value(1),
    roots: value(0),
    second: value(new Vector3()),
    tipsReach: value(0),
    streaks: value(0),
    part: value(0),
    edge: value(0),
    mask: texture(),
    usesMask: value(false),
    toHead: value(new Matrix4()),
    eye: value(new Vector3()),
    aspect: value(1),
    heads: value(Array.from({ length: HEADS }, () => new Vector3())),
  });
  private readonly point = new Vector3();

  /** Where a head is in the picture, and how large: shares of its height. */
  private headSeen(head: TrackedFace, camera: PerspectiveCamera, into: Vector3): void {
    this.point.set(...toOuter(head.pose, MIDDLE)).applyMatrix4(camera.matrixWorldInverse);
    const away = Math.max(0.01, -this.point.z);
    this.point.applyMatrix4(camera.projectionMatrix);
    into.set(
      0.5 + 0.5 * this.point.x,
      0.5 + 0.5 * this.point.y,
      (0.5 * RADIUS * camera.projectionMatrix.elements[5]!) / away,
    );
  }

  /** Draws over the canvas; `picture` is a copy of it, `faces` are all there are; `mask` is the picture that says where, if there is one. */
  draw(
    {
      renderer,
      camera,
      picture,
      hair,
      faces,
    }: {
      readonly renderer: WebGLRenderer;
      readonly camera: PerspectiveCamera;
      readonly picture: Texture;
      readonly hair: Texture;
      readonly faces: readonly TrackedFace[];
    },
    face: TrackedFace,
    dye: Hair,
    opacity: Unit,
    mask: Texture | null,
  ): void {
    if (opacity === 0) return;
    const seen = (corner: Vec3): [number, number] => {
      this.point.set(...toOuter(face.pose, corner)).project(camera);
      return [0.5 + 0.5 * this.point.x, 0.5 + 0.5 * this.point.y];
    };
    const m = this.meanPass.uniforms;
    m.beneath!.value = picture;
    m.hair!.value = hair;
    (m.box!.value as Vector4).set(...seen(LOW), ...seen(HIGH));
    this.quad.draw(renderer, this.meanPass, this.mean);
    const u = this.pass.uniforms;
    u.beneath!.value = picture;
    u.hair!.value = hair;
    u.meanHair!.value = this.mean.texture;
    (u.tint!.value as Vector3).set(...rgbOf(dye.tint));
    u.mode!.value = modeNumber(dye.blend);
    u.blends!.value = dye.blend !== 'normal';
    u.strength!.value = opacity;
    u.roots!.value = dye.roots;
    (u.second!.value as Vector3).set(...rgbOf(dye.tips));
    u.tipsReach!.value = dye.tipsReach;
    u.streaks!.value = dye.streaks;
    u.part!.value = HAIR_PARTS.indexOf(dye.part);
    u.edge!.value = dye.edge;
    u.mask!.value = mask;
    u.usesMask!.value = mask !== null;
    camera.updateMatrixWorld();
    (u.toHead!.value as Matrix4)
      .fromArray(fromPose(face.pose) as number[])
      .invert()
      .multiply(camera.matrixWorld)
      .multiply(camera.projectionMatrixInverse);
    u.aspect!.value = camera.aspect;
    const others = faces.filter(({ id }) => id !== face.id);
    (u.heads!.value as Vector3[]).forEach((into, i) => {
      const head = i === 0 ? face : others[i - 1];
      if (head) this.headSeen(head, camera, into);
      else into.set(0, 0, 0);
    });
    (u.eye!.value as Vector3).set(...toLocal(face.pose, camera.position.toArray() as unknown as Vec3));
    this.quad.draw(renderer, this.pass, renderer.getRenderTarget());
  }

  dispose(): void {
    this.mean.dispose();
    this.meanPass.dispose();
    this.pass.dispose();
    this.quad.dispose();
  }
}
