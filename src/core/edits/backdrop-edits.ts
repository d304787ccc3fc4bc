/** Edits of how people are cut out of the picture. */
import { edit, type Edit } from '../document/edit';
import type { Backdrop } from '../document/schema';

/** Changes how people are cut out of the picture. */
export const setBackdrop = (change: Partial<Backdrop>): Edit =>
  edit('Change the edge of the people', (d) => {
    Object.assign(d.backdrop, change);
  });
