/** The easing that a creator has chosen: a named curve, or one that was drawn. */
import { ease, type Easing } from './easing';
import { cubicBezier, sprung, stepped, type Handles, type Jump } from './timing';

/** A named curve, or one that was drawn: by two handles, in steps, as a spring. */
export type EasingChoice =
  | Easing
  | { readonly kind: 'bezier'; readonly handles: Handles }
  | { readonly kind: 'steps'; readonly count: number; readonly jump: Jump }
  | { readonly kind: 'spring'; readonly swings: number; readonly damping: number };

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
