/** A person before the camera, as the stage draws them. */
import type { Object3D } from 'three';
import type { Performer } from '../../core/takes/performer';
import type { Person } from '../../core/takes/scene';

/** `full` with skin, hair and clothes; `plain` as a figure: quick to make and to draw on slow machines. */
export const PEOPLE_DETAILS = ['full', 'plain'] as const;
export type PeopleDetail = (typeof PEOPLE_DETAILS)[number];

/** What was chosen in this browser, in the atelier: it holds for the show page too. */
export const PEOPLE_KEY = 'iconia.people';
export const chosenPeople = (): PeopleDetail =>
  localStorage.getItem(PEOPLE_KEY) === 'plain' ? 'plain' : 'full';

export interface PersonView {
  readonly performer: Performer;
  readonly group: Object3D;
  update(person: Person): void;
}
