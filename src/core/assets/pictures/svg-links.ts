/** What a drawing refers to: its own parts and pictures that lie in it, or something outside. Read from left to right, once. */

const blank = (text: string, at: number): boolean => text.charCodeAt(at) <= 32;

const insideAt = (text: string, at: number): boolean =>
  text[at] === '#' || /^data:image\/(png|jpeg|webp|gif)[;,]/i.test(text.slice(at, at + 24));

/** A reference inside the file, or a picture that lies in it. */
export const isInside = (value: string): boolean => {
  let at = 0;
  while (at < value.length && blank(value, at)) at++;
  return insideAt(value, at);
};

/** Escapes stand for their characters (CSS Syntax 3, 4.3.7). */
const unescaped = (css: string): string =>
  css.includes('\\')
    ? css.replace(
        /\\(?:([0-9a-f]{1,6})\s?|([^\n]))/gi,
        (_all, hex: string | undefined, plain: string | undefined) => {
          const code = hex ? parseInt(hex, 16) : 0;
          return plain ?? (code > 0 && code <= 0x10ffff ? String.fromCodePoint(code) : '');
        },
      )
    : css;

/** Whether a style, or an attribute that may hold one, fetches something or runs something. */
export const cssReachesOut = (raw: string): boolean => {
  const css = unescaped(raw).toLowerCase();
  if (css.includes('@import') || css.includes('image-set(')) return true;
  for (let at = css.indexOf('expression'); at >= 0; at = css.indexOf('expression', at + 1)) {
    let end = at + 'expression'.length;
    while (end < css.length && blank(css, end)) end++;
    if (css[end] === '(') return true;
  }
  for (let at = css.indexOf('url('); at >= 0; at = css.indexOf('url(', at + 1)) {
    let start = at + 4;
    while (start < css.length && (blank(css, start) || css[start] === '"' || css[start] === "'")) start++;
    if (!insideAt(css, start)) return true;
  }
  return false;
};
