/** The functions of formulas: what each is given, and what it gives. What is said of them stands in `function-words.ts`. */
import type { Dimension } from './dimension';

interface FunctionKind {
  /** What it is given, as help has it: "x, low, high". */
  readonly takes: string;
  readonly least: number;
  readonly most: number;
  /**
   * What its result measures. `same`: what it is given has to measure the same, and so does the result. `first`: only the first counts.
   * Else it takes plain numbers, and angles where it turns them.
   */
  readonly gives: 'same' | 'first' | Dimension;
  /** How many of what it is given may be lengths, and have to measure the same; all where the result does too. */
  readonly alike?: number;
  /** Its first is an angle: degrees where it has that unit, else radians. */
  readonly turns?: boolean;
}

/** A function of just those that it names. */
const of = (
  takes: string,
  gives: FunctionKind['gives'],
  more: Pick<FunctionKind, 'alike' | 'turns'> = {},
): FunctionKind => {
  const count = takes.split(', ').length;
  return { takes, least: count, most: count, gives, ...more };
};
const ANGLE = of('angle', 'number', { turns: true });
const MANY: FunctionKind = { takes: 'a, b, …', least: 2, most: 12, gives: 'same' };

/** Each is a step of the machine of the same name. */
export const FUNCTIONS = {
  sin: ANGLE,
  cos: ANGLE,
  tan: ANGLE,
  wave: of('rounds', 'number'),
  zigzag: of('rounds', 'share'),
  atan2: of('y, x', 'angle', { alike: 2 }),
  asin: of('x', 'angle'),
  acos: of('x', 'angle'),
  abs: of('x', 'first'),
  sign: of('x', 'number', { alike: 1 }),
  floor: of('x', 'first'),
  ceil: of('x', 'first'),
  round: of('x', 'first'),
  sqrt: of('x', 'number'),
  exp: of('x', 'number'),
  log: of('x', 'number'),
  min: MANY,
  max: MANY,
  hypot: MANY,
  mod: of('x, by', 'same'),
  clamp: of('x, low, high', 'same'),
  mix: of('a, b, share', 'same', { alike: 2 }),
  smooth: of('x, low, high', 'share', { alike: 3 }),
} as const satisfies Readonly<Record<string, FunctionKind>>;
export type FunctionName = keyof typeof FUNCTIONS;
export const functionNamed = (name: string): FunctionKind | null =>
  Object.hasOwn(FUNCTIONS, name) ? FUNCTIONS[name as FunctionName] : null;

/** Numbers that have a name. */
export const CONSTANTS: Readonly<Record<string, number>> = { pi: Math.PI };
