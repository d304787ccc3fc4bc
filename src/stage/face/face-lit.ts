/** The effect's light on a head: on its skin with what is painted on it, on its hair, and as the light that finishes mirror. */
import {
  BufferAttribute,
  BufferGeometry,
  DataUtils,
  Euler,
  Matrix3,
  Matrix4,
  Mesh,
  ShaderMaterial,
  Vector2,
  Vector3,
  Vector4,
  type DataTexture,
  type IUniform,
} from 'three';
import { farToNear } from '../../core/face/far-to-near';
import { SHELL_POINTS, SHELL_TRIANGLES, shellPositions } from '../../core/face/head-shell';
import { FACE_LANDMARKS, OVAL } from '../../core/face/landmarks';
import { NECK_POINTS, NECK_TRIANGLES, neckPositions } from '../../core/face/neck';
import { MOST_LAMPS, type FaceLights } from '../../core/light/face-lights';
import { irradianceOf, type Irradiance } from '../../core/light/irradiance';
import { roomLight } from '../../core/light/room';
import { toLocal } from '../../core/maths/pose';
import { conjugate, rotate } from '../../core/maths/quaternion';
import { headFactor } from '../../core/face/head-factor';
import { linearOf, rgbOf } from '../../core/maths/srgb';
import type { Vec3 } from '../../core/maths/vec3';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { FramebufferCopy } from '../effect/framebuffer-copy';
import { OVER_PICTURE, texture, value } from '../passes';
import { LIT_FRAGMENT, LIT_VERTEX } from './face-lit-shader';

/** Light from the front and above, for pictures whose light nobody knows. */
export const PLAIN_LIGHT: LightEstimate = { direction: [0.3, 0.6, 0.74], colour: '#ffffff', brightness: 0.7 };

/** What lights a face now. */
export interface FaceLight {
  readonly camera: LightEstimate;
  readonly lights: FaceLights;
  /** Of the surroundings; null where none light faces, or their picture is on its way. */
  readonly around: Irradiance | null;
}

const known = new WeakMap<DataTexture, Irradiance>();
let room: Irradiance | null = null;

/** The light of surroundings, once for each picture; of the plain room where there is none. */
export const aroundOf = (picture: DataTexture | null): Irradiance => {
  if (!picture)
    return (room ??= irradianceOf(64, 32, (x, y) => {
      const [up, round] = [Math.PI / 2 - ((y + 0.5) / 32) * Math.PI, ((x + 0.5) / 64 - 0.5) * 2 * Math.PI];
      const light = roomLight([Math.cos(up) * Math.cos(round), Math.sin(up), Math.cos(up) * Math.sin(round)]);
      return [light, light, light];
    }));
  let made = known.get(picture);
  if (!made) {
    const { data, width, height } = picture.image as { data: Uint16Array; width: number; height: number };
    made = irradianceOf(width, height, (x, y) => {
      const i = 4 * (y * width + x);
      return [0, 1, 2].map((c) => DataUtils.fromHalfFloat(data[i + c]!)) as unknown as Vec3;
    });
    known.set(picture, made);
  }
  return made;
};

export const faceLitUniforms = () => ({
  cameraFrom: value(new Vector3()),
  cameraLight: value(new Vector3()),
  cameraStays: value(1),
  lampCount: value(0),
  lampAt: value(Array.from({ length: MOST_LAMPS }, () => new Vector4())),
  lampColour: value(Array.from({ length: MOST_LAMPS }, () => new Vector3())),
  hasAround: value(false),
  around: value(Array.from({ length: 9 }, () => new Vector3())),
  aroundTurn: value(new Matrix3()),
});
const KINDS = { ambient: 0, directional: 1, point: 2 } as const;

/** Sets what `faceLitUniforms` made; with null only the camera's light counts. */
export const setFaceLit = (
  uniforms: Record<string, IUniform>,
  camera: LightEstimate,
  light: Omit<FaceLight, 'camera'> | null,
): void => {
  const of = uniforms as ReturnType<typeof faceLitUniforms>;
  of.cameraFrom.value.set(...camera.direction);
  of.cameraLight.value
    .set(...linearOf(rgbOf(camera.colour)))
    .multiplyScalar(Math.max(0.08, camera.brightness));
  of.cameraStays.value = light?.lights.camera ?? 1;
  const lamps = light?.lights.lamps ?? [];
  of.lampCount.value = lamps.length;
  lamps.forEach(({ kind, at, colour }, i) => {
    of.lampAt.value[i]!.set(...at, KINDS[kind]);
    of.lampColour.value[i]!.set(...colour);
  });
  const surroundings = light?.lights.surroundings ?? null;
  const around = light?.around ?? null;
  of.hasAround.value = surroundings !== null && around !== null;
  if (!surroundings || !around) return;
  of.around.value.forEach((v, k) =>
    v.set(around[3 * k]!, around[3 * k + 1]!, around[3 * k + 2]!).multiplyScalar(surroundings.strength),
  );
  // As three turns the surroundings of a scene.
  const [x, y, z] = surroundings.turn.map((a) => (-a * Math.PI) / 180) as [number, number, number];
  of.aroundTurn.value.setFromMatrix4(new Matrix4().makeRotationFromEuler(new Euler(x, y, z)));
};

const TRIANGLES = [...SHELL_TRIANGLES, ...NECK_TRIANGLES.map((i) => i + SHELL_POINTS)];
/** How the neck runs out, from its top. */
const NECK_EDGE = [1, 1, 0.8, 0.5, 0.2, 0];

/** The whole head in the light of the effect: face, skull and neck, with the hair that lies on them. */
export class LitHead {
  readonly mesh: Mesh<BufferGeometry, ShaderMaterial>;
  private readonly order = new Uint16Array(TRIANGLES.length);
  private readonly points = new Float32Array(3 * (SHELL_POINTS + NECK_POINTS));

  constructor(beneath: FramebufferCopy) {
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(this.points, 3));
    geometry.setIndex(new BufferAttribute(this.order, 1));
    const edge = new Float32Array(SHELL_POINTS + NECK_POINTS).fill(1);
    const around = NECK_POINTS / NECK_EDGE.length;
    for (let i = 0; i < NECK_POINTS; i++) edge[SHELL_POINTS + i] = NECK_EDGE[Math.floor(i / around)]!;
    geometry.setAttribute('edge', new BufferAttribute(edge, 1));
    const hair = new Float32Array(SHELL_POINTS + NECK_POINTS);
    // The first ring around the face is skin still.
    hair.fill(1, FACE_LANDMARKS + OVAL.length, SHELL_POINTS);
    geometry.setAttribute('hair', new BufferAttribute(hair, 1));
    const material = new ShaderMaterial({
      vertexShader: LIT_VERTEX,
      fragmentShader: LIT_FRAGMENT,
      uniforms: { beneath: texture(), bufferSize: value(new Vector2(1, 1)), ...faceLitUniforms() },
      ...OVER_PICTURE,
      depthWrite: false,
      toneMapped: false,
    });
    this.mesh = new Mesh(geometry, material);
    this.mesh.frustumCulled = false;
    this.mesh.position.z = 0.0005;
    this.mesh.onBeforeRender = (renderer) => beneath.copyFor(renderer, material);
  }

  update(face: TrackedFace, light: FaceLight, eye: Vec3, order: number): void {
    const { geometry, material } = this.mesh;
    shellPositions(face.landmarks, this.points);
    const down = rotate(conjugate(face.pose.rotation), [0, -1, 0]);
    neckPositions(down, headFactor(face.landmarks), this.points.subarray(3 * SHELL_POINTS));
    geometry.getAttribute('position').needsUpdate = true;
    farToNear(TRIANGLES, this.points, toLocal(face.pose, eye), this.order);
    geometry.index!.needsUpdate = true;
    geometry.computeVertexNormals();
    setFaceLit(material.uniforms, light.camera, light);
    this.mesh.renderOrder = order;
  }

  dispose(): void {
    this.mesh.removeFromParent();
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
