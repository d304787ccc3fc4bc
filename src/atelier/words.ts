/** Words for what core knows as codes. */
import { problemWords } from './material-words';
import { signalWords } from './when-words';
import type { Finding } from '../core/checks/checks';
import type {
  Anchor,
  BlendMode,
  CameraPart,
  Effect,
  FaceChoice,
  Fit,
  GradeStepKind,
  HandChoice,
  ScreenPin,
  SurfaceKind,
} from '../core/document/schema';
import { TRACKER_COSTS, type TrackerName } from '../core/requirements/tracker-costs';
import type { Measure } from '../core/placing/measure';
import type { FeaturePoint } from '../core/face/feature-points';
import type { HandPoint } from '../core/hand/points';
import type { MarkKind } from '../core/takes/take';
import type { NewKind } from './commands/place-commands';
import type { TakeSort } from './stores/takes';

export const POINT_WORDS: Record<FeaturePoint, string> = {
  headCentre: 'Middle of the head',
  crown: 'Crown',
  forehead: 'Forehead',
  browCentre: 'Between the brows',
  noseBridge: 'Bridge of the nose',
  noseTip: 'Tip of the nose',
  eyeLeft: 'Left eye',
  eyeRight: 'Right eye',
  earLeft: 'Left ear',
  earRight: 'Right ear',
  cheekLeft: 'Left cheek',
  cheekRight: 'Right cheek',
  mouth: 'Mouth',
  mouthCornerLeft: 'Left corner of the mouth',
  mouthCornerRight: 'Right corner of the mouth',
  chin: 'Chin',
};

export const HAND_POINT_WORDS: Record<HandPoint, string> = {
  wrist: 'Wrist',
  palm: 'Palm',
  thumbTip: 'Tip of the thumb',
  indexTip: 'Tip of the index finger',
  middleTip: 'Tip of the middle finger',
  ringTip: 'Tip of the ring finger',
  littleTip: 'Tip of the little finger',
};
export const handWords = (hand: HandChoice): string => (hand === 'any' ? 'any hand' : 'every hand');

export const SURFACE_WORDS: Record<SurfaceKind, string> = { floor: 'Floor', table: 'Table', wall: 'Wall' };
export const PIN_WORDS: Record<ScreenPin, string> = {
  centre: 'Middle of the screen',
  top: 'Top edge',
  bottom: 'Bottom edge',
  left: 'Left edge',
  right: 'Right edge',
};
export const faceWords = (face: FaceChoice): string =>
  face === 'any' ? 'any face' : face === 'every' ? 'every face' : `face ${face}`;

/** What objects stick to, as the Stack heads its lanes. */
export const laneWords = (effect: Effect, anchor: Anchor): string => {
  switch (anchor.kind) {
    case 'head':
      return `Head · ${faceWords(anchor.face)}`;
    case 'skin':
      return `Skin · ${faceWords(anchor.face)}`;
    case 'hand':
      return `Hand · ${handWords(anchor.hand)}`;
    case 'world':
      return `World · ${SURFACE_WORDS[anchor.surface].toLowerCase()}`;
    case 'picture':
      return `Picture · ${effect.targets[anchor.target]?.name ?? 'deleted'}`;
    case 'screen':
      return 'Screen';
    case 'backdrop':
      return 'Backdrop';
  }
};
/** Where what is dropped now goes, as a sentence. */
export const landingWords = (effect: Effect, anchor: Anchor): string => {
  switch (anchor.kind) {
    case 'head':
      return `It goes onto the head of ${faceWords(anchor.face)}.`;
    case 'skin':
      return `It lies on the skin of ${faceWords(anchor.face)}.`;
    case 'hand':
      return `It goes onto ${handWords(anchor.hand)}.`;
    case 'world':
      return anchor.surface === 'wall' ? 'It hangs on the wall.' : `It stands on the ${anchor.surface}.`;
    case 'picture':
      return `It comes out of the printed picture ${effect.targets[anchor.target]?.name ?? ''}.`;
    case 'screen':
      return 'It lies on the screen.';
    case 'backdrop':
      return 'It lies behind the people.';
  }
};
/** The point of it: "crown", "top edge"; nothing where there is only one. */
export const pointOf = (anchor: Anchor): string => {
  if (anchor.kind === 'head') return POINT_WORDS[anchor.point];
  if (anchor.kind === 'hand') return HAND_POINT_WORDS[anchor.point];
  if (anchor.kind === 'screen') return PIN_WORDS[anchor.pin];
  return '';
};

/** "18.0 × 9.2 × 17.1 cm, 6.4 cm from the head". */
export const measureWords = ({ size, distance, to }: Measure): string => {
  const cm = (metres: number): string => (metres * 100).toFixed(1);
  const sizes = `${size.map(cm).join(' × ')} cm`;
  if (distance === null) return sizes;
  const from = {
    head: 'the head',
    skin: 'the head',
    hand: '',
    picture: 'the picture',
    world: 'the ground',
    screen: '',
    backdrop: '',
  }[to];
  return distance < 0.0005 ? `${sizes}, touches ${from}` : `${sizes}, ${cm(distance)} cm from ${from}`;
};

export const CAMERA_WORDS: Record<CameraPart, string> = {
  whole: 'The whole camera picture',
  person: 'The person, cut out',
  background: 'What is behind the person',
  face: 'The face, laid flat',
};
export const FIT_WORDS: Record<Fit, string> = {
  free: 'As it is placed',
  cover: 'Covers the screen',
  contain: 'All of it on the screen',
  stretch: 'Stretched to the screen',
  tile: 'Repeated as tiles',
};
export const GRADE_WORDS: Record<GradeStepKind, string> = {
  exposure: 'Exposure',
  whiteBalance: 'White balance',
  contrast: 'Contrast',
  saturation: 'Saturation',
  curves: 'Tone curves',
  table: 'Colour table',
  vignette: 'Vignette',
  grain: 'Film grain',
  bloom: 'Bloom',
  sharpen: 'Sharpen',
};
export const NEW_WORDS: Record<NewKind, string> = {
  group: 'empty group',
  text: 'text',
  box: 'box',
  sphere: 'sphere',
  cylinder: 'cylinder',
  cone: 'cone',
  torus: 'torus',
  plane: 'plane',
  capsule: 'capsule',
  headOccluder: 'head occluder',
  handOccluder: 'hand occluder',
  peopleOccluder: 'people occluder',
  shadowCatcher: 'shadow catcher',
  contactShadow: 'contact shadow',
  ambient: 'ambient light',
  directional: 'directional light',
  point: 'point light',
  surroundings: 'light surroundings',
  grade: 'grade',
  fountain: 'fountain of particles',
  sound: 'sound',
  fill: 'colour or gradient',
  whole: 'camera picture',
  person: 'copy of the person',
  background: 'room behind the person',
  face: 'flat face',
};

export const BLEND_WORDS: Record<BlendMode, string> = {
  normal: 'Normal',
  multiply: 'Multiply',
  screen: 'Screen',
  overlay: 'Overlay',
  darken: 'Darken',
  lighten: 'Lighten',
  'color-dodge': 'Colour dodge',
  'color-burn': 'Colour burn',
  'hard-light': 'Hard light',
  'soft-light': 'Soft light',
  difference: 'Difference',
  exclusion: 'Exclusion',
  hue: 'Hue',
  saturation: 'Saturation',
  color: 'Colour',
  luminosity: 'Luminosity',
  'plus-lighter': 'Plus lighter',
};

export const MARK_WORDS: Record<MarkKind, string> = {
  turned: 'head turned',
  eyesClosed: 'eyes closed',
  mouthOpen: 'mouth open',
  pucker: 'pucker',
  browsUp: 'brows up',
  nodded: 'nod',
  tilted: 'head tilted',
  smile: 'smile',
  wink: 'wink',
  near: 'close',
  far: 'far away',
  handShown: 'hand',
  twoFaces: 'two faces',
  threeFaces: 'three faces',
  faceGone: 'no face',
  pictureGone: 'picture gone',
  pictureTilted: 'picture tilted',
  pictureCovered: 'picture covered',
};

export const TAKE_SORT_WORDS: Record<TakeSort, string> = {
  face: 'One face',
  people: 'Several people',
  world: 'World',
  picture: 'Printed picture',
};

const nameOf = (effect: Effect, id: string | null): string =>
  (id && effect.objects[id as keyof Effect['objects']]?.name) || 'nothing';

const megabytes = (bytes: number): string => (bytes / 1048576).toFixed(1);

export const findingWords = (effect: Effect, finding: Finding): string => {
  switch (finding.code) {
    case 'no-name':
      return 'The effect has no name.';
    case 'no-icon':
      return 'The listing has no icon.';
    case 'no-summary':
      return 'The listing has no summary.';
    case 'nothing-to-see':
      return 'There is nothing to see: no picture, text, model or grade is there.';
    case 'missing-asset':
      return `${nameOf(effect, finding.object)} uses an asset that was deleted.`;
    case 'no-such-part':
      return `${nameOf(effect, finding.object)} is no part of what its model shows now: choose its part, or delete it.`;
    case 'invisible':
      return {
        hidden: `${nameOf(effect, finding.object)} is hidden and no cue shows it.`,
        transparent: `${nameOf(effect, finding.object)} has an opacity of 0 % and no cue fades it in.`,
        'no-size': `${nameOf(effect, finding.object)} has no size.`,
      }[finding.why];
    case 'material':
      return problemWords(effect.materials[finding.material]!, finding.problem);
    case 'cue-without-target':
      return 'A cue lacks something: a target, or what its trigger or action names.';
    case 'cue-does-nothing':
      return 'A cue has no action.';
    case 'formula':
      return `The formula “${finding.text}” cannot be worked out, so it does nothing. ${finding.why}`;
    case 'circuit':
      return `In the circuit ${effect.circuits[finding.circuit]?.name || 'without a name'} ${finding.nodes === 1 ? 'one node does' : `${finding.nodes} nodes do`} nothing: a wire or a choice is missing.`;
    case 'unused-asset':
      return `${effect.assets[finding.asset]?.name ?? 'An asset'} is not used; it is left out of the release.`;
    case 'takes-only':
      return `No camera tells ${signalWords(effect, finding.signal)}: it works on takes only. Choose another expression.`;
    case 'too-big':
      return `The effect has ${megabytes(finding.bytes)} MB; Open Web takes ${megabytes(finding.budget)} MB.`;
  }
};

/** "1.7 MB", "250 MB", "240 kB". */
export const sizeWords = (bytes: number): string =>
  bytes === 0
    ? '0 kB'
    : bytes >= 1048576
      ? `${bytes < 100 * 1048576 ? megabytes(bytes) : Math.round(bytes / 1048576)} MB`
      : `${Math.max(1, Math.round(bytes / 1024))} kB`;

const TRACKER_WORDS: Record<TrackerName, string> = {
  faces: 'faces',
  hands: 'hands',
  pictures: 'printed pictures',
  people: 'people before the room',
};
/** "hands (12 MB loaded once, 64 ms a picture)". */
export const trackerWords = (name: TrackerName): string => {
  const { bytes, milliseconds } = TRACKER_COSTS[name];
  return `${TRACKER_WORDS[name]} (${sizeWords(bytes)} loaded once, about ${milliseconds} ms a picture on a slow computer)`;
};

/** What an empty Stack says, by what new things will stick to. */
export const EMPTY_WORDS: Record<Anchor['kind'], { readonly nothing: string; readonly then: string }> = {
  head: {
    nothing: 'Nothing is on the face yet.',
    then: 'A picture becomes a card on the forehead, a model sits on the head; then move it where you want it.',
  },
  skin: {
    nothing: 'Nothing is on the skin yet.',
    then: 'A picture lies on the skin; colour for lids, cheeks and lips is in Style, under Face.',
  },
  hand: {
    nothing: 'Nothing is on the hand yet.',
    then: 'A picture or a model lies in the palm; under Sticks to it goes to the wrist or to a fingertip.',
  },
  world: {
    nothing: 'Nothing stands in the room yet.',
    then: 'Pictures and models stand on the ground a step before the viewer; then move them where you want them.',
  },
  picture: {
    nothing: 'Nothing lies on the printed picture yet.',
    then: 'Pictures lie on it, models stand on it, measured in its centimetres.',
  },
  screen: {
    nothing: 'Nothing lies on the screen yet.',
    then: 'A picture lies on the screen, whatever the camera sees.',
  },
  backdrop: {
    nothing: 'Nothing lies behind the people yet.',
    then: 'A picture covers the whole backdrop.',
  },
};

/** Where moving along an axis leads, by what a thing sticks to. */
export const moveWords = (anchor: Anchor, path: string): string | null => {
  const stands = anchor.kind === 'world' && anchor.surface !== 'wall';
  switch (path) {
    case 'moveX':
      if (anchor.kind === 'hand') return 'across the hand';
      return anchor.kind === 'head' || anchor.kind === 'skin' ? 'to the wearer’s left' : 'to the right';
    case 'moveY':
      if (anchor.kind === 'hand') return 'to the fingertips';
      return anchor.kind === 'picture' ? 'to its top' : 'up';
    case 'moveZ':
      if (anchor.kind === 'picture') return 'out of the picture';
      if (anchor.kind === 'screen' || anchor.kind === 'backdrop') return 'to the front';
      if (anchor.kind === 'hand') return 'out of the palm';
      return stands ? 'towards the viewer' : anchor.kind === 'world' ? 'out of the wall' : 'out of the face';
    default:
      return null;
  }
};
