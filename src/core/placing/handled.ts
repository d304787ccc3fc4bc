import type { ByViewer } from '../document/schema';

/** What the viewer may do with an object that is handed over, until the creator says otherwise. */
export const HANDLED: ByViewer = { drag: true, pinch: true, twist: true, reach: 1, least: 0.5, most: 2 };
