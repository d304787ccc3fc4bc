/** What can differ about the shape of a face; `head-shape.ts` says how. */
export const SHAPE_NAMES = [
  'width',
  'height',
  'jaw',
  'chin',
  'cheekbones',
  'cheeks',
  'noseWidth',
  'noseLength',
  'noseBridge',
  'lips',
  'mouthWidth',
  'eyes',
  'eyeSpacing',
  'eyeTilt',
  'browHeight',
  'forehead',
] as const;
export type ShapeName = (typeof SHAPE_NAMES)[number];
