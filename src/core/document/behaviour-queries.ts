/** All triggers, conditions and signals of an effect, wherever they stand. */
import { signalsOfTrigger } from '../kinds/triggers/triggers';
import { suits } from '../kinds/actions/actions';
import { perDocument } from '../memo';
import { keysOfNode, nodeKind, type BehaviourNode } from '../kinds/nodes/nodes';
import type { Need } from '../kinds/needs';
import { writtenKeys } from '../kinds/writables/writables';
import { expandedCircuits } from './expand';
import { inOrder, withDescendants } from './queries';
import type { Seconds } from '../units';
import type {
  Action,
  Circuit,
  Condition,
  CueId,
  Drive,
  Effect,
  EffectObject,
  Signal,
  Trigger,
} from './schema';

export const nodesOf = (effect: Effect): BehaviourNode[] =>
  expandedCircuits(effect).flatMap(({ nodes }) => Object.values<BehaviourNode>(nodes));

/** What nodes need to know of the world, beside what they read and listen to. */
export const needsOfNodes = (effect: Effect): Need[] =>
  nodesOf(effect).flatMap(({ kind, set }) => nodeKind(kind).needs?.(set as never) ?? []);
/** The numbers of faces that nodes ask for; null where one comes by a wire, and may be any. */
export const facesOfNodes = (effect: Effect): (number | null)[] =>
  nodesOf(effect).flatMap(({ kind, inputs, values }) => {
    const { faceInput } = nodeKind(kind);
    if (faceInput === undefined) return [];
    return [inputs[faceInput] ? null : Number(values[faceInput] ?? 1)];
  });
/** Whether nodes ask where objects are. */
export const hasPlacedNodes = (effect: Effect): boolean =>
  nodesOf(effect).some(({ kind }) => nodeKind(kind).isPlaced === true);
/** Whether something in it needs what runs scripts. */
export const hasScripts = (effect: Effect): boolean => nodesOf(effect).some(({ kind }) => kind === 'script');

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
export const signalsOf = (effect: Effect): Signal[] => listenedTo(effect).flatMap(withInputs);
/** What a formula reads is listened to as well. */
const withInputs = (signal: Signal): Signal[] =>
  signal.kind === 'formula' ? [signal, ...Object.values(signal.inputs)] : [signal];
const listenedTo = (effect: Effect): Signal[] => [
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

/** Circuits that are switched on and belong to something that is there, in their order; compounds are opened out. */
export const circuitsOn = (effect: Effect): Circuit[] =>
  [...expandedCircuits(effect)]
    .sort((a, b) => a.order - b.order)
    .filter(({ enabled, owner }) => enabled && (owner === null || effect.objects[owner] !== undefined));
const nodesOn = (effect: Effect): { circuit: Circuit; node: BehaviourNode }[] =>
  circuitsOn(effect).flatMap((circuit) =>
    Object.values<BehaviourNode>(circuit.nodes).flatMap((node) => (node.off ? [] : [{ circuit, node }])),
  );

/** Whether a node of a circuit starts, or stops, a cue. */
export const isBidByCircuit = (
  effect: Effect,
  cue: CueId,
  what: 'start' | 'stop' | 'setOff' | 'reset',
): boolean =>
  nodesOn(effect).some(({ node }) => node.kind === 'cue' && node.set.do === what && node.set.cue === cue);

/** Who writes something all the time. */
export type Writer =
  | { readonly by: 'drive'; readonly drive: Drive }
  | { readonly by: 'node'; readonly circuit: Circuit; readonly node: BehaviourNode };
/** Whether it writes in every step: a node may be asked first. */
const writesAlways = (writer: Writer): boolean =>
  writer.by === 'drive' || (writer.node.inputs['while'] === undefined && writer.node.values['while'] !== 0);

/**
 * Who writes what, all the time: drives and nodes of circuits that are on, by the key of each value that they write, in the order in which
 * they write. Of several the last one counts.
 */
export const writersOf = perDocument((effect: Effect): ReadonlyMap<string, readonly Writer[]> => {
  const writers = new Map<string, Writer[]>();
  const add = (keys: readonly string[], writer: Writer): void => {
    for (const key of keys) writers.set(key, [...(writers.get(key) ?? []), writer]);
  };
  for (const drive of inOrder(effect.drives))
    if (drive.enabled) add(writtenKeys(drive.to), { by: 'drive', drive });
  for (const { circuit, node } of nodesOn(effect))
    add(keysOfNode(node, circuit.nodes), { by: 'node', circuit, node });
  return writers;
});

/** Who writes always what one of them writes too, and counts instead: whoever comes last behind it. */
const overrulers = (
  effect: Effect,
  keys: readonly string[],
  isSelf: (writer: Writer) => boolean,
): Writer[] => {
  const found = keys.flatMap((key) => {
    const all = writersOf(effect).get(key) ?? [];
    const last = all.slice(all.findIndex(isSelf) + 1).findLast(writesAlways);
    return all.some(isSelf) && last ? [last] : [];
  });
  return [...new Set(found)];
};
/** Who counts instead of a drive; none for one that is off. */
export const overruledBy = (effect: Effect, drive: Drive): Writer[] =>
  overrulers(effect, writtenKeys(drive.to), (w) => w.by === 'drive' && w.drive.id === drive.id);
/** Who counts instead of a node of a circuit; `nodes` are all of that. */
export const nodeOverruledBy = (
  effect: Effect,
  node: BehaviourNode,
  nodes: Readonly<Record<string, BehaviourNode>>,
): Writer[] => overrulers(effect, keysOfNode(node, nodes), (w) => w.by === 'node' && w.node.id === node.id);

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
