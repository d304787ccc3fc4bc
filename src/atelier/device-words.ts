/** What a part of an effect is called, what it costs, and what to do about it: in words. */
import { BLUR_SCREENS } from '../core/devices/kind-costs';
import type { LoadPart } from '../core/devices/load';
import type { Sureness } from '../core/devices/judge';
import type { Effect } from '../core/document/schema';
import type { Milliseconds } from '../core/units';

const TRACKER_NAMES = {
  faces: 'Finding faces',
  hands: 'Finding hands',
  pictures: 'Finding printed pictures',
  people: 'Finding people',
} as const;
const OWN_NAMES = {
  camera: 'The camera picture',
  people: 'Telling people from the room',
  behaviour: 'Cues and circuits',
  scripts: 'Scripts',
  surfaces: 'What is drawn into',
} as const;

export const partName = (part: LoadPart, effect: Effect): string => {
  switch (part.of) {
    case 'object':
      return effect.objects[part.object]?.name ?? 'An object';
    case 'asset':
      return effect.assets[part.asset]?.name ?? 'An asset';
    case 'tracker':
      return TRACKER_NAMES[part.tracker];
    default:
      return OWN_NAMES[part.of];
  }
};

/** More than what one that is worn is counted with: it lies on the screen, and fills it. */
const MUCH_OF_SCREEN = 0.85;

/** What makes it cheaper; null where nothing does. */
export const adviceFor = (part: LoadPart): string | null => {
  switch (part.of) {
    case 'people':
      return 'Needed while something lies behind people. Without backdrop and people occluder it goes.';
    case 'scripts':
      return 'Do less in each step, or build it with nodes: they cost a hundredth.';
    case 'asset':
      return part.kind === 'sound'
        ? 'Shorten it, or make it one channel (Library, Prepare).'
        : 'Shrink it (Library, Prepare): half the size takes a quarter of the memory.';
    case 'object':
      switch (part.kind) {
        case 'retouch':
          return 'Leave out what you do not see: each of its parts looks at the whole face.';
        case 'grade':
          return 'Bloom costs most of a grade; switch it off, or do without.';
        case 'shadowCatcher':
          return 'A contact shadow looks much the same, and costs next to nothing.';
        case 'model':
          return 'Fewer triangles (Library, Prepare), or fewer of it at once.';
        case 'morph':
        case 'iris':
        case 'lashes':
          return 'One of its kind on a face is enough.';
        case 'layer':
          return 'Paint several layers into one picture; finishes cost as much again.';
        case 'cutout':
          return 'Fewer cutouts at once.';
        case 'fountain':
          return 'Fewer particles, or ones that live shorter.';
        case 'live':
          return part.screens > BLUR_SCREENS
            ? 'Blurring the camera picture costs most of it: do without.'
            : null;
        case 'card':
        case 'fill':
          return part.screens > MUCH_OF_SCREEN ? 'It covers most of the screen: make it smaller.' : null;
        default:
          return null;
      }
    default:
      return null;
  }
};

/** "8 ms: 60 pictures a second". */
export const speedWords = (drawing: Milliseconds, rate: number): string =>
  `${drawing < 9.95 ? drawing.toFixed(1) : Math.round(drawing)} ms, ${Math.round(rate)} pictures a second`;

const several = (n: number): string => (n === 1 ? 'One phone has' : `${n} phones have`);
export const sureWords = ({ phones, within }: Sureness): string =>
  phones === 0
    ? 'No phone has drawn it yet: it may be half of this, or twice'
    : `${several(phones)} drawn it: within ${Math.round((within - 1) * 100)} %`;

/** How it will go at such a pace. */
export const paceOf = (drawing: Milliseconds): 'smooth' | 'slow' | 'bad' =>
  drawing <= 1000 / 60 ? 'smooth' : drawing <= 1000 / 30 ? 'slow' : 'bad';
