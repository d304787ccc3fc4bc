/**
 * What one more thing of a kind costs a picture: milliseconds of code, and how many full pictures of plain colour its pixels take as long
 * as. Measured where pictures are drawn in software, by `npm run bench devices` (`bench/devices.ts`), and rounded: from run to run they
 * differ by a third.
 */
import type { Effect, EffectObject, ObjectKind } from '../document/schema';
import type { GradeStep } from '../schema/grade-schema';
import { anchorOf } from '../document/queries';
import { SCREEN_HEIGHT } from '../placing/anchors';
import type { Milliseconds } from '../units';

export interface KindCost {
  readonly code: Milliseconds;
  /** Full pictures. */
  readonly screens: number;
}

const KIND_COSTS: Readonly<Record<ObjectKind, KindCost>> = {
  card: { code: 0.1, screens: 0.8 },
  live: { code: 0.2, screens: 3.5 },
  fill: { code: 0.1, screens: 0.3 },
  layer: { code: 3.5, screens: 1.4 },
  iris: { code: 10, screens: 1 },
  lashes: { code: 9, screens: 2.5 },
  hair: { code: 0.3, screens: 0.8 },
  retouch: { code: 12, screens: 21 },
  morph: { code: 16, screens: 3 },
  cutout: { code: 0.4, screens: 3.5 },
  model: { code: 0.4, screens: 3 },
  /** Drawn with its model. */
  part: { code: 0.02, screens: 0 },
  solid: { code: 0.1, screens: 0.7 },
  text: { code: 0.15, screens: 0.5 },
  group: { code: 0.02, screens: 0 },
  occluder: { code: 0.4, screens: 1.6 },
  shadowCatcher: { code: 0.4, screens: 25 },
  contactShadow: { code: 0.1, screens: 0.4 },
  light: { code: 0.1, screens: 0.5 },
  grade: { code: 0.3, screens: 1.2 },
  fountain: { code: 1.2, screens: 1.2 },
  sound: { code: 0.05, screens: 0 },
};

/** Full pictures that these steps of a grade take beside it: they look at what is around each pixel. */
const WIDE_STEPS: Readonly<Partial<Record<GradeStep['kind'], number>>> = { bloom: 19, sharpen: 2 };
/** The camera picture made soft: it is drawn small, several times. */
export const BLUR_SCREENS = 50;
/** A finish is a second look at the face, lit. */
const FINISH_SCREENS = 1;

/** Most pixels that a flat thing on the screen or behind people covers, in full pictures. */
const shareOfScreen = (effect: Effect, object: EffectObject): number => {
  const anchor = anchorOf(effect, object);
  if (anchor.kind === 'backdrop') return 1;
  if (anchor.kind !== 'screen' || !('extent' in object)) return 0;
  const [wide, high] = object.extent;
  return Math.min(1, (Math.abs(wide * high) * 16) / (9 * SCREEN_HEIGHT ** 2));
};

/** Of an object as it is in the document; `screens` counts what it covers. */
export const costOfObject = (effect: Effect, object: EffectObject): KindCost => {
  const { code, screens } = KIND_COSTS[object.kind];
  switch (object.kind) {
    case 'live':
      return { code, screens: screens + (object.blur > 0 ? BLUR_SCREENS : 0) };
    case 'card':
    case 'fill':
    case 'text':
      return { code, screens: Math.max(screens, shareOfScreen(effect, object)) };
    case 'layer':
      return { code, screens: screens + (object.finish === 'painted' ? 0 : FINISH_SCREENS) };
    case 'grade':
      return {
        code,
        screens:
          screens + object.steps.reduce((sum, step) => sum + (step.on ? (WIDE_STEPS[step.kind] ?? 0) : 0), 0),
      };
    default:
      return { code, screens };
  }
};
