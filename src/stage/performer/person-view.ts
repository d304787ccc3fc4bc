/** A person before the camera, as the stage draws them. */
import type { Object3D } from 'three';
import type { Performer } from '../../core/takes/performer';
import type { Person } from '../../core/takes/scene';

/** `full` with skin, hair and clothes; `plain` as a figure: quick to make and to draw on slow machines. */
export const PEOPLE_DETAILS = ['full', 'plain'] as const;
export type PeopleDetail = (typeof PEOPLE_DETAILS)[number];

export interface PersonView {
  readonly performer: Performer;
  readonly group: Object3D;
  update(person: Person): void;
}
