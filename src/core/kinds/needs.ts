/** One thing that something of an effect needs to know of the world. */
import type { CameraPart } from '../schema/values-schema';
import type { SurfaceKind, TargetId } from '../schema/anchor-schema';

export type Need =
  | 'faces'
  | 'hands'
  /** People are told from what is behind them. */
  | 'people'
  | 'microphone'
  /** Which colours the camera picture has. */
  | 'colours'
  | { readonly picture: TargetId | null }
  | { readonly surface: SurfaceKind };

/** What of the drawing not every effect has: each is a part of its own, fetched where it is needed. */
export type DrawingPart =
  /** Parts of the camera picture, and how it is lit. */
  | 'camera'
  | 'cutouts'
  /** What faces wear. */
  | 'faces'
  | 'fountains'
  | 'grades'
  | 'models'
  | 'solids'
  /** Materials. */
  | 'surfaces'
  | 'texts';

/** What showing a part of the camera picture needs. */
export const needsOfPart = (part: CameraPart): readonly Need[] => {
  switch (part) {
    case 'person':
    case 'background':
      return ['people'];
    case 'face':
      return ['faces'];
    case 'whole':
      return [];
  }
};
