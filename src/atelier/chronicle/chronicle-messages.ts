/** What the page asks the worker that runs an effect ahead, and what it answers. */
import type { Chronicle, Told } from '../../core/behave/chronicle';
import type { Effect } from '../../core/document/schema';
import type { Clip } from '../../core/takes/clip-data';
import type { TakeSpec } from '../../core/takes/take';

export interface Question {
  readonly number: number;
  readonly effect: Effect;
  readonly take: TakeSpec;
  /** In the place of the take: a creator's own clip, and the effect's printed pictures. */
  readonly clip: { readonly of: Clip; readonly pictures: readonly string[] } | null;
  readonly pictureAspects: readonly number[];
  readonly told: Told;
}
export type Answer =
  | { readonly number: number; readonly chronicle: Chronicle }
  | { readonly number: number; readonly problem: string };
