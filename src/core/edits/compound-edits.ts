/** Edits of compounds: making one of nodes, and what its ports are, wherever it is used. */
import type { Draft } from 'immer';
import type { Compound } from '../document/circuit-schema';
import { edit, type Edit } from '../document/edit';
import type { BehaviourNodes, CompoundId, Effect, NodeId } from '../document/schema';
import { IconiaError } from '../errors';
import { newPort, type DeclaredPort } from '../kinds/nodes/declared-ports';
import { inputOf, isLate, newBehaviourNode, outputOf, type BehaviourNode } from '../kinds/nodes/nodes';
import type { PortType } from '../kinds/nodes/ports';
import type { UnitName } from '../schema/properties';
import { nodesOn, type BoardId } from './board-nodes';
import { isPortNode } from './whole-compounds';

/** A name that can stand in code, and is not taken. */
const freshName = (wanted: string, taken: readonly DeclaredPort[]): string => {
  const word = wanted.replace(/[^A-Za-z0-9_]+(.?)/g, (_, next: string) => next.toUpperCase());
  const base = (/^[A-Za-z_]/.test(word) ? word : `n${word}`).slice(0, 20) || 'port';
  let name = base;
  for (let i = 2; taken.some((port) => port.name === name); i++) name = `${base}${i}`;
  return name;
};
const declared = (
  wanted: string,
  port: { readonly type: PortType; readonly unit?: UnitName } | undefined,
  taken: readonly DeclaredPort[],
): DeclaredPort => ({ ...newPort(freshName(wanted, taken), port?.type), unit: port?.unit ?? 'plain' });

/** Whether something outside that runs into nodes comes from them itself. */
const runsBack = (nodes: BehaviourNodes, isInner: ReadonlySet<string>): boolean => {
  const ahead = [...isInner].flatMap((id) =>
    Object.values(nodes[id as NodeId]!.inputs).flatMap((wire) => (isInner.has(wire.node) ? [] : [wire.node])),
  );
  const seen = new Set<string>();
  while (ahead.length > 0) {
    const id = ahead.pop()!;
    if (isInner.has(id)) return true;
    const node = nodes[id as NodeId];
    if (!node || seen.has(id)) continue;
    seen.add(id);
    for (const [port, wire] of Object.entries(node.inputs)) if (!isLate(node, port)) ahead.push(wire.node);
  }
  return false;
};

export interface NewCompound {
  readonly compound: CompoundId;
  readonly use: NodeId;
  readonly enter: NodeId;
  readonly leave: NodeId;
}
/**
 * Makes a compound of nodes of a board, and uses it in their place. What ran into them from outside becomes its inputs, one for each source;
 * what ran out of them its outputs.
 * Throws `IconiaError` `compound.empty`: no node, or only what a compound has itself, was meant; `compound.circle`: what runs out of them
 * runs into them again.
 */
export const makeCompound = (
  effect: Effect,
  board: BoardId,
  meant: readonly NodeId[],
  name: string,
  ids: NewCompound,
): Edit => {
  const nodes: BehaviourNodes = nodesOn(effect, board);
  const inner = meant.flatMap((id) => {
    const node = nodes[id];
    return node && !isPortNode(node) ? [node] : [];
  });
  if (inner.length === 0)
    throw new IconiaError('compound.empty', 'Choose the nodes that are to become one. Nothing was changed.');
  const isInner = new Set<string>(inner.map(({ id }) => id));
  if (runsBack(nodes, isInner))
    throw new IconiaError(
      'compound.circle',
      'A node that is not chosen lies between those that are, so the wires would run in a circle through the compound. Choose it too. Nothing was changed.',
    );
  const takes: DeclaredPort[] = [];
  const gives: DeclaredPort[] = [];
  /** By source, from outside; by output, to the outside. */
  const entering = new Map<string, DeclaredPort>();
  const leaving = new Map<string, DeclaredPort>();
  const useInputs: Record<string, { node: NodeId; port: string }> = {};
  const leaveInputs: Record<string, { node: NodeId; port: string }> = {};

  const within = inner.map((node): BehaviourNode => {
    const inputs = Object.fromEntries(
      Object.entries(node.inputs).map(([port, wire]) => {
        if (isInner.has(wire.node)) return [port, wire];
        const key = `${wire.node} ${wire.port}`;
        let made = entering.get(key);
        if (!made) {
          const source = nodes[wire.node as NodeId];
          made = declared(port, (source && outputOf(source, wire.port)) ?? inputOf(node, port), takes);
          entering.set(key, made);
          takes.push(made);
          useInputs[made.name] = { node: wire.node as NodeId, port: wire.port };
        }
        return [port, { node: ids.enter, port: made.name }];
      }),
    );
    return { ...node, inputs } as BehaviourNode;
  });
  const rewired = Object.values<BehaviourNode>(nodes).flatMap((node) => {
    if (isInner.has(node.id)) return [];
    const inputs = Object.fromEntries(
      Object.entries(node.inputs).map(([port, wire]) => {
        const source = nodes[wire.node as NodeId];
        if (!source || !isInner.has(wire.node)) return [port, wire];
        const key = `${wire.node} ${wire.port}`;
        let made = leaving.get(key);
        if (!made) {
          made = declared(wire.port, outputOf(source, wire.port), gives);
          leaving.set(key, made);
          gives.push(made);
          leaveInputs[made.name] = { node: wire.node as NodeId, port: wire.port };
        }
        return [port, { node: ids.use, port: made.name }];
      }),
    );
    return [{ ...node, inputs } as BehaviourNode];
  });
  const xs = inner.map(({ at }) => at[0]);
  const ys = inner.map(({ at }) => at[1]);
  const middle = (all: readonly number[]): number => Math.round((Math.min(...all) + Math.max(...all)) / 2);
  const use = newBehaviourNode(ids.use, 'compound', [middle(xs), middle(ys)], {
    set: { compound: ids.compound, takes, gives },
    inputs: useInputs,
  });
  const enter = newBehaviourNode(ids.enter, 'enter', [Math.min(...xs) - 260, middle(ys)], { set: { takes } });
  const leave = newBehaviourNode(ids.leave, 'leave', [Math.max(...xs) + 260, middle(ys)], {
    set: { gives },
    inputs: leaveInputs,
  });
  const order = Object.values<Compound>(effect.compounds).reduce((n, c) => Math.max(n, c.order + 1), 0);
  return edit(`Make the compound ${name}`, (d) => {
    d.compounds[ids.compound] = {
      id: ids.compound,
      name,
      order,
      note: '',
      nodes: byId([enter, ...within, leave]),
      notes: {},
    } as Draft<Compound>;
    const drafted = nodesOn(d as unknown as Effect, board) as Record<NodeId, BehaviourNode>;
    for (const { id } of inner) delete drafted[id];
    for (const node of [...rewired, use]) drafted[node.id] = node;
  });
};
const byId = (nodes: readonly BehaviourNode[]): Record<string, BehaviourNode> =>
  Object.fromEntries(nodes.map((node) => [node.id, node]));

/** A use of a compound, with its ports. */
export const useOf = (
  effect: Effect,
  compound: CompoundId,
  id: NodeId,
  at: readonly [number, number],
): BehaviourNode => {
  const nodes = Object.values<BehaviourNode>(effect.compounds[compound]?.nodes ?? {});
  const takes = nodes.flatMap((node) => (node.kind === 'enter' ? node.set.takes : []));
  const gives = nodes.flatMap((node) => (node.kind === 'leave' ? node.set.gives : []));
  return newBehaviourNode(id, 'compound', at, { set: { compound, takes, gives } });
};

/** Its name, its help. */
export const changeCompound = (
  effect: Effect,
  id: CompoundId,
  change: Partial<Pick<Compound, 'name' | 'note'>>,
): Edit =>
  edit(`Change ${effect.compounds[id]?.name || 'a compound'}`, (d) => {
    const compound = d.compounds[id];
    if (compound) Object.assign(compound, change);
  });

/** Deletes a compound that nothing uses; one that is used stays. */
export const removeCompound = (effect: Effect, id: CompoundId): Edit =>
  edit(`Delete ${effect.compounds[id]?.name || 'a compound'}`, (d) => {
    if (usesOf(effect, id) === 0) delete d.compounds[id];
  });
/** How often it is used, on all boards. */
export const usesOf = (effect: Effect, id: CompoundId): number =>
  [...Object.values(effect.circuits), ...Object.values(effect.compounds)].reduce(
    (count, { nodes }) =>
      count +
      Object.values<BehaviourNode>(nodes).filter((n) => n.kind === 'compound' && n.set.compound === id)
        .length,
    0,
  );
