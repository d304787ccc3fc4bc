/**
 * A reshaped face: its own pixels lie on the reshaped mesh, so that nothing around it is dragged along; where the outline
 * is taken in, what lies around closes behind it.
 */
import {
  BufferAttribute,
  BufferGeometry,
  DataTexture,
  DoubleSide,
  FloatType,
  Matrix4,
  Mesh,
  RedFormat,
  RepeatWrapping,
  Scene,
  ShaderMaterial,
  Vector2,
  Vector3,
  Vector4,
  type PerspectiveCamera,
  type Texture,
  type WebGLRenderer,
} from 'three';
import { farToNear } from '../../core/face/far-to-near';
import { FACE_LANDMARKS, OVAL } from '../../core/face/landmarks';
import { backfill, backfillTriangles } from '../../core/face/morph/backfill';
import { middleOfPoints, outlineFrom } from '../../core/face/morph/outline';
import { TRIANGLES } from '../../core/face/neutral';
import { landmarkNormals } from '../../core/face/landmark-normals';
import { conjugate, rotate } from '../../core/maths/quaternion';
import { toLocal } from '../../core/maths/pose';
import type { Vec3 } from '../../core/maths/vec3';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { Unit } from '../../core/units';
import { OVER_PICTURE, texture, value } from '../passes';
import { faceGeometry, fitFace } from '../effect/objects/face-geometry';
import { PLAIN_LIGHT } from './face-lit';
import { BACKFILL_FRAGMENT, BACKFILL_VERTEX, MORPH_FRAGMENT, MORPH_VERTEX } from './morph-shader';
import { headToClip } from './to-clip';

export interface MorphScene {
  readonly renderer: WebGLRenderer;
  readonly camera: PerspectiveCamera;
  /** What stands on the canvas. */
  readonly picture: Texture;
  readonly cover: Texture | null;
  /** Where hair is; null when nobody knows. */
  readonly hair: Texture | null;
  /** What the camera stands in; null where nobody knows. */
  readonly light: LightEstimate | null;
  /** How much the new shape is lit as it is turned now. */
  readonly relief: Unit;
}

/** Directions in which the outline is looked at. */
const DIRECTIONS = 128;

const material = (vertexShader: string, fragmentShader: string, uniforms: ShaderMaterial['uniforms']) =>
  new ShaderMaterial({
    vertexShader,
    fragmentShader,
    uniforms: {
      picture: texture(),
      bufferSize: value(new Vector2()),
      cover: texture(),
      covered: value(false),
      ...uniforms,
    },
    ...OVER_PICTURE,
    depthTest: false,
    depthWrite: false,
    toneMapped: false,
  });

export class MorphView {
  private readonly scene = new Scene();
  private readonly skin: Mesh<BufferGeometry, ShaderMaterial>;
  private readonly behind: Mesh<BufferGeometry, ShaderMaterial>;
  private readonly order = new Uint16Array(TRIANGLES.length);
  private readonly size = new Vector2();
  private readonly toClip = new Matrix4();
  /** How far the face reached before, by direction. */
  private readonly reach = new DataTexture(new Float32Array(DIRECTIONS), DIRECTIONS, 1, RedFormat, FloatType);
  /** Landmarks in the picture: x by the aspect, y, so that a circle is round. */
  private readonly seen = [
    new Float32Array(2 * FACE_LANDMARKS),
    new Float32Array(2 * FACE_LANDMARKS),
  ] as const;

  constructor() {
    const geometry = faceGeometry();
    this.reach.wrapS = RepeatWrapping;
    geometry.setIndex(new BufferAttribute(this.order, 1));
    for (const name of ['from', 'facing'])
      geometry.setAttribute(name, new BufferAttribute(new Float32Array(FACE_LANDMARKS * 3), 3));
    const edge = new Float32Array(FACE_LANDMARKS).fill(1);
    for (const i of OVAL) edge[i] = 0;
    geometry.setAttribute('edge', new BufferAttribute(edge, 1));
    this.skin = new Mesh(
      geometry,
      material(MORPH_VERTEX, MORPH_FRAGMENT, {
        toClip: value(this.toClip),
        hair: texture(),
        knowsHair: value(false),
        light: value(new Vector3()),
        relief: value(0),
        outline: value(this.reach),
        middle: value(new Vector3()),
      }),
    );
    const strip = new BufferGeometry();
    strip.setAttribute('position', new BufferAttribute(new Float32Array(6 * DIRECTIONS), 3));
    strip.setAttribute('from', new BufferAttribute(new Float32Array(4 * DIRECTIONS), 2));
    strip.setIndex(backfillTriangles(DIRECTIONS));
    this.behind = new Mesh(strip, material(BACKFILL_VERTEX, BACKFILL_FRAGMENT, { aspect: value(1) }));
    this.behind.material.side = DoubleSide;
    this.behind.renderOrder = 0;
    this.skin.renderOrder = 1;
    for (const mesh of [this.behind, this.skin]) mesh.frustumCulled = false;
    this.scene.add(this.behind, this.skin);
  }

  /** Draws over the canvas. A face that no morph has reshaped is left as it is. */
  draw(scene: MorphScene, face: TrackedFace): void {
    const { renderer, camera, picture, cover } = scene;
    if (!face.unmorphed) return;
    renderer.getDrawingBufferSize(this.size);
    headToClip(camera, face.pose, this.toClip);
    const aspect = this.size.x / this.size.y;
    if (!this.project(face.unmorphed, aspect, this.seen[0])) return;
    if (!this.project(face.landmarks, aspect, this.seen[1])) return;
    this.fill(aspect);
    const { geometry } = this.skin;
    fitFace(geometry, face);
    const before = {
      from: face.unmorphed.subarray(0, FACE_LANDMARKS * 3),
      facing: landmarkNormals(face.unmorphed),
    };
    for (const [name, values] of Object.entries(before)) {
      const attribute = geometry.getAttribute(name) as BufferAttribute;
      (attribute.array as Float32Array).set(values);
      attribute.needsUpdate = true;
    }
    const { hair, knowsHair, light, relief } = this.skin.material.uniforms;
    hair!.value = scene.hair;
    knowsHair!.value = scene.hair !== null;
    relief!.value = scene.relief;
    (light!.value as Vector3).set(
      ...rotate(conjugate(face.pose.rotation), (scene.light ?? PLAIN_LIGHT).direction),
    );
    farToNear(
      TRIANGLES,
      face.landmarks,
      toLocal(face.pose, camera.position.toArray() as unknown as Vec3),
      this.order,
    );
    geometry.index!.needsUpdate = true;
    for (const { material } of [this.behind, this.skin]) {
      const u = material.uniforms;
      u.picture!.value = picture;
      u.cover!.value = cover;
      u.covered!.value = cover !== null;
      (u.bufferSize!.value as Vector2).copy(this.size);
    }
    renderer.render(this.scene, camera);
  }

  /** False when the face is not wholly before the camera. */
  private project(landmarks: Float32Array, aspect: number, into: Float32Array): boolean {
    const p = new Vector4();
    for (let i = 0; i < FACE_LANDMARKS; i++) {
      p.set(landmarks[3 * i]!, landmarks[3 * i + 1]!, landmarks[3 * i + 2]!, 1).applyMatrix4(this.toClip);
      if (p.w <= 0) return false;
      into[2 * i] = (aspect * p.x) / p.w;
      into[2 * i + 1] = p.y / p.w;
    }
    return true;
  }

  private fill(aspect: number): void {
    const [before, after] = this.seen;
    // Seen from between both, so that both have all of their outline around it.
    const [a, b] = [middleOfPoints(before), middleOfPoints(after)];
    const centre = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] as const;
    const outline = outlineFrom(centre, before, TRIANGLES, DIRECTIONS);
    (this.reach.image.data as Float32Array).set(outline.radii);
    this.reach.needsUpdate = true;
    (this.skin.material.uniforms.middle!.value as Vector3).set(...centre, aspect);
    const { corners, from, any } = backfill(outline, outlineFrom(centre, after, TRIANGLES, DIRECTIONS));
    this.behind.visible = any;
    if (!any) return;
    const { position, from: taken } = this.behind.geometry.attributes as Record<string, BufferAttribute>;
    for (let i = 0; i < 2 * DIRECTIONS; i++) position!.setXYZ(i, corners[2 * i]!, corners[2 * i + 1]!, 0);
    (taken!.array as Float32Array).set(from);
    position!.needsUpdate = taken!.needsUpdate = true;
    this.behind.material.uniforms.aspect!.value = aspect;
  }

  dispose(): void {
    this.reach.dispose();
    for (const { geometry, material } of [this.skin, this.behind]) {
      geometry.dispose();
      material.dispose();
    }
  }
}
