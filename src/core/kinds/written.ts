/** Numbers as they are written in sentences. */

/** A number with at most two digits behind the point, and no more than it needs: `written(0.5)` is "0.5". */
export const written = (n: number): string => String(Math.round(n * 100) / 100);
/** Three of them, by a factor: "0, 3, 0". */
export const writtenAll = (v: readonly number[], factor: number): string =>
  v.map((n) => written(n * factor)).join(', ');
