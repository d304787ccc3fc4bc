/** All triggers, conditions and signals of an effect, wherever they stand. */
import { signalsOfTrigger } from '../kinds/triggers/triggers';
import type { Condition, Effect, Signal, Trigger } from './schema';

/** What sets cues off and back, and shows and hides prompts. */
export const triggersOf = (effect: Effect): Trigger[] => [
  ...Object.values(effect.cues).flatMap((cue) => [...cue.triggers, ...cue.resets]),
  ...Object.values(effect.prompts).flatMap((prompt) => [...prompt.shownWhen, ...prompt.hiddenWhen]),
];

/** All conditions of cues and prompts. */
export const conditionsOf = (effect: Effect): Condition[] => [
  ...Object.values(effect.cues).flatMap((cue) => cue.conditions),
  ...Object.values(effect.prompts).flatMap((prompt) => prompt.onlyIf),
];

/** All signals: those that triggers look at, that conditions compare, and that drive something. */
export const signalsOf = (effect: Effect): Signal[] => [
  ...triggersOf(effect).flatMap(signalsOfTrigger),
  ...conditionsOf(effect).map(({ signal }) => signal),
  ...Object.values(effect.drives).map(({ signal }) => signal),
];
