/** Words for fountains. */
import type { FaceArea, FountainAreaChoice } from '../core/document/schema';

export const FOUNTAIN_AREA_WORDS: Record<FountainAreaChoice['kind'], string> = {
  point: 'a point',
  disc: 'a disc',
  plane: 'a rectangle',
  box: 'a box',
  sphere: 'a ball',
  mesh: 'the surface of a model',
  face: 'the face',
};
export const FACE_AREA_WORDS: Record<FaceArea, string> = {
  face: 'all of it',
  mouth: 'the open mouth',
  lips: 'the lips',
  eyes: 'the lids',
  cheeks: 'the cheeks',
  brow: 'the forehead',
};
