/** All triggers, conditions and signals of an effect, wherever they stand. */
import { signalsOfTrigger } from '../kinds/triggers/triggers';
import { suits } from '../kinds/actions/actions';
import { perDocument } from '../memo';
import { nodeKind, type BehaviourNode } from '../kinds/nodes/nodes';
import { writtenKeys } from '../kinds/writables/writables';
import { inOrder, withDescendants } from './queries';
import type { Seconds } from '../units';
import type { Action, Condition, Drive, Effect, EffectObject, Signal, Trigger } from './schema';

const nodesOf = (effect: Effect): BehaviourNode[] =>
  Object.values(effect.circuits).flatMap(({ nodes }) => Object.values<BehaviourNode>(nodes));

/** What sets cues off and back, shows and hides prompts, and starts circuits. */
export const triggersOf = (effect: Effect): Trigger[] => [
  ...Object.values(effect.cues).flatMap((cue) => [...cue.triggers, ...cue.resets]),
  ...Object.values(effect.prompts).flatMap((prompt) => [...prompt.shownWhen, ...prompt.hiddenWhen]),
  ...nodesOf(effect).flatMap(({ kind, set }) => nodeKind(kind).triggers?.(set as never) ?? []),
];

/** All conditions of cues and prompts. */
export const conditionsOf = (effect: Effect): Condition[] => [
  ...Object.values(effect.cues).flatMap((cue) => cue.conditions),
  ...Object.values(effect.prompts).flatMap((prompt) => prompt.onlyIf),
];

/** All signals: those that triggers look at, that conditions compare, that drive something, and that circuits read. */
export const signalsOf = (effect: Effect): Signal[] => [
  ...triggersOf(effect).flatMap(signalsOfTrigger),
  ...conditionsOf(effect).map(({ signal }) => signal),
  ...Object.values(effect.drives).map(({ signal }) => signal),
  ...nodesOf(effect).flatMap(({ kind, set }) => nodeKind(kind).signals?.(set as never) ?? []),
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

/**
 * Who writes what, all the time: drives that are on, by the key of each value that they write, in the order in which they write. Of several
 * the last one counts.
 */
export const writersOf = perDocument((effect: Effect): ReadonlyMap<string, readonly Drive[]> => {
  const writers = new Map<string, Drive[]>();
  for (const drive of inOrder(effect.drives)) {
    if (!drive.enabled) continue;
    for (const key of writtenKeys(drive.to)) writers.set(key, [...(writers.get(key) ?? []), drive]);
  }
  return writers;
});

/** Drives that write what this one writes, and count instead of it: they come later. */
export const overruledBy = (effect: Effect, drive: Drive): Drive[] => {
  const writers = writersOf(effect);
  const later = writtenKeys(drive.to).flatMap((key) => {
    const all = writers.get(key) ?? [];
    return all.some(({ id }) => id === drive.id) && all.at(-1)!.id !== drive.id ? [all.at(-1)!] : [];
  });
  return [...new Set(later)];
};

/** What drives how long actions take, by the id of the action. Of several drives of one action the last counts. */
export const durationDrives = (effect: Effect): ReadonlyMap<string, Drive> =>
  new Map(
    [...writersOf(effect).values()].flatMap((drives) => {
      const last = drives.at(-1)!;
      return last.to.kind === 'duration' ? [[last.to.action, last]] : [];
    }),
  );

/** The shortest and the longest that a driven action takes, in seconds. */
export const drivenLengths = ({ remap }: Drive): readonly [Seconds, Seconds] => [
  Math.max(0, Math.min(...remap.to)),
  Math.max(0, ...remap.to),
];
