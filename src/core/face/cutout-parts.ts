/** Parts of a face that can be cut out of the camera picture. Left and right are the wearer's own. */
export const CUTOUT_PARTS = ['mouth', 'leftEye', 'rightEye', 'nose', 'face', 'drawn'] as const;
export type CutoutPart = (typeof CUTOUT_PARTS)[number];
