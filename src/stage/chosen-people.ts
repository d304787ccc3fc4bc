/** How people on takes are drawn, as it was chosen in this browser: in the atelier, and it holds for the show page too. */
import type { PeopleDetail } from './performer/person-view';

const KEY = 'iconia.people';

/** In full where nothing was chosen, and where the browser lets pages keep nothing. */
export const chosenPeople = (): PeopleDetail => {
  try {
    return localStorage.getItem(KEY) === 'plain' ? 'plain' : 'full';
  } catch {
    return 'full';
  }
};

export const choosePeople = (people: PeopleDetail): void => {
  try {
    localStorage.setItem(KEY, people);
  } catch {
    // It holds until the page is closed.
  }
};
