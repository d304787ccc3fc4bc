/** Two models side by side, seen from the same side: before and after a repair, with a head for scale. */
import type CameraControls from 'camera-controls';
import {
  AxesHelper,
  Box3,
  BufferAttribute,
  BufferGeometry,
  Color,
  Group,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Scene,
  SRGBColorSpace,
  Vector3,
  WebGLRenderer,
} from 'three';
import { headAnchor } from '../core/kinds/objects/placed';
import { restOn, wornMove } from '../core/kinds/objects/resting';
import type { Box } from '../core/maths/box';
import { add, scale, type Vec3 } from '../core/maths/vec3';
import { WORN_ON, type WornAs } from '../core/schema/worn-as';
import { SHELL_TRIANGLES, shellPositions } from '../core/face/head-shell';
import { featurePoint } from '../core/face/feature-points';
import { NEUTRAL_FACE } from '../core/face/neutral';
import { EffectLight } from './effect/effect-light';
import { disposeOf, openModel } from './effect/model-store';
import { lookAround } from './look-around';
import { NoDrawing } from './stage';
import { letGo } from './let-go';

/** Where a head has to stand so that a model of this box, in its origin, is worn like that. */
const headPlace = (as: WornAs, box: Box): Vec3 => {
  const point = featurePoint(NEUTRAL_FACE, WORN_ON[as]);
  const { move } = restOn(headAnchor(WORN_ON[as]), 'model');
  return scale(add(point, wornMove(as, box) ?? move), -1);
};

/** A plain head, for scale. */
const headForScale = (): Mesh => {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(shellPositions(NEUTRAL_FACE)), 3));
  geometry.setIndex([...SHELL_TRIANGLES]);
  geometry.computeVertexNormals();
  return new Mesh(geometry, new MeshLambertMaterial({ color: 0xf0ebe2 }));
};

interface Side {
  readonly scene: Scene;
  readonly place: Group;
  readonly light: EffectLight;
  readonly cross: AxesHelper;
  readonly head: Mesh;
  box: Box3;
}

export class ModelCompare {
  private readonly renderer: WebGLRenderer;
  private readonly camera = new PerspectiveCamera(28, 1, 0.001, 1000);
  private readonly orbit: CameraControls;
  private readonly sides: readonly [Side, Side];
  private loading = 0;
  private width = 1;
  private height = 1;

  constructor(
    canvas: HTMLCanvasElement,
    private readonly onNeedsDraw: () => void,
  ) {
    try {
      this.renderer = new WebGLRenderer({ canvas, antialias: true });
    } catch (cause) {
      throw new NoDrawing(cause);
    }
    this.renderer.outputColorSpace = SRGBColorSpace;
    this.renderer.setScissorTest(true);
    this.sides = [this.makeSide(), this.makeSide()];
    this.orbit = lookAround(this.camera, canvas, onNeedsDraw);
    void this.orbit.setLookAt(0.55, 0.4, 1, 0, 0, 0, false);
  }

  private makeSide(): Side {
    const scene = new Scene();
    const place = new Group();
    const head = headForScale();
    const cross = new AxesHelper(1);
    cross.setColors(new Color('#b23a32'), new Color('#b23a32'), new Color('#b23a32'));
    cross.renderOrder = 10;
    cross.visible = false;
    (cross.material as { depthTest: boolean }).depthTest = false;
    scene.add(place, cross, head);
    const light = new EffectLight(scene);
    light.update(true, [], null, null);
    return { scene, place, light, cross, head, box: new Box3() };
  }

  setSize(width: number, height: number, density: number): void {
    [this.width, this.height] = [width, height];
    this.renderer.setPixelRatio(density);
    this.renderer.setSize(width, height, false);
    this.onNeedsDraw();
  }

  setDark(dark: boolean): void {
    this.renderer.setClearColor(dark ? '#20272b' : '#e9e6df');
    this.onNeedsDraw();
  }

  /** How the models are worn: the heads stand where they would. */
  private as: WornAs = 'crown';
  setWorn(as: WornAs): void {
    this.as = as;
    this.sides.forEach((side) => this.placeHead(side));
    this.onNeedsDraw();
  }
  private placeHead({ head, box }: Side): void {
    const { min, max } = box;
    const around: Box = box.isEmpty()
      ? { low: [0, 0, 0], high: [0, 0, 0] }
      : { low: [min.x, min.y, min.z], high: [max.x, max.y, max.z] };
    head.position.set(...headPlace(this.as, around));
  }

  setHead(shown: boolean): void {
    for (const side of this.sides) side.head.visible = shown;
    this.onNeedsDraw();
  }

  /** Shows a GLB on a side: 0 before, 1 after. Newer calls win. */
  async show(side: 0 | 1, glb: Uint8Array | null): Promise<void> {
    const mine = ++this.loading;
    const model = glb ? await openModel(glb.slice().buffer) : null;
    const to = this.sides[side];
    if (side === 1 && mine !== this.loading) {
      if (model) disposeOf(model.scene);
      return;
    }
    for (const old of [...to.place.children]) {
      disposeOf(old);
      old.removeFromParent();
    }
    if (model) to.place.add(model.scene);
    to.box = new Box3().setFromObject(to.place);
    this.placeHead(to);
    to.cross.visible = model !== null;
    to.cross.scale.setScalar((to.box.getSize(new Vector3()).length() || 1) * 0.35);
    this.onNeedsDraw();
  }

  draw(): void {
    this.orbit.update(0.016);
    const half = Math.floor(this.width / 2);
    const direction = this.camera.position.clone().sub(this.orbit.getTarget(new Vector3())).normalize();
    this.sides.forEach((side, i) => {
      this.renderer.setViewport(i * half, 0, half, this.height);
      this.renderer.setScissor(i * half, 0, half, this.height);
      side.light.reflect(this.renderer);
      // Each side is framed by itself: sizes may differ a hundredfold.
      const box = side.box.clone();
      if (side.head.visible) box.union(new Box3().setFromObject(side.head));
      const size = box.isEmpty() ? 1 : box.getSize(new Vector3()).length();
      const centre = box.isEmpty() ? new Vector3() : box.getCenter(new Vector3());
      const eye = new PerspectiveCamera(28, half / this.height, size / 500, size * 20);
      eye.position.copy(centre).addScaledVector(direction, size * 1.7 * Math.max(1, this.height / half));
      eye.up.copy(this.camera.up);
      eye.lookAt(centre);
      this.renderer.render(side.scene, eye);
    });
  }

  dispose(): void {
    this.orbit.dispose();
    for (const side of this.sides) {
      disposeOf(side.scene);
      side.light.dispose();
    }
    letGo(this.renderer);
  }
}
