/** What is said of the functions of formulas, where one is written: the show page fetches none of it. */
import type { FunctionName } from './functions';

const RADIANS = 'Of a number without a unit in radians: sin(90 deg) is 1.';
export const FUNCTION_WORDS: Readonly<Record<FunctionName, string>> = {
  sin: `Sine of an angle. ${RADIANS}`,
  cos: `Cosine of an angle. ${RADIANS}`,
  tan: `Tangent of an angle. ${RADIANS}`,
  wave: 'Goes smoothly between -1 and 1, once in each whole round: wave(time / 2 s) every two seconds.',
  zigzag: 'Goes from 0 to 1 and back in straight lines, once in each whole round.',
  atan2: 'The angle of the way to x, y.',
  asin: 'The angle whose sine it is.',
  acos: 'The angle whose cosine it is.',
  abs: 'Without its sign.',
  sign: '1 above 0, -1 below, 0 at 0.',
  floor: 'The whole number below.',
  ceil: 'The whole number above.',
  round: 'The nearest whole number.',
  sqrt: 'The square root.',
  exp: 'e to the power of it.',
  log: 'The natural logarithm.',
  min: 'The least of them.',
  max: 'The greatest of them.',
  hypot: 'The length of the way that has them as its sides.',
  mod: 'What is left when it is divided: goes round from 0 up to the second.',
  clamp: 'Not below the one nor above the other.',
  mix: 'Between the two: the first at 0, the second at 1.',
  smooth: 'From 0 to 1 while x goes from the one to the other, gently at both ends.',
};
