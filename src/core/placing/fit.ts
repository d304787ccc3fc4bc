/** How flat things fill the screen, or what lies behind the people. Screen units: the screen is 16 cm high. */
import type { EffectObject, Fit } from '../document/schema';
import { IDENTITY } from '../maths/quaternion';
import { composeMatrix, type Matrix } from '../maths/matrix';
import { SCREEN_HEIGHT, type Layering } from './anchors';

type Extent = readonly [number, number];

/** How much a thing of this extent grows along both axes, so that it fills a screen of this aspect. */
export const fitFactors = (fit: Exclude<Fit, 'free'>, [w, h]: Extent, aspect: number): Extent => {
  const [x, y] = [(SCREEN_HEIGHT * aspect) / w, SCREEN_HEIGHT / h];
  switch (fit) {
    case 'cover':
      return [Math.max(x, y), Math.max(x, y)];
    case 'contain':
      return [Math.min(x, y), Math.min(x, y)];
    case 'stretch':
    case 'tile':
      return [x, y];
  }
};

/** How often a thing that is tiled repeats across and down, at its own size. */
export const tileCounts = (
  [w, h]: Extent,
  scale: readonly [number, number, number],
  aspect: number,
): Extent => [
  (SCREEN_HEIGHT * aspect) / (w * Math.max(0.01, Math.abs(scale[0]))),
  SCREEN_HEIGHT / (h * Math.max(0.01, Math.abs(scale[1]))),
];

/** How the object fills the screen where it is; null where it lies as it is placed. */
export const fitOf = (object: EffectObject, layering: Layering): Exclude<Fit, 'free'> | null =>
  'fit' in object && layering !== 'space' && object.fit !== 'free' ? object.fit : null;

/** The place of a thing that fills the screen: in its middle, at the depth it had. */
export const fitMatrix = (
  fit: Exclude<Fit, 'free'>,
  extent: Extent,
  aspect: number,
  depth: number,
): Matrix => {
  const [x, y] = fitFactors(fit, extent, aspect);
  return composeMatrix([0, 0, depth], IDENTITY, [x, y, 1]);
};
