/** Where head pieces rest, and how wide they have to be to close around a head of the usual size. */
import type { Vec3 } from '../maths/vec3';
import type { Metres } from '../units';

/**
 * Where the middle of a head piece's base lies, measured from the crown point: above the brows, over the
 * widest part of the hair. On the neutral head that is 7 cm above the ears and a little behind them.
 */
export const HEAD_SEAT: Vec3 = [0, -0.063, -0.009];

/** Inner width of a head piece at its base: the skull there is 15 cm wide and 17 cm deep; hair comes on top. */
export const HEAD_PIECE_WIDTH: Metres = 0.178;

/** Inner width of a piece that closes around the whole head, where it is widest: from ear to ear, with hair and air. */
export const HEAD_SHELL_WIDTH: Metres = 0.21;

/** Outer width of glasses, from hinge to hinge. */
export const GLASSES_WIDTH: Metres = 0.146;
/** Width of a mask over the face. */
export const MASK_WIDTH: Metres = 0.16;
/** From the hook of an earring to its lower end. */
export const EARRING_HEIGHT: Metres = 0.045;

/** Width of the head from temple to temple; what is much smaller or larger is odd for something worn on it. */
export const HEAD_WIDTH: Metres = 0.158;
