/** A flat thing that shows a part of a face as it is now, with a soft edge. */
import {
  Group,
  Matrix4,
  Vector2,
  Vector3,
  type Camera,
  type Texture,
  type WebGLRenderTarget,
  type WebGLRenderer,
} from 'three';
import type { Cutout } from '../../../core/document/schema';
import { cutoutWindow, MOST_CORNERS, partExtent, partOutline } from '../../../core/face/cutout';
import { headFactor } from '../../../core/face/head-factor';
import { fitOf, tileCounts } from '../../../core/placing/fit';
import type { TrackedFace } from '../../../core/tracking/track-frame';
import type { CameraParts } from '../../backdrop/camera-parts';
import { CUTOUT_FRAGMENT, CUTOUT_VERTEX } from '../../face/cutout-shader';
import { byteTarget, passMaterial, PassQuad, texture, value } from '../../passes';
import { FlatMesh } from './flat';
import { standIn } from './live-view';
import type { SeenCutout } from '../seen-cutouts';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

/** Pixels along the longer side. */
const PIXELS: Readonly<Record<Cutout['part'], number>> = {
  mouth: 256,
  leftEye: 192,
  rightEye: 192,
  nose: 256,
  face: 512,
  drawn: 384,
};

export class CutoutView implements ObjectView<Cutout> {
  readonly node = new Group();
  private readonly flat: FlatMesh;
  private readonly quad = new PassQuad();
  private target: WebGLRenderTarget | null = null;
  private shown: { camera: CameraParts; made: boolean; asItIs: Texture | null } | null = null;
  private readonly cut = passMaterial(
    CUTOUT_FRAGMENT,
    {
      picture: texture(),
      toClip: value(new Matrix4()),
      centre: value(new Vector3()),
      across: value(new Vector3()),
      up: value(new Vector3()),
      size: value(new Vector2()),
      corners: value(Array.from({ length: MOST_CORNERS }, () => new Vector2())),
      count: value(0),
      inner: value(0),
      outer: value(0),
      facing: value(1),
    },
    CUTOUT_VERTEX,
  );

  constructor(private readonly tools: ViewTools) {
    this.flat = new FlatMesh(tools);
    const { mesh } = this.flat;
    const before = mesh.onBeforeRender.bind(mesh);
    mesh.onBeforeRender = (...now) => {
      this.draw(now[0]);
      before(...now);
    };
    this.node.add(mesh);
  }

  update({ object, opacity, face, faceOf, order, layering, aspect }: ObjectNow<Cutout>): boolean {
    if (opacity === 0) return false;
    const { camera } = this.tools;
    const { flat } = this;
    if (camera) {
      const of = face ?? faceOf(object.face);
      // What lies behind the people is drawn before them, and so before what they wear.
      const made = object.made && layering !== 'backdrop';
      if (!of || !camera.camera || this.aim(object, of, made, camera.camera) === 0) return false;
      if (made) camera.wantsMade = true;
      // It has to be taken while nothing else stands on the canvas yet.
      this.shown = { camera, made, asItIs: camera.get('whole', 0, null) };
      flat.style(object, this.target!.texture, object.flip ? [1, 1, -1, -1] : [0, 1, 1, -1], opacity);
    } else {
      const shown = this.tools.cutout(object.id);
      if (shown) flat.style(object, shown, object.flip ? [1, 1, -1, -1] : [0, 1, 1, -1], opacity);
      else flat.style(object, standIn(), [0, 0, 1, 1], opacity);
    }
    flat.repeat =
      fitOf(object, layering) === 'tile' ? tileCounts(object.extent, object.scale, aspect) : [1, 1];
    flat.mesh.scale.set(object.extent[0], object.extent[1], 1);
    flat.order = order;
    return true;
  }

  /** Brings the window to the face; gives how far it faces the camera. */
  private aim(object: Cutout, face: TrackedFace, made: boolean, camera: Camera): number {
    const landmarks = made ? face.landmarks : (face.unmorphed ?? face.landmarks);
    const points = partOutline(landmarks, object.part, object.outline);
    if (points.length < 3) return 0;
    const [width] = partExtent(object.part, object.outer, object.outline);
    const size = [width, (width * object.extent[1]) / object.extent[0]] as const;
    const factor = headFactor(face.unmorphed ?? face.landmarks);
    const { x, y, z } = camera.position;
    const window = cutoutWindow({ pose: face.pose, landmarks }, [x, y, z], points, size, factor);
    const u = this.cut.uniforms;
    camera.updateMatrixWorld();
    (u.toClip!.value as Matrix4).multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse);
    (u.centre!.value as Vector3).set(...window.centre);
    (u.across!.value as Vector3).set(...window.across);
    (u.up!.value as Vector3).set(...window.up);
    (u.size!.value as Vector2).set(...size);
    window.outline.forEach(([a, b], i) => (u.corners!.value as Vector2[])[i]!.set(a, b));
    u.count!.value = window.outline.length;
    u.inner!.value = object.inner;
    u.outer!.value = object.outer;
    u.facing!.value = window.facing;
    const k = PIXELS[object.part] / Math.max(...size);
    const [w, h] = [Math.round(size[0] * k), Math.round(size[1] * k)];
    if (this.target?.width !== w || this.target.height !== h) {
      this.target?.dispose();
      this.target = byteTarget(w, h);
    }
    return window.facing;
  }

  /** Cuts it out at the moment it is needed: by then the faces are made up. */
  private draw(renderer: WebGLRenderer): void {
    if (!this.shown || !this.target) return;
    const { camera, made, asItIs } = this.shown;
    this.cut.uniforms.picture!.value = (made && camera.dressed) || asItIs;
    this.quad.draw(renderer, this.cut, this.target);
  }

  seen(renderer: WebGLRenderer): SeenCutout | null {
    const { target } = this;
    if (!target || !this.shown || !this.node.visible) return null;
    const pixels = new Uint8Array(4 * target.width * target.height);
    renderer.readRenderTargetPixels(target, 0, 0, target.width, target.height, pixels);
    return { width: target.width, height: target.height, pixels };
  }

  dispose(): void {
    this.flat.dispose();
    this.quad.dispose();
    this.cut.dispose();
    this.target?.dispose();
  }
}
