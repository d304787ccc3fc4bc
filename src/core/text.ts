/** Texts that can be kept: well-formed (no half of a surrogate pair) and without U+0000. The database holds no others. */

/** Whether a text can be kept as it is. */
export const isKeepable = (text: string): boolean => text.isWellFormed() && !text.includes('\0');

/** The same text without what cannot be kept: half characters become U+FFFD, U+0000 goes. */
export const keepable = (text: string): string => text.replaceAll('\0', '').toWellFormed();

/** Letters as people count them; the locale makes no difference to where they end. */
const letters = new Intl.Segmenter('en', { granularity: 'grapheme' });

/**
 * The beginning of a text, `most` UTF-16 units long at the most, and keepable. It is cut between letters, so no emoji loses a
 * part of itself; only a single letter longer than `most` is cut between its code points.
 */
export const cutText = (text: string, most: number): string => {
  const whole = keepable(text);
  if (whole.length <= most) return whole;
  let end = 0;
  // A letter may be longer than a unit, so what is looked at is a little longer than what is kept.
  for (const { index, segment } of letters.segment(whole.slice(0, most + 64))) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  if (end > 0) return whole.slice(0, end);
  const last = whole.codePointAt(most - 1)!;
  return whole.slice(0, last > 0xffff ? most - 1 : most).toWellFormed();
};
