/** Where takes are made: painted backgrounds behind people, and places with a floor, a table, walls. */
import { fromAngles } from '../../maths/quaternion';
import type { Vec3 } from '../../maths/vec3';
import type { TrackedSurface } from '../../tracking/track-frame';

export interface Room {
  readonly id: string;
  readonly name: string;
  /** `painted`: a picture out of focus far behind. `space`: real geometry that the camera moves through. */
  readonly kind: 'painted' | 'space';
  readonly surfaces: readonly TrackedSurface[];
}

/** Phones are held about this high over the floor; world space begins at the camera. */
export const EYE_HEIGHT = 1.35;
export const TABLE_TOP = -0.6;
export const TABLE_AT: Vec3 = [0, TABLE_TOP, -0.95];
export const TABLE_SIZE = [1.1, 0.75] as const;
export const WALL_AT = -1.6;

const floor = (width: number, depth: number): TrackedSurface => ({
  id: 1,
  kind: 'floor',
  pose: { position: [0, -EYE_HEIGHT, -1], rotation: [0, 0, 0, 1] },
  extent: [width, depth],
});
const wall: TrackedSurface = {
  id: 2,
  kind: 'wall',
  pose: { position: [0, -0.1, WALL_AT], rotation: fromAngles([90, 0, 0]) },
  extent: [5, 2.5],
};
const table: TrackedSurface = {
  id: 3,
  kind: 'table',
  pose: { position: TABLE_AT, rotation: [0, 0, 0, 1] },
  extent: TABLE_SIZE,
};

export const ROOMS: readonly Room[] = [
  { id: 'living-room', name: 'Living room', kind: 'painted', surfaces: [] },
  { id: 'paper', name: 'Plain paper', kind: 'painted', surfaces: [] },
  { id: 'shore', name: 'By the sea', kind: 'painted', surfaces: [] },
  { id: 'night', name: 'Evening lights', kind: 'painted', surfaces: [] },
  { id: 'hall', name: 'Hall with a wooden floor', kind: 'space', surfaces: [floor(6, 8)] },
  { id: 'kitchen', name: 'Kitchen table', kind: 'space', surfaces: [floor(4, 4), table] },
  { id: 'gallery', name: 'Gallery wall', kind: 'space', surfaces: [floor(6, 3), wall] },
  { id: 'garden', name: 'Garden path', kind: 'space', surfaces: [floor(10, 14)] },
];

/** A shipped room. Throws where there is none of this id. */
export const roomOf = (id: string): Room => {
  const found = ROOMS.find((r) => r.id === id);
  if (!found) throw new Error(`There is no room ${id}.`);
  return found;
};
