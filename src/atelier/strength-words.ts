/** How well a printed picture can be found, in words. */
import type { PictureStrength, StrengthGrade, Weakness } from '../core/vision/picture-strength';
import type { Metres } from '../core/units';
import { USUAL_LENS } from '../core/tracking/lens';

export const GRADE_WORDS: Readonly<Record<StrengthGrade, string>> = {
  good: 'Easy to find',
  fair: 'Found, but not from everywhere',
  poor: 'Hard to find',
};

/** Why, and what to do about it; `others` are the names of the effect's other printed pictures. */
export const weaknessWords = (weakness: Weakness, others: readonly string[]): string => {
  switch (weakness.kind) {
    case 'small':
      return 'It has few pixels: bring in a larger version, at least 400 pixels across.';
    case 'fewDetails':
      return 'There is little on it to go by: add details with clear edges, all over it.';
    case 'repeats':
      return 'It looks alike in many places: make its parts differ from one another.';
    case 'halfEmpty':
      return `Its ${weakness.half} half shows nothing to go by: put something there, or crop it away.`;
    case 'likeAnother':
      return `It is taken for ${others[weakness.other] ?? 'another picture'}: make the two differ more.`;
  }
};

/** How far away a picture of this width is found at most, by a camera with a usual lens held upright or not. */
export const farthest = ({ smallest }: PictureStrength, width: Metres): Metres | null =>
  smallest === null ? null : width / (2 * Math.tan((USUAL_LENS * Math.PI) / 360) * smallest);
