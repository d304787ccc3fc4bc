/** New objects: as they are before a creator changes anything. Metres, degrees, seconds. */
import type { FeaturePoint } from '../face/feature-points';
import { cardExtent, groundDepth, restOn, standsOn } from './resting';
import type {
  Anchor,
  AnchorKind,
  CameraPart,
  Card,
  FaceChoice,
  Fill,
  Fit,
  Fountain,
  Grade,
  GradeStep,
  Group,
  Light,
  LightKind,
  Live,
  ModelAsset,
  ModelObject,
  ObjectId,
  Occluder,
  PictureAsset,
  SequenceAsset,
  ShadowCatcher,
  Solid,
  SolidShape,
  SoundAsset,
  SoundObject,
  TextObject,
  VideoAsset,
} from './schema';
import { cutText } from '../text';

/** What an object is called at first: the asset without the ending of its file. */
export const objectNameFor = (asset: { readonly name: string }, otherwise: string): string =>
  cutText(asset.name.replace(/\.[^.]+$/, ''), 80) || otherwise;

export const headAnchor = (point: FeaturePoint, face: FaceChoice = 1): Anchor => ({
  kind: 'head',
  face,
  point,
  grows: true,
});
export const FOREHEAD: Anchor = headAnchor('forehead');

export const placed = (id: ObjectId, name: string, order: number, anchor: Anchor) => ({
  id,
  name: cutText(name, 80),
  parent: null,
  scene: null,
  anchor,
  order,
  visible: true,
  locked: false,
  sample: false,
  move: [0, 0, 0] as [number, number, number],
  turn: [0, 0, 0] as [number, number, number],
  scale: [1, 1, 1] as [number, number, number],
  pivot: [0, 0, 0] as [number, number, number],
  lookAt: null,
  depthTest: true,
  depthWrite: false,
  touchArea: null,
  byViewer: null,
});

/** How flat things are before anybody styles them. */
export const FLAT = {
  fit: 'free' as Fit,
  opacity: 1,
  tint: '#ffffff',
  blend: 'normal' as const,
  doubleSided: true,
};

/** What a card may show. */
type Flat = Pick<PictureAsset | SequenceAsset | VideoAsset, 'id' | 'name' | 'width' | 'height'>;

/** A card that shows `asset` in the picture's own proportions, where such a card rests on its anchor. */
export const newCard = (id: ObjectId, asset: Flat, order: number, anchor: Anchor = FOREHEAD): Card => {
  const extent = cardExtent(asset.width / asset.height, anchor);
  return {
    ...placed(id, objectNameFor(asset, 'Picture'), order, anchor),
    kind: 'card',
    material: null,
    ...restOn(anchor, { kind: 'card', extent }),
    asset: asset.id,
    extent,
    ...FLAT,
    startDelay: 0,
  };
};

const LIVE_NAMES: Record<CameraPart, string> = {
  whole: 'Camera picture',
  person: 'Person',
  background: 'Room behind',
  face: 'Flat face',
};
/** Further copies of the person stand farther out, left and right in turn. */
const copyAside = (n: number): number => (n % 2 === 0 ? -1 : 1) * (0.024 + 0.008 * Math.floor(n / 2));

/**
 * Shows the camera picture; behind the people it fills the screen. A copy of the person stands beside them there, smaller,
 * with its lower edge on that of the screen; the `n`-th one farther out.
 */
export const newLive = (
  id: ObjectId,
  part: CameraPart,
  order: number,
  anchor: Anchor = FOREHEAD,
  n = 0,
): Live => {
  const behind = anchor.kind === 'backdrop';
  const aside = behind && part === 'person';
  const extent = cardExtent(part === 'face' ? 1 : 9 / 16, anchor);
  return {
    ...placed(id, LIVE_NAMES[part], order, anchor),
    kind: 'live',
    ...restOn(anchor, { kind: 'card', extent }),
    ...(aside ? { move: [copyAside(n), -0.016, 0], scale: [0.8, 0.8, 0.8] } : {}),
    extent,
    ...FLAT,
    fit: behind && !aside ? 'cover' : 'free',
    part,
    crop: [0, 0, 1, 1],
    flip: false,
    blur: behind && !aside ? 0.4 : 0,
  };
};

/** A plain colour; behind the people it fills the screen. */
export const newFill = (id: ObjectId, order: number, anchor: Anchor = FOREHEAD): Fill => {
  const extent = cardExtent(1, anchor);
  return {
    ...placed(id, 'Colour', order, anchor),
    kind: 'fill',
    material: null,
    ...restOn(anchor, { kind: 'card', extent }),
    extent,
    ...FLAT,
    fit: anchor.kind === 'backdrop' ? 'stretch' : 'free',
    tint: '#0f6b62',
    to: null,
    gradient: 'linear',
    angle: 0,
  };
};

/** A model whose origin rests where models rest on the anchor: a head piece on the crown. Its first clip plays. */
export const newModel = (
  id: ObjectId,
  asset: ModelAsset,
  order: number,
  anchor: Anchor = headAnchor('crown'),
): ModelObject => ({
  ...placed(id, objectNameFor(asset, 'Model'), order, anchor),
  kind: 'model',
  materials: {},
  ...restOn(anchor, { kind: 'model', base: asset.low[1] }),
  depthWrite: true,
  asset: asset.id,
  opacity: 1,
  blend: 'normal',
  clip: asset.clips[0]?.name ?? null,
  startDelay: 0,
  hiddenParts: [],
});

/** An empty group. */
export const newGroup = (id: ObjectId, name: string, order: number, anchor: Anchor = FOREHEAD): Group => ({
  ...placed(id, name || 'Group', order, anchor),
  kind: 'group',
  ...restOn(anchor, { kind: 'group' }),
  opacity: 1,
});

/** The head of a face; or the shape of a model, in its place. */
export const newOccluder = (id: ObjectId, order: number, face: FaceChoice = 1): Occluder => ({
  ...placed(id, 'Head occluder', order, { kind: 'head', face, point: 'headCentre', grows: false }),
  kind: 'occluder',
  depthWrite: true,
  asset: null,
});

/** Size of a new solid by what it sticks to, in metres. */
const SOLID_SIZE: Record<AnchorKind, number> = {
  head: 0.04,
  skin: 0.015,
  world: 0.3,
  picture: 0.05,
  screen: 0.02,
  backdrop: 0.03,
};

export const newSolid = (
  id: ObjectId,
  shape: SolidShape,
  order: number,
  anchor: Anchor = FOREHEAD,
): Solid => {
  const s = SOLID_SIZE[anchor.kind];
  const extent: [number, number, number] =
    shape === 'plane'
      ? [s, s, s / 1000]
      : shape === 'torus'
        ? [s, s, s * 0.3]
        : shape === 'capsule'
          ? [s / 2, s, s / 2]
          : [s, s, s];
  return {
    ...placed(id, SOLID_NAMES[shape], order, anchor),
    kind: 'solid',
    material: null,
    ...restOn(anchor, { kind: 'solid', base: -extent[1] / 2 }),
    depthWrite: true,
    shape,
    extent,
    colour: '#0f8f84',
    roughness: 0.5,
    metalness: 0,
    opacity: 1,
    blend: 'normal',
  };
};
const SOLID_NAMES: Record<SolidShape, string> = {
  box: 'Box',
  sphere: 'Sphere',
  cylinder: 'Cylinder',
  cone: 'Cone',
  torus: 'Torus',
  plane: 'Plane',
  capsule: 'Capsule',
};

const TEXT_SIZE: Record<AnchorKind, number> = {
  head: 0.03,
  skin: 0.008,
  world: 0.15,
  picture: 0.02,
  screen: 0.01,
  backdrop: 0.02,
};

export const newText = (
  id: ObjectId,
  text: string,
  order: number,
  anchor: Anchor = FOREHEAD,
): TextObject => ({
  ...placed(id, text.split('\n')[0] || 'Text', order, anchor),
  kind: 'text',
  ...restOn(anchor, { kind: 'text', base: -TEXT_SIZE[anchor.kind] / 2 }),
  text,
  font: null,
  size: TEXT_SIZE[anchor.kind],
  align: 'centre',
  colour: '#ffffff',
  outline: 0,
  outlineColour: '#1d2327',
  arc: 0,
  spacing: 0,
  opacity: 1,
  blend: 'normal',
});

/** Lies flat on what it sticks to and shows the shadows that fall there. */
export const newShadowCatcher = (id: ObjectId, order: number, anchor: Anchor): ShadowCatcher => ({
  ...placed(id, 'Shadow catcher', order, anchor),
  kind: 'shadowCatcher',
  move: [0, 0, groundDepth(anchor)],
  turn: standsOn(anchor) ? [0, 0, 0] : [90, 0, 0],
  extent: anchor.kind === 'world' ? [3, 3] : [0.4, 0.4],
  density: 0.45,
  softness: 0.5,
});

const LIGHT_NAMES: Record<LightKind, string> = {
  ambient: 'Ambient light',
  directional: 'Directional light',
  point: 'Point light',
  surroundings: 'Light surroundings',
};
/** Directional light shines along its own -Y, so that unturned it comes from straight above. */
export const newLight = (id: ObjectId, light: LightKind, order: number, anchor: Anchor): Light => ({
  ...placed(id, LIGHT_NAMES[light], order, anchor),
  kind: 'light',
  light,
  move: light === 'point' ? [0.1, 0.15, 0.15] : [0, anchor.kind === 'world' ? 1 : 0.2, groundDepth(anchor)],
  turn: light === 'directional' ? [25, 0, 42] : [0, 0, 0],
  colour: '#ffffff',
  strength: 1,
  shadows: light === 'directional',
  asset: null,
});

/** Over the finished picture. */
export const newGrade = (id: ObjectId, order: number, steps: readonly GradeStep[] = []): Grade => ({
  ...placed(id, 'Grade', order, { kind: 'screen', pin: 'centre' }),
  kind: 'grade',
  opacity: 1,
  steps: [...steps],
});

/** Bubbles that rise, from a small disc; on a face from its mouth. */
export const newFountain = (id: ObjectId, order: number, anchor: Anchor): Fountain => ({
  ...placed(id, 'Fountain', order, anchor),
  kind: 'fountain',
  move: restOn(anchor, { kind: 'fountain' }).move,
  opacity: 1,
  blend: 'normal',
  runs: true,
  area:
    anchor.kind === 'head' || anchor.kind === 'skin'
      ? { kind: 'face', part: 'mouth' }
      : { kind: 'disc', radius: 0.02 },
  rate: 30,
  life: [0.8, 1.6],
  speed: [0.08, 0.16],
  spread: 25,
  gravity: -0.05,
  drag: 0.4,
  wind: [0, 0, 0],
  turbulence: 0.15,
  swirl: 0.06,
  spin: [-0.2, 0.2],
  floor: null,
  face: null,
  most: 600,
  seed: 1,
  asset: null,
  frames: 'life',
  size: 0.008,
  sizeVaries: 0.4,
  over: [
    { at: 0, size: 0.4, opacity: 0, colour: '#ffffff' },
    { at: 0.2, size: 1, opacity: 0.8, colour: '#ffffff' },
    { at: 1, size: 1.3, opacity: 0, colour: '#ffffff' },
  ],
});

/** A sound plays when a cue says so. */
export const newSound = (
  id: ObjectId,
  asset: SoundAsset | null,
  order: number,
  anchor: Anchor,
): SoundObject => ({
  ...placed(id, asset ? objectNameFor(asset, 'Sound') : 'Sound', order, anchor),
  kind: 'sound',
  asset: asset?.id ?? null,
  opacity: 1,
  runs: false,
  loop: asset?.loop != null,
  fadeIn: 0,
  fadeOut: 0.1,
  pitch: 1,
  near: 0.5,
});
