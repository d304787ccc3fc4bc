/** Draws a take: people, hands, rooms and printed pictures, as its scene says at each instant. */
import {
  Color,
  DirectionalLight,
  HemisphereLight,
  Mesh,
  PCFShadowMap,
  PerspectiveCamera,
  Scene,
  type MeshBasicMaterial,
  type Object3D,
  type WebGLRenderer,
} from 'three';
import type { Person, SceneHand, SceneLight, SceneState } from '../core/takes/scene';
import type { Take } from '../core/takes/take';
import type { TrackFrame } from '../core/tracking/track-frame';
import { isBeard } from './performer/beard-view';
import { HandView } from './performer/hand-view';
import { PerformerView } from './performer/performer-view';
import type { PeopleDetail, PersonView } from './performer/person-view';
import { PlainPersonView } from './performer/plain-person-view';
import { FlatParts } from './flat-parts';
import { partOf, type Part } from './parts';
import type { CameraPicture } from './picture';
import { PrintedPictures, type PictureImage } from './printed-pictures';
import { placeView } from './rooms/places';
import { paintedRoom } from './rooms/painted-rooms';

/** How much is drawn: `plain` without shadows, `soft` with small ones, `full` with fine ones. */
export const DETAILS = ['plain', 'soft', 'full'] as const;
export type Detail = (typeof DETAILS)[number];
const SHADOW_PIXELS: Readonly<Record<Detail, number>> = { plain: 0, soft: 1024, full: 2048 };

export interface TakePictureOptions {
  readonly detail?: Detail;
  readonly people?: PeopleDetail;
  /** What is printed on the take's pictures, in order. */
  readonly pictures?: readonly PictureImage[];
}

/** Parts of a face itself: they cover no part of it. */
const UNCOVERED: ReadonlySet<Part> = new Set<Part>(['skin', 'eyes', 'background']);

/** Where light and shadow are centred, and how far they reach: people near the camera, or a whole room. */
const FACES = { centre: [0, -0.05, -0.8], reach: 0.45 } as const;
const SPACE = { centre: [0, -0.8, -1.4], reach: 2.2 } as const;

export class TakePicture implements CameraPicture {
  readonly scene = new Scene();
  readonly camera = new PerspectiveCamera(44, 9 / 16, 0.05, 40);
  private readonly people = new Map<number, PersonView>();
  private readonly hands = new Map<number, HandView>();
  private readonly printed: PrintedPictures;
  private readonly sky = new HemisphereLight();
  private readonly lights: readonly DirectionalLight[] = [0, 1, 2].map(() => new DirectionalLight());
  private readonly wall: MeshBasicMaterial | null;
  private readonly around: typeof FACES | typeof SPACE;
  private detail: Detail;
  private readonly peopleDetail: PeopleDetail;
  private readonly hair = new FlatParts((part) => new Color(part === 'hair' ? 0xffffff : 0), { soft: true });
  private readonly flat = new FlatParts((part) => new Color(UNCOVERED.has(part) ? 0 : 0xffffff));

  constructor(
    private take: Take,
    { detail = 'plain', people = 'full', pictures = [] }: TakePictureOptions = {},
  ) {
    this.peopleDetail = people;
    const room = paintedRoom(take.spec.room);
    const place = room ? null : placeView(take.spec.room);
    this.wall = room?.material ?? null;
    this.around = room ? FACES : SPACE;
    if (room) this.scene.add(room.group);
    if (place) this.scene.add(place);
    this.printed = new PrintedPictures(pictures);
    this.scene.add(this.sky, this.printed.group);
    for (const light of this.lights) this.scene.add(light, light.target);
    this.detail = detail;
    this.setDetail(detail);
  }

  /**
   * Goes over to a take in the same room; people who stay are not made anew. False when it plays elsewhere and
   * a picture of its own is needed.
   */
  retake(take: Take): boolean {
    if (take.spec.room !== this.take.spec.room) return false;
    this.take = take;
    return true;
  }

  setDetail(detail: Detail): void {
    this.detail = detail;
    const key = this.lights[0]!;
    key.castShadow = detail !== 'plain';
    if (detail === 'plain') return;
    const { reach } = this.around;
    const { camera } = key.shadow;
    Object.assign(camera, { left: -reach, right: reach, top: reach, bottom: -reach, near: 0.1, far: 8 });
    camera.updateProjectionMatrix();
    const pixels = SHADOW_PIXELS[detail];
    key.shadow.mapSize.set(pixels, pixels);
    key.shadow.map?.dispose();
    key.shadow.map = null;
    key.shadow.normalBias = reach / 220;
    key.shadow.bias = -0.0006;
    key.shadow.radius = detail === 'full' ? 5 : 3;
  }

  /** A take has no edges: whatever the shape of the view, nothing is cut off at top and bottom. */
  viewFovY(frame: TrackFrame): number {
    return frame.camera.fovY;
  }

  private light({ key, fill, edge, sky, ground, ambient, background }: SceneLight): void {
    const [cx, cy, cz] = this.around.centre;
    [key, fill, edge].forEach(({ direction: [x, y, z], colour, strength }, i) => {
      const light = this.lights[i]!;
      light.color.set(colour);
      light.intensity = strength;
      light.target.position.set(cx, cy, cz);
      light.position.set(cx + 3 * x, cy + 3 * y, cz + 3 * z);
    });
    this.sky.color.set(sky);
    this.sky.groundColor.set(ground);
    this.sky.intensity = ambient;
    this.wall?.color.copy(new Color(background, background, background));
  }

  private person(person: Person): void {
    let view = this.people.get(person.id);
    if (view?.performer !== person.performer) {
      view?.group.removeFromParent();
      view =
        this.peopleDetail === 'full'
          ? new PerformerView(person.performer)
          : new PlainPersonView(person.performer);
      this.shadowed(view.group);
      this.people.set(person.id, view);
      this.scene.add(view.group);
    }
    view.group.visible = true;
    view.update(person);
  }

  private hand(hand: SceneHand): void {
    let view = this.hands.get(hand.id);
    if (!view?.fits(hand)) {
      view?.group.removeFromParent();
      view = new HandView(hand);
      this.shadowed(view.group);
      this.hands.set(hand.id, view);
      this.scene.add(view.group);
    }
    view.group.visible = true;
    view.update(hand);
  }

  private shadowed(group: Mesh['parent'] & object): void {
    group.traverse((object) => {
      if (!(object instanceof Mesh)) return;
      const { transparent } = object.material as { transparent?: boolean };
      object.castShadow = transparent !== true && object.userData.noShadow !== true;
      object.receiveShadow = true;
    });
  }

  /** Brings everything to where the take has it at the frame's time. */
  pose(frame: TrackFrame, viewAspect: number): SceneState {
    const state = this.take.sceneAt(frame.time);
    const { camera } = this;
    camera.fov = frame.camera.fovY;
    camera.aspect = viewAspect;
    camera.updateProjectionMatrix();
    camera.position.fromArray(state.camera.pose.position);
    camera.quaternion.fromArray(state.camera.pose.rotation);
    for (const view of [...this.people.values(), ...this.hands.values()]) view.group.visible = false;
    for (const person of state.people) this.person(person);
    for (const hand of state.hands) this.hand(hand);
    this.printed.update(state.pictures);
    this.light(state.light);
    return state;
  }

  private shadowsOf(renderer: WebGLRenderer): void {
    renderer.shadowMap.enabled = this.detail !== 'plain';
    renderer.shadowMap.type = PCFShadowMap;
  }

  async prepare(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): Promise<void> {
    this.pose(frame, viewAspect);
    this.shadowsOf(renderer);
    await renderer.compileAsync(this.scene, this.camera);
  }

  draw(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): void {
    this.pose(frame, viewAspect);
    this.shadowsOf(renderer);
    renderer.render(this.scene, this.camera);
  }

  readonly knowsPeople = true;
  drawPeople(renderer: WebGLRenderer): void {
    const hidden: Object3D[] = [];
    this.scene.traverseVisible((object) => {
      if (object instanceof Mesh && partOf(object) === 'background') hidden.push(object);
    });
    const { printed } = this;
    for (const object of hidden) object.visible = false;
    const shown = printed.group.visible;
    printed.group.visible = false;
    renderer.shadowMap.enabled = this.detail !== 'plain';
    renderer.render(this.scene, this.camera);
    for (const object of hidden) object.visible = true;
    printed.group.visible = shown;
  }

  readonly knowsCover = true;
  drawCover(renderer: WebGLRenderer): void {
    this.flat.during(
      renderer,
      this.scene,
      () => renderer.render(this.scene, this.camera),
      // What is behind people covers nobody.
      (mesh) => partOf(mesh) !== 'background',
    );
  }

  readonly knowsHair = true;
  drawHair(renderer: WebGLRenderer): void {
    this.hair.during(
      renderer,
      this.scene,
      () => renderer.render(this.scene, this.camera),
      (mesh) => partOf(mesh) !== 'background' && !isBeard(mesh),
    );
  }

  dispose(): void {
    this.flat.dispose();
    this.hair.dispose();
    this.scene.traverse((object) => {
      const { geometry, material } = object as {
        geometry?: { dispose(): void };
        material?: { dispose(): void; map?: { dispose(): void } | null };
      };
      geometry?.dispose();
      for (const m of [material].flat()) {
        m?.map?.dispose();
        m?.dispose();
      }
    });
    this.lights[0]!.shadow.map?.dispose();
  }
}
