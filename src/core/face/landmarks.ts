/** Names for the landmarks of the 468+10 topology. Left and right are the wearer's own. */
export const FACE_LANDMARKS = 468;
export const ALL_LANDMARKS = 478;

/** The outline of the face, clockwise from the top of the forehead as the camera sees it. */
export const OVAL = [
  10, 338, 297, 332, 284, 251, 389, 356, 454, 323, 361, 288, 397, 365, 379, 378, 400, 377, 152, 148, 176, 149,
  150, 136, 172, 58, 132, 93, 234, 127, 162, 21, 54, 103, 67, 109,
] as const;

/** Sixteen points a lid ring: outer corner, lower lid to the inner corner, upper lid back. */
export const EYE_RIGHT = [
  33, 7, 163, 144, 145, 153, 154, 155, 133, 173, 157, 158, 159, 160, 161, 246,
] as const;
export const EYE_LEFT = [
  263, 249, 390, 373, 374, 380, 381, 382, 362, 398, 384, 385, 386, 387, 388, 466,
] as const;

/** From the right corner to the left. */
export const INNER_LIP_UPPER = [78, 191, 80, 81, 82, 13, 312, 311, 310, 415, 308] as const;
export const INNER_LIP_LOWER = [78, 95, 88, 178, 87, 14, 317, 402, 318, 324, 308] as const;
export const OUTER_LIP_UPPER = [61, 185, 40, 39, 37, 0, 267, 269, 270, 409, 291] as const;
export const OUTER_LIP_LOWER = [61, 146, 91, 181, 84, 17, 314, 405, 321, 375, 291] as const;

/** Lower edge from the temple inwards, then the upper edge back. */
export const BROW_RIGHT = [46, 53, 52, 65, 55, 107, 66, 105, 63, 70] as const;
export const BROW_LEFT = [276, 283, 282, 295, 285, 336, 296, 334, 293, 300] as const;

/** From the bridge down the wearer's right side, under the tip, and up the left. */
export const NOSE = [
  168, 193, 245, 174, 217, 198, 129, 64, 98, 97, 2, 326, 327, 294, 358, 420, 437, 399, 465, 417,
] as const;

/** Centre, then right, top, left, bottom of the ring as the camera sees it. */
export const IRIS_RIGHT = [468, 469, 470, 471, 472] as const;
export const IRIS_LEFT = [473, 474, 475, 476, 477] as const;
