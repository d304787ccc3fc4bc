/** All that ships: takes, and what creators put their own takes together from. */
import { makeTake } from '../make-take';
import type { Take } from '../take';
import { TAKE_SPECS } from './takes';

export { PERFORMERS, performerOf } from './performers';
export { PERFORMANCES, performanceOf } from './performances';
export { ROOMS, roomOf } from './rooms';
export { CAMERAS, cameraOf } from './cameras';
export { PICTURE_PATHS, picturePathOf } from './picture-paths';
export { TAKE_SPECS, screenTest, SCREEN_TESTS } from './takes';

export const SHIPPED_TAKES: readonly Take[] = TAKE_SPECS.map((spec) => makeTake(spec));

/** The take a new effect is seen on. */
export const FIRST_TAKE: Take = SHIPPED_TAKES[0]!;
