/** What the page asks the worker that runs an effect ahead, and what it answers. */
import type { Chronicle, Told } from '../../core/behave/chronicle';
import type { Effect } from '../../core/document/schema';
import type { TakeSpec } from '../../core/takes/take';

export interface Question {
  readonly number: number;
  readonly effect: Effect;
  readonly take: TakeSpec;
  readonly pictureAspects: readonly number[];
  readonly told: Told;
}
export type Answer =
  | { readonly number: number; readonly chronicle: Chronicle }
  | { readonly number: number; readonly problem: string };
