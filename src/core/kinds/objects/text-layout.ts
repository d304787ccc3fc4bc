/**
 * Lays out text: lines one below the other, or each line bent along a circle. Lengths are shares of the line's
 * height, so that a text keeps its layout at any size. Who draws measures the letters; without a measurement every
 * letter counts as `USUAL_ADVANCE` wide.
 */

/** Mean advance of a letter in a plain typeface, in line heights. */
export const USUAL_ADVANCE = 0.48;
const LINE_STEP = 1.15;

/** Of a text, what its layout depends on. */
export interface Lettering {
  readonly text: string;
  readonly align: 'left' | 'centre' | 'right';
  /** Between letters, as a share of a line. */
  readonly spacing: number;
  /** Degrees. */
  readonly arc: number;
  /** Height of a line, metres. */
  readonly size: number;
}

export interface TextBlock {
  readonly lines: readonly (readonly string[])[];
  readonly align: Lettering['align'];
  readonly spacing: number;
  /** Degrees that the longest line bends to. */
  readonly arc: number;
  /** Metres. */
  readonly size: number;
}

export interface PlacedLetter {
  readonly letter: string;
  /** Middle of the letter, in line heights, y up. */
  readonly x: number;
  readonly y: number;
  /** Degrees, anticlockwise. */
  readonly turn: number;
}

/** Letters as readers see them: accents and joined emoji are one. */
export const lettersOf = (line: string): string[] => {
  // Not known everywhere that core runs.
  const { Segmenter } = Intl as { Segmenter?: typeof Intl.Segmenter };
  if (!Segmenter) return [...line];
  return [...new Segmenter('en', { granularity: 'grapheme' }).segment(line)].map((s) => s.segment);
};

export const blockOf = ({ text, align, spacing, arc, size }: Lettering): TextBlock => ({
  lines: text.split('\n').map(lettersOf),
  align,
  spacing,
  arc,
  size,
});

/** Where every letter goes. `advance` gives the width of a letter in line heights. */
export const layOut = (
  block: TextBlock,
  advance: (letter: string) => number = () => USUAL_ADVANCE,
): PlacedLetter[] => {
  const widths = block.lines.map((letters) =>
    letters.reduce((sum, l, i) => sum + advance(l) + (i > 0 ? block.spacing : 0), 0),
  );
  const widest = Math.max(0, ...widths);
  const middle = ((block.lines.length - 1) * LINE_STEP) / 2;
  const bend = (block.arc * Math.PI) / 180;
  const placed: PlacedLetter[] = [];
  block.lines.forEach((letters, n) => {
    const left = { left: -widest / 2, centre: -widths[n]! / 2, right: widest / 2 - widths[n]! }[block.align];
    const y = middle - n * LINE_STEP;
    let x = left;
    for (const letter of letters) {
      const wide = advance(letter);
      const at = x + wide / 2;
      x += wide + block.spacing;
      if (Math.abs(bend) < 1e-6 || widest === 0) placed.push({ letter, x: at, y, turn: 0 });
      else {
        // The baseline of the middle line runs along the circle; its top is where the text would lie unbent.
        const radius = widest / bend;
        const angle = at / radius;
        const reach = radius + y;
        placed.push({
          letter,
          x: reach * Math.sin(angle),
          y: reach * Math.cos(angle) - radius,
          turn: (-angle * 180) / Math.PI,
        });
      }
    }
  });
  return placed;
};

/** The rectangle around a text in metres, a letter's half height kept free around it. */
export const textExtent = (
  block: TextBlock,
  advance?: (letter: string) => number,
): { readonly low: readonly [number, number]; readonly high: readonly [number, number] } => {
  const letters = layOut(block, advance);
  if (letters.length === 0)
    return { low: [-block.size / 4, -block.size / 2], high: [block.size / 4, block.size / 2] };
  const half = 0.62;
  const [xs, ys] = [letters.map((l) => l.x), letters.map((l) => l.y)];
  return {
    low: [(Math.min(...xs) - half) * block.size, (Math.min(...ys) - half) * block.size],
    high: [(Math.max(...xs) + half) * block.size, (Math.max(...ys) + half) * block.size],
  };
};
