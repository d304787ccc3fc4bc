/**
 * Blend modes over an opaque backdrop, channel by channel, sRGB values 0..1 as the specification asks.
 * W3C Compositing and Blending Level 1: Co = (1 - as) Cb + as B(Cb, Cs); `plus-lighter` is the compositing
 * operator min(1, as Cs + ab Cb).
 */
import type { BlendMode } from '../document/schema';
import type { Unit } from '../units';

/** The colour that results when `source` with opacity `alpha` lies on an opaque `backdrop`. */
export const blendOver = (mode: BlendMode, backdrop: Unit, source: Unit, alpha: Unit): Unit => {
  switch (mode) {
    case 'normal':
      return (1 - alpha) * backdrop + alpha * source;
    case 'multiply':
      return (1 - alpha) * backdrop + alpha * backdrop * source;
    case 'screen':
      return (1 - alpha) * backdrop + alpha * (backdrop + source - backdrop * source);
    case 'plus-lighter':
      return Math.min(1, backdrop + alpha * source);
  }
};
