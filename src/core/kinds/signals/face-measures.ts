/** What a whole face does, from the expression coefficients of its parts. 0 to 1. */
import { TOLD_ON_CAMERA, type ExpressionName } from '../../tracking/expression-names';
import { expression, type TrackedFace } from '../../tracking/track-frame';
import type { Unit } from '../../units';

/** As the trade would say. */
export const MEASURE_WORDS = {
  smile: 'smile',
  frown: 'frown',
  blow: 'blowing',
  winkLeft: 'left wink',
  winkRight: 'right wink',
  eyesClosed: 'closed eyes',
  browsRaised: 'raised brows',
  tongueShown: 'tongue',
} as const;
export type FaceMeasure = keyof typeof MEASURE_WORDS;
/** Whether a name is one of these, and no single coefficient. */
export const isMeasure = (name: string): name is FaceMeasure => Object.hasOwn(MEASURE_WORDS, name);

/** Made of what no camera tells. */
const NOT_TOLD: readonly FaceMeasure[] = ['tongueShown'];
/** Whether a camera tells it: one of these, or a single coefficient. */
export const isToldOnCamera = (name: FaceMeasure | ExpressionName): boolean =>
  isMeasure(name) ? !NOT_TOLD.includes(name) : TOLD_ON_CAMERA.has(name);

/** How much of it a face shows; 0 where there is no face. */
export const faceMeasure = (face: TrackedFace | undefined, measure: FaceMeasure): Unit => {
  const of = (name: Parameters<typeof expression>[1]): Unit => expression(face, name);
  const both = (stem: 'mouthSmile' | 'mouthFrown' | 'browDown' | 'browOuterUp'): Unit =>
    (of(`${stem}Left`) + of(`${stem}Right`)) / 2;
  const [left, right] = [of('eyeBlinkLeft'), of('eyeBlinkRight')];
  switch (measure) {
    case 'smile':
      return both('mouthSmile');
    case 'frown':
      // Brows drawn down or corners of the mouth: whichever says more.
      return Math.max(both('browDown'), both('mouthFrown'));
    case 'blow':
      return Math.max(of('cheekPuff'), of('mouthFunnel'), 0.8 * of('mouthPucker'));
    // One eye alone: the other has to stay open.
    case 'winkLeft':
      return Math.max(0, left - right);
    case 'winkRight':
      return Math.max(0, right - left);
    case 'eyesClosed':
      return Math.min(left, right);
    case 'browsRaised':
      return Math.max(of('browInnerUp'), both('browOuterUp'));
    case 'tongueShown':
      return of('tongueOut');
  }
};
