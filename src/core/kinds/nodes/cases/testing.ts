/** Known answers of a node: what goes in, what comes out. */
import { expect } from '@jest/globals';
import type { PortValue } from '../ports';

export interface Case {
  /** What goes in, step by step; more after that of the same. */
  readonly given: readonly Readonly<Record<string, PortValue>>[];
  /** What comes out in each of those steps. */
  readonly gives: readonly (readonly unknown[])[];
  readonly set?: object;
  readonly at?: object;
}
/** One step. */
export const once = (given: Case['given'][number], ...gives: readonly unknown[]): Case => ({
  given: [given],
  gives: [gives],
});
export const E = { event: 1 };
export const N = { event: 0 };
/** `given` so many times. */
export const times = (count: number, given: Case['given'][number]): Case['given'][number][] =>
  Array.from({ length: count }, () => given);
export const near = (x: number): unknown => expect.closeTo(x, 4);
/** Of every kind of a family: it fails to compile when one has none. */
export type CasesOf<Family> = Readonly<Record<keyof Family, readonly Case[]>>;
