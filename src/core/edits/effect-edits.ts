/** Edits of the effect as a whole: its name, its listing. */
import { edit, type Edit } from '../document/edit';
import type { Listing } from '../document/schema';

/** Gives the effect another name. */
export const renameEffect = (name: string): Edit =>
  edit('Rename the effect', (d) => {
    d.name = name;
  });

/** Changes what an outlet lists of the effect. */
export const changeListing = (change: Partial<Listing>): Edit =>
  edit('Change the listing', (d) => {
    Object.assign(d.listing, change);
  });
