import { CutoutView } from '../effect/objects/cutout-view';
import { viewOf, type Abilities } from './abilities';

export const cutouts: Partial<Abilities> = {
  views: { cutout: viewOf((tools) => new CutoutView(tools)) },
};
