/** Where new things go: one rule for files, stock, shapes, lights and everything else that is added. */
import { anchorOf } from '../document/queries';
import type { Anchor, Effect, ObjectId } from '../document/schema';

/** What there is to go by, the strongest first. */
export interface LandingClues {
  /** What was pointed at, or named. */
  readonly named: Anchor | null;
  readonly selected: ObjectId | null;
  /** What the take shows. */
  readonly shown: Anchor;
}

/**
 * The anchor of new things: what was pointed at; else that of the selected object; else what the effect was begun for; else what the take
 * shows.
 */
export const landingAnchor = (effect: Effect, { named, selected, shown }: LandingClues): Anchor => {
  const object = selected ? effect.objects[selected] : undefined;
  if (named) return named;
  if (object) return anchorOf(effect, object);
  return effect.ground ?? shown;
};
