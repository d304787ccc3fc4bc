/** Places the camera walks through. */
import type { Group } from 'three';
import { markPart } from '../../parts';
import { gallery } from './gallery';
import { garden } from './garden';
import { hall } from './hall';
import { kitchen } from './kitchen';

const PLACES: Readonly<Record<string, () => Group>> = { hall, kitchen, gallery, garden };

/** The place of this name; null when the room is only painted. */
export const placeView = (id: string): Group | null => {
  const group = PLACES[id]?.() ?? null;
  if (group) markPart(group, 'background');
  return group;
};
