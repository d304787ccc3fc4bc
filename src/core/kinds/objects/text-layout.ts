/**
 * Lays out text: lines one below the other, or each line bent along a circle. Lengths are shares of the line's height, so that a text keeps
 * its layout at any size. Who draws shapes and measures the lines (kerning, ligatures, joined and right-to-left scripts are the typeface's
 * business); without a measurement every letter counts as `USUAL_ADVANCE` wide.
 */

/** Mean advance of a letter in a plain typeface, in line heights. */
export const USUAL_ADVANCE = 0.48;
const LINE_STEP = 1.15;
/** Kept free around the middle of a line, and beyond its ends, for what sticks out of letters and for outlines. */
const AROUND = 0.62;
const BEYOND = 0.38;

/** Of a text, what its layout depends on. */
export interface Lettering {
  readonly text: string;
  readonly align: 'left' | 'centre' | 'right';
  /** Between letters, as a share of a line. */
  readonly spacing: number;
  /** Degrees that the longest line bends to: above 0 like a hill, below like a bowl. */
  readonly arc: number;
  /** Height of a line, metres. */
  readonly size: number;
}

export interface PlacedLine {
  readonly text: string;
  /** Its left end before it is bent, and its width, in line heights. */
  readonly left: number;
  readonly width: number;
  /** Its middle, y up. */
  readonly y: number;
}

export interface TextLayout {
  readonly lines: readonly PlacedLine[];
  /** Where a point of the unbent text comes to lie, and how it is turned, degrees anticlockwise. */
  readonly bent: (x: number, y: number) => { readonly x: number; readonly y: number; readonly turn: number };
  readonly isBent: boolean;
}

/** Letters as readers see them: accents and joined emoji are one. */
export const lettersOf = (line: string): string[] => {
  // Not known everywhere that core runs.
  const { Segmenter } = Intl as { Segmenter?: typeof Intl.Segmenter };
  if (!Segmenter) return [...line];
  return [...new Segmenter('en', { granularity: 'grapheme' }).segment(line)].map((s) => s.segment);
};

/** Hebrew, Arabic and their like: scripts that run from right to left. */
const RIGHT_TO_LEFT = /[\u0590-\u08ff\u{10800}-\u{10fff}\u{1e800}-\u{1efff}\ufb1d-\ufdff\ufe70-\ufefc]/u;
/** Whether a line holds letters of a script that runs from right to left. */
export const hasRightToLeft = (line: string): boolean => RIGHT_TO_LEFT.test(line);
/** Whether a line as a whole runs from right to left: its first letter says (Unicode Bidirectional Algorithm, P2). */
export const runsRightToLeft = (line: string): boolean => {
  const first = /\p{L}/u.exec(line);
  return first !== null && RIGHT_TO_LEFT.test(first[0]);
};

/** Where every line goes. `measure` gives the width of a line in line heights, the space between its letters counted. */
export const layOut = (
  { text, align, spacing, arc }: Lettering,
  measure: (line: string) => number = (line) => {
    const count = lettersOf(line).length;
    return count * USUAL_ADVANCE + Math.max(0, count - 1) * spacing;
  },
): TextLayout => {
  const all = text.split('\n').map((line) => ({ text: line, width: Math.max(0, measure(line)) }));
  const widest = Math.max(0, ...all.map(({ width }) => width));
  const middle = ((all.length - 1) * LINE_STEP) / 2;
  const lines = all.map((line, n): PlacedLine => ({
    ...line,
    left: { left: -widest / 2, centre: -line.width / 2, right: widest / 2 - line.width }[align],
    y: middle - n * LINE_STEP,
  }));
  const bend = (arc * Math.PI) / 180;
  if (Math.abs(bend) < 1e-6 || widest === 0)
    return { lines, bent: (x, y) => ({ x, y, turn: 0 }), isBent: false };
  // The middle of the text runs along the circle; its top is where the text would lie unbent.
  const radius = widest / bend;
  return {
    lines,
    isBent: true,
    bent: (x, y) => {
      const angle = x / radius;
      const reach = radius + y;
      return {
        x: reach * Math.sin(angle),
        y: reach * Math.cos(angle) - radius,
        turn: (-angle * 180) / Math.PI,
      };
    },
  };
};

/** Points along a bent line at which its extent is taken. */
const STEPS = 24;

/** The rectangle around a text in metres, with what is kept free around it. */
export const textExtent = (
  lettering: Lettering,
  measure?: (line: string) => number,
): { readonly low: readonly [number, number]; readonly high: readonly [number, number] } => {
  const { size } = lettering;
  const { lines, bent, isBent } = layOut(lettering, measure);
  const low: [number, number] = [Infinity, Infinity];
  const high: [number, number] = [-Infinity, -Infinity];
  const hold = (x: number, y: number, across: number, down: number): void => {
    low[0] = Math.min(low[0], (x - across) * size);
    low[1] = Math.min(low[1], (y - down) * size);
    high[0] = Math.max(high[0], (x + across) * size);
    high[1] = Math.max(high[1], (y + down) * size);
  };
  for (const { left, width, y } of lines) {
    if (!isBent) {
      hold(left + width / 2, y, width / 2 + BEYOND, AROUND);
      continue;
    }
    for (let i = 0; i <= STEPS; i++) {
      const at = bent(left + (width * i) / STEPS, y);
      hold(at.x, at.y, AROUND, AROUND);
    }
  }
  return { low, high };
};
