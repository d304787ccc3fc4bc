/**
 * What is typed into a number field: a number, or a sum of numbers with + - * / and brackets, as in `12/2`,
 * `3 * (1.5 + 2)`, `-4,5`. A comma is a decimal point. Nothing else is understood, and nothing is run.
 */
export type Sum =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly why: 'empty' | 'not-a-sum' | 'by-zero' | 'too-long' };

const LONGEST = 200;
const TOKEN = /\s*(?:(\d+(?:\.\d*)?(?:e[+-]?\d+)?|\.\d+(?:e[+-]?\d+)?)|([-+*/()]))/iy;

class Stop extends Error {
  constructor(readonly why: 'not-a-sum' | 'by-zero') {
    super(why);
  }
}

/** Reads a sum. The unit behind it (`cm`, `°`, `%`) and `×`, `÷`, `−` are understood too. */
export const readSum = (text: string, unit = ''): Sum => {
  let rest = text.trim();
  if (unit && rest.endsWith(unit)) rest = rest.slice(0, -unit.length).trim();
  if (rest === '') return { ok: false, why: 'empty' };
  if (rest.length > LONGEST) return { ok: false, why: 'too-long' };
  rest = rest.replaceAll(',', '.').replaceAll('×', '*').replaceAll('÷', '/').replaceAll('−', '-');
  const tokens: (number | string)[] = [];
  TOKEN.lastIndex = 0;
  while (TOKEN.lastIndex < rest.length) {
    const found = TOKEN.exec(rest);
    if (!found) return { ok: false, why: 'not-a-sum' };
    tokens.push(found[1] === undefined ? found[2]! : Number(found[1]));
  }
  let at = 0;
  const factor = (): number => {
    const token = tokens[at++];
    if (typeof token === 'number') return token;
    if (token === '-') return -factor();
    if (token === '+') return factor();
    if (token !== '(') throw new Stop('not-a-sum');
    const inner = sum();
    if (tokens[at++] !== ')') throw new Stop('not-a-sum');
    return inner;
  };
  const product = (): number => {
    let value = factor();
    for (;;) {
      if (tokens[at] === '*') {
        at++;
        value *= factor();
      } else if (tokens[at] === '/') {
        at++;
        const by = factor();
        if (by === 0) throw new Stop('by-zero');
        value /= by;
      } else return value;
    }
  };
  const sum = (): number => {
    let value = product();
    for (;;) {
      if (tokens[at] === '+') {
        at++;
        value += product();
      } else if (tokens[at] === '-') {
        at++;
        value -= product();
      } else return value;
    }
  };
  try {
    const value = sum();
    if (at < tokens.length || !Number.isFinite(value)) return { ok: false, why: 'not-a-sum' };
    return { ok: true, value };
  } catch (stop) {
    if (stop instanceof Stop) return { ok: false, why: stop.why };
    throw stop;
  }
};
