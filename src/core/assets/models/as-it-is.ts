/** The preparation of a model that changes nothing; others are written as changes of it. */
import type { ModelPrep } from '../../schema/asset-schema';

export const AS_IT_IS: ModelPrep = {
  up: 'y',
  size: { kind: 'factor', factor: 1 },
  pivot: { kind: 'kept' },
  triangles: null,
  weld: false,
  prune: false,
  textures: null,
  pack: false,
};

/** Whether a preparation leaves everything as it came. */
export const isAsItIs = (prep: ModelPrep | null): boolean =>
  prep === null || JSON.stringify(prep) === JSON.stringify(AS_IT_IS);
