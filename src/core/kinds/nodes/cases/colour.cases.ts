/** Known answers. */
import { expect } from '@jest/globals';
import type { COLOUR_NODES } from '../colour-nodes';
import { once, near, type CasesOf } from './testing';

export const COLOUR_CASES: CasesOf<typeof COLOUR_NODES> = {
  colour: [once({ colour: [0.1, 0.2, 0.3] }, [0.1, 0.2, 0.3])],
  fromRgb: [once({ red: 1, green: 0.5, blue: 0 }, [1, near(0.21404), 0])],
  splitColour: [
    once({ colour: [1, 0.21404, 0] }, near(1), near(0.5), near(0), near(0.2126 + 0.7152 * 0.21404)),
  ],
  fromHsl: [
    once({ hue: 120 }, [near(0), near(1), near(0)]),
    once({ hue: -240 }, [near(0), near(1), near(0)]),
  ],
  toHsl: [once({ colour: [0, 1, 0] }, near(120), near(1), near(0.5))],
  // Red as OKLCH has it: 0.628, 0.2577, 29.23 degrees (CSS Color 4).
  fromOklch: [once({ lightness: 0.62796, chroma: 0.25768, hue: 29.2339 }, [near(1), near(0), near(0)])],
  toOklch: [once({ colour: [1, 0, 0] }, near(0.62796), near(0.25768), expect.closeTo(29.2339, 2))],
  mixColours: [once({ a: [0, 0, 0], b: [1, 1, 0], share: 0.5 }, [0.5, 0.5, 0])],
  gradient: [
    once({ share: 0.25, from: [0, 0, 0], middle: [1, 1, 1], to: [1, 0, 0] }, [0.5, 0.5, 0.5]),
    once({ share: 7, to: [1, 0, 0] }, [1, 0, 0]),
  ],
  brighter: [once({ colour: [0.1, 0.2, 0.3], times: 2 }, [0.2, 0.4, 0.6])],
};
