/** Everything a stage can draw: for pages on which any effect may come to be. */
import { together } from './abilities';
import { camera } from './camera';
import { cutouts } from './cutouts';
import { faces } from './faces';
import { fountains } from './fountains';
import { grades } from './grades';
import { models } from './models';
import { solids } from './solids';
import { surfaces } from './surfaces';
import { texts } from './texts';

export const ALL_ABILITIES = together([
  camera,
  cutouts,
  faces,
  fountains,
  grades,
  models,
  solids,
  surfaces,
  texts,
]);
