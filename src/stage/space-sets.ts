/** What stands in Space around the objects: a plain head, a floor, a wall, a printed picture, a screen. */
import {
  BufferAttribute,
  BufferGeometry,
  CapsuleGeometry,
  EdgesGeometry,
  GridHelper,
  Group,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PlaneGeometry,
  type Texture,
} from 'three';
import type { Anchor } from '../core/document/schema';
import { SHELL_TRIANGLES, shellPositions } from '../core/face/head-shell';
import { NEUTRAL_FACE } from '../core/face/neutral';
import { SCREEN_HEIGHT, SCREEN_WIDTH } from '../core/placing/anchors';
import { HAND_SHAPES } from '../core/hand/skeleton';
import { performerOf } from '../core/takes/library/performers';
import { flatGeometry } from './effect/objects/flat';
import { HandView } from './performer/hand-view';

/** What the camera of Space looks at and from how far. */
export interface SpaceView {
  readonly centre: readonly [number, number, number];
  readonly far: number;
}

export type SetName = 'head' | 'hand' | 'floor' | 'wall' | 'picture' | 'screen';
export const setOf = (anchor: Anchor): SetName => {
  switch (anchor.kind) {
    case 'head':
    case 'skin':
      return 'head';
    case 'hand':
      return 'hand';
    case 'world':
      return anchor.surface === 'wall' ? 'wall' : 'floor';
    case 'picture':
      return 'picture';
    case 'screen':
    case 'backdrop':
      return 'screen';
  }
};

export const VIEWS: Record<SetName, SpaceView> = {
  head: { centre: [0, 0.035, -0.02], far: 0.76 },
  hand: { centre: [0, 0.08, 0.01], far: 0.6 },
  floor: { centre: [0, 0.5, -0.7], far: 4.4 },
  wall: { centre: [0, 0, 0], far: 3 },
  picture: { centre: [0, 0, 0.03], far: 0.55 },
  screen: { centre: [0, 0, 0], far: 0.34 },
};

const plainHead = (material: MeshLambertMaterial): Mesh => {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(shellPositions(NEUTRAL_FACE)), 3));
  geometry.setIndex([...SHELL_TRIANGLES]);
  geometry.computeVertexNormals();
  return new Mesh(geometry, material);
};

/** A person of 1.70 m, as plain as a mannequin. Feet at the origin. */
const plainPerson = (material: MeshLambertMaterial): Group => {
  const person = new Group();
  const limb = (radius: number, long: number, x: number, y: number, z = 0, lean = 0): void => {
    const mesh = new Mesh(new CapsuleGeometry(radius, Math.max(0.01, long - 2 * radius), 6, 16), material);
    mesh.position.set(x, y, z);
    mesh.rotation.z = lean;
    person.add(mesh);
  };
  for (const side of [-1, 1]) {
    limb(0.065, 0.85, 0.09 * side, 0.43);
    limb(0.045, 0.68, 0.235 * side, 1.08, 0, 0.12 * side);
  }
  const chest = new Mesh(new CapsuleGeometry(0.15, 0.34, 8, 20), material);
  chest.position.y = 1.12;
  chest.scale.set(1.15, 1, 0.72);
  const head = plainHead(material);
  head.position.y = 1.575;
  limb(0.055, 0.2, 0, 1.43);
  person.add(chest, head);
  return person;
};

const plainHand = (): Group => {
  const view = new HandView({
    id: 1,
    side: 'right',
    performer: performerOf('marin'),
    pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] },
    bend: HAND_SHAPES.palm,
    mug: false,
  });
  view.update({
    id: 1,
    side: 'right',
    performer: performerOf('marin'),
    pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] },
    bend: HAND_SHAPES.palm,
    mug: false,
  });
  const group = new Group();
  group.add(view.group);
  return group;
};

export class SpaceSets {
  readonly group = new Group();
  private readonly clay = new MeshLambertMaterial({ color: 0xf4f0e9 });
  private readonly paper = new MeshBasicMaterial({ color: 0xfbfaf7 });
  private readonly head = plainHead(this.clay);
  private readonly near = new GridHelper(1.2, 24, 0x9a958b, 0xcfc9bd);
  private readonly wide = new GridHelper(6, 24, 0x9a958b, 0xcfc9bd);
  private readonly upright = new GridHelper(6, 24, 0x9a958b, 0xcfc9bd);
  private readonly sheet = new Mesh(flatGeometry(), this.paper);
  private readonly screen = new LineSegments(
    new EdgesGeometry(new PlaneGeometry(SCREEN_WIDTH, SCREEN_HEIGHT)),
    new LineBasicMaterial({ color: 0x6d675c }),
  );
  private person: Group | null = null;
  private hand: Group | null = null;
  /** The hand that things are placed on; made when it is wanted. */
  private placed: Group | null = null;
  private set: SetName = 'head';

  constructor() {
    this.near.position.y = -0.14;
    this.upright.rotation.x = Math.PI / 2;
    // The picture is paper: what lies on it is drawn over it.
    this.sheet.position.z = -0.0005;
    for (const grid of this.grids) grid.material.transparent = true;
    this.group.add(this.head, this.near, this.wide, this.upright, this.sheet, this.screen);
  }

  private get grids(): GridHelper[] {
    return [this.near, this.wide, this.upright];
  }

  setDark(dark: boolean): void {
    for (const grid of this.grids) grid.material.opacity = dark ? 0.22 : 1;
    this.screen.material.color.set(dark ? 0xb9b2a5 : 0x6d675c);
  }

  /** `sheet` is the printed picture: its size, and its texture when that is there. */
  show(
    set: SetName,
    sheet: { readonly width: number; readonly height: number; readonly texture: Texture | null },
  ): void {
    this.set = set;
    this.head.visible = set === 'head';
    this.near.visible = set === 'head' || set === 'hand' || set === 'picture';
    if (set === 'hand') this.placed ??= this.addHand();
    if (this.placed) this.placed.visible = set === 'hand';
    this.near.position.y = set === 'picture' ? -sheet.height / 2 - 0.02 : -0.14;
    this.wide.visible = set === 'floor';
    this.upright.visible = set === 'wall';
    this.sheet.visible = set === 'picture';
    this.screen.visible = set === 'screen';
    this.sheet.scale.set(sheet.width, sheet.height, 1);
    if (this.paper.map !== sheet.texture) {
      this.paper.map = sheet.texture;
      this.paper.needsUpdate = true;
    }
    this.arrange();
  }

  private addHand(): Group {
    const hand = plainHand();
    this.group.add(hand);
    return hand;
  }

  /** A person and a hand beside the objects, to judge sizes by. */
  setFigures(shown: boolean): void {
    if (shown && !this.person) {
      this.person = plainPerson(this.clay);
      this.hand = plainHand();
      this.group.add(this.person, this.hand);
    }
    if (this.person) this.person.visible = shown;
    if (this.hand) this.hand.visible = shown;
    this.arrange();
  }

  private arrange(): void {
    const { person, hand } = this;
    if (!person || !hand) return;
    const places: Record<
      SetName,
      { person: [number, number, number] | null; hand: [number, number, number] | null }
    > = {
      head: { person: null, hand: [-0.2, -0.1, 0.02] },
      hand: { person: null, hand: null },
      floor: { person: [-0.9, 0, -1], hand: [0.4, 0.01, -0.5] },
      wall: { person: [-1.2, -1.2, 0.3], hand: [-0.3, 0, 0.02] },
      picture: { person: null, hand: [-this.sheet.scale.x / 2 - 0.08, -0.09, 0.01] },
      screen: { person: null, hand: [-0.12, -0.09, 0] },
    };
    const { person: feet, hand: wrist } = places[this.set];
    if (feet) person.position.set(...feet);
    else person.visible = false;
    if (wrist) hand.position.set(...wrist);
    else hand.visible = false;
  }

  dispose(): void {
    this.group.traverse((object) => {
      const { geometry, material } = object as Partial<Mesh>;
      geometry?.dispose();
      for (const m of [material].flat()) m?.dispose();
    });
  }
}
