import { SurfaceMaterial } from '../surface/surface-material';
import type { Abilities } from './abilities';

export const surfaces: Partial<Abilities> = {
  surfaces: (tools, blended) => new SurfaceMaterial(tools, blended),
};
