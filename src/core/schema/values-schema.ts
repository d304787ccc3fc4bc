/** Values that several parts of the document hold. Units: metres, degrees (never wrapped), seconds, sRGB hex. */
import { z } from 'zod';
import { isKeepable } from '../text';
import { hexText, share, yesNo } from './properties';

export const idText = z.string().regex(/^[a-z]+_[A-Za-z0-9-]{4,64}$/, 'An id looks like obj_3f9a1c.');
export const finite = z.number().finite().min(-1e6).max(1e6);
export const vec3Schema = z.tuple([finite, finite, finite]);
export const unit = z.number().min(0).max(1);
export const hex = hexText();
/** A text of at most so many UTF-16 units that can be kept. */
export const text = (most: number) =>
  z.string().max(most).refine(isKeepable, 'This holds half a character or U+0000; write it anew.');
export const label = text(80);

/** Parts of the camera picture: all of it, people cut out, what is behind them, the face laid flat. */
export const CAMERA_PARTS = ['whole', 'person', 'background', 'face'] as const;

/** A part of the camera picture as it is now. */
export const cameraView = {
  part: z.enum(CAMERA_PARTS),
  /** What of it is shown: left, top, width, height, in shares of the picture. */
  crop: z
    .tuple([unit, unit, z.number().min(0.01).max(1), z.number().min(0.01).max(1)])
    .refine(([x, y, w, h]) => x + w <= 1.000001 && y + h <= 1.000001, 'The crop ends within the picture.'),
  /** Left and right change places. */
  flip: yesNo('Mirrored'),
  /** 1 is as blurred as can be. */
  blur: share('Blur', { step: 5 }),
};

export type CameraPart = (typeof CAMERA_PARTS)[number];
