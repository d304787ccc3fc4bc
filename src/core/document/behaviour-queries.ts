/** All triggers, conditions and signals of an effect, wherever they stand. */
import { signalsOfTrigger } from '../kinds/triggers/triggers';
import { suits } from '../kinds/actions/actions';
import { inOrder, withDescendants } from './queries';
import type { Seconds } from '../units';
import type { Action, Condition, Drive, Effect, EffectObject, Signal, Trigger } from './schema';

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

/**
 * What an action really acts on: its targets; instead of a group that it can do nothing to, what hangs in it and suits. The colour of a
 * group is that of its members.
 */
export const reachedBy = (effect: Effect, action: Action): EffectObject[] =>
  action.targets.flatMap((id) => {
    const target = effect.objects[id];
    if (!target) return [];
    if (target.kind !== 'group' || suits(action, target, effect.assets)) return [target];
    return withDescendants(effect, id).filter((o) => o.id !== id && suits(action, o, effect.assets));
  });

/** What drives how long actions take, by the id of the action. Of several drives of one action the last counts. */
export const durationDrives = (effect: Effect): ReadonlyMap<string, Drive> =>
  new Map(
    inOrder(effect.drives).flatMap((drive) =>
      drive.enabled && drive.to.kind === 'duration' ? [[drive.to.action, drive]] : [],
    ),
  );

/** The shortest and the longest that a driven action takes, in seconds. */
export const drivenLengths = ({ remap }: Drive): readonly [Seconds, Seconds] => [
  Math.max(0, Math.min(...remap.to)),
  Math.max(0, ...remap.to),
];
