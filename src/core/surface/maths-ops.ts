/** The sums a maths node does, in core and in GLSL. None of them gives anything but a number. */
export const MATHS_OPS = {
  add: 'a + b',
  subtract: 'a − b',
  multiply: 'a × b',
  divide: 'a ÷ b',
  power: 'a to the power b',
  minimum: 'the lesser',
  maximum: 'the greater',
  remainder: 'remainder of a ÷ b',
  wave: 'wave of a turns',
  absolute: 'a without sign',
  fraction: 'fraction of a',
  whole: 'a rounded down',
  rest: '1 − a',
  atLeast: '1 if a ≥ b',
} as const;
export type MathsOp = keyof typeof MATHS_OPS;

/** Division by almost nothing divides by a little instead. */
export const nonZero = (x: number): number => (Math.abs(x) < 1e-6 ? 1e-6 : x);

/** Those that look at their first value alone. */
export const ONE_VALUE: ReadonlySet<string> = new Set(['wave', 'absolute', 'fraction', 'whole', 'rest']);

/** An unknown sum multiplies. */
export const mathsOf = (op: string, a: number, b: number): number => {
  switch (op as MathsOp) {
    case 'add':
      return a + b;
    case 'subtract':
      return a - b;
    case 'divide':
      return a / nonZero(b);
    case 'power':
      return Math.max(a, 0) ** b > 1e30 ? 1e30 : a <= 0 ? 0 : a ** b;
    case 'minimum':
      return Math.min(a, b);
    case 'maximum':
      return Math.max(a, b);
    case 'remainder':
      return a - nonZero(b) * Math.floor(a / nonZero(b));
    case 'wave':
      return Math.sin(2 * Math.PI * a);
    case 'absolute':
      return Math.abs(a);
    case 'fraction':
      return a - Math.floor(a);
    case 'whole':
      return Math.floor(a);
    case 'rest':
      return 1 - a;
    case 'atLeast':
      return a >= b ? 1 : 0;
    default:
      return a * b;
  }
};

/** The same sum as GLSL. */
export const mathsGlsl = (op: string, a: string, b: string): string => {
  switch (op as MathsOp) {
    case 'add':
      return `(${a} + ${b})`;
    case 'subtract':
      return `(${a} - ${b})`;
    case 'divide':
      return `(${a} / sfNonZero(${b}))`;
    case 'power':
      return `(${a} <= 0.0 ? 0.0 : min(1e30, pow(max(${a}, 1e-30), ${b})))`;
    case 'minimum':
      return `min(${a}, ${b})`;
    case 'maximum':
      return `max(${a}, ${b})`;
    case 'remainder':
      return `(${a} - sfNonZero(${b}) * floor(${a} / sfNonZero(${b})))`;
    case 'wave':
      return `sin(6.28318530718 * fract(${a}))`;
    case 'absolute':
      return `abs(${a})`;
    case 'fraction':
      return `fract(${a})`;
    case 'whole':
      return `floor(${a})`;
    case 'rest':
      return `(1.0 - ${a})`;
    case 'atLeast':
      return `(${a} >= ${b} ? 1.0 : 0.0)`;
    default:
      return `(${a} * ${b})`;
  }
};

/** A soft step from 0 to 1 between two values; the other way round when `from` is above `to`. */
export const smooth = (from: number, to: number, x: number): number => {
  const t = Math.min(1, Math.max(0, (x - from) / nonZero(to - from)));
  return t * t * (3 - 2 * t);
};

export const SMOOTH_GLSL = /* glsl */ `
  float sfNonZero(float x) { return abs(x) < 1e-6 ? 1e-6 : x; }
  float sfSmooth(float from, float to, float x) {
    float t = clamp((x - from) / sfNonZero(to - from), 0.0, 1.0);
    return t * t * (3.0 - 2.0 * t);
  }
  vec2 sfShift(vec2 at, vec2 by, vec2 size, float turn) {
    vec2 d = at - 0.5 - by;
    vec2 turned = vec2(d.x * cos(turn) + d.y * sin(turn), d.y * cos(turn) - d.x * sin(turn));
    return turned / vec2(sfNonZero(size.x), sfNonZero(size.y)) + 0.5;
  }`;
