/** The easing that a creator has chosen: a named curve, or one that was drawn. */
import type { EasingChoice } from '../document/schema';
import { ease } from './easing';
import { cubicBezier, sprung, stepped } from './timing';

/** Eased progress of a progress from 0 to 1. */
export const eased = (easing: EasingChoice, t: number): number => {
  if (typeof easing === 'string') return ease(easing, t);
  switch (easing.kind) {
    case 'bezier':
      return cubicBezier(easing.handles, t);
    case 'steps':
      return stepped(easing.count, easing.jump, t);
    case 'spring':
      return sprung(easing, t);
  }
};
