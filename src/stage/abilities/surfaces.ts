import { SurfaceMaterial } from '../surface/surface-material';
import type { Abilities } from './abilities';

export const surfaces: Partial<Abilities> = {
  surfaces: (tools, blended, cut) => new SurfaceMaterial(tools, blended, false, cut),
};
