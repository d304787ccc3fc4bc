/** Compounds opened out: the nodes of each are put in the place of its use, as often as it is used. */
import type { BehaviourNode } from '../kinds/nodes/nodes';
import { perDocument } from '../memo';
import type { BehaviourNodes, Circuit, Compound, Compounds } from './circuit-schema';
import type { Effect, NodeId } from './schema';

/** More nodes than this are not put in: compounds of compounds grow quickly. */
export const MOST_EXPANDED = 100_000;

export const enterOf = ({ nodes }: Pick<Compound, 'nodes'>): BehaviourNode | undefined =>
  Object.values<BehaviourNode>(nodes).find(({ kind }) => kind === 'enter');
export const leaveOf = ({ nodes }: Pick<Compound, 'nodes'>): BehaviourNode | undefined =>
  Object.values<BehaviourNode>(nodes).find(({ kind }) => kind === 'leave');

/** A node within a use: where it is found in a run, and in the plan. */
export const within = (use: NodeId, inner: NodeId, compound: Pick<Compound, 'nodes'>): NodeId =>
  // What comes out stands in the place of the use itself, so wires from it find it.
  inner === leaveOf(compound)?.id ? use : (`${use}/${inner}` as NodeId);

/** Compounds that a compound uses, it itself among them where it goes in a circle. */
export const usedBy = (compound: Pick<Compound, 'nodes'>, compounds: Compounds): ReadonlySet<string> => {
  const found = new Set<string>();
  const ahead = [compound];
  while (ahead.length > 0)
    for (const node of Object.values<BehaviourNode>(ahead.pop()!.nodes)) {
      const id = node.kind === 'compound' ? node.set.compound : null;
      if (id === null || found.has(id)) continue;
      found.add(id);
      if (compounds[id]) ahead.push(compounds[id]);
    }
  return found;
};
/** Whether it contains itself. */
export const isCircular = (compound: Compound, compounds: Compounds): boolean =>
  usedBy(compound, compounds).has(compound.id);

/**
 * Nodes with those of compounds in the place of their uses. A use without a compound, of one that contains itself, or of one too many
 * stays as it is, and gives nothing.
 */
export const expandNodes = (nodes: BehaviourNodes, compounds: Compounds): BehaviourNodes => {
  if (!Object.values<BehaviourNode>(nodes).some(({ kind }) => kind === 'compound')) return nodes;
  const out: Record<NodeId, BehaviourNode> = {};
  let count = 0;
  const put = (node: BehaviourNode): void => {
    out[node.id] = node;
    count++;
  };
  const open = (node: BehaviourNode): void => {
    const compound =
      node.kind === 'compound' && node.set.compound !== null ? compounds[node.set.compound] : null;
    const size = compound ? Object.keys(compound.nodes).length : 0;
    if (!compound || isCircular(compound, compounds) || !leaveOf(compound) || count + size > MOST_EXPANDED)
      return put(node);
    const enter = enterOf(compound);
    for (const inner of Object.values<BehaviourNode>(compound.nodes))
      open({
        ...inner,
        id: within(node.id, inner.id, compound),
        off: inner.off || node.off,
        // What runs into the use runs in there.
        ...(inner === enter
          ? { inputs: node.inputs, values: { ...inner.values, ...node.values } }
          : {
              inputs: Object.fromEntries(
                Object.entries(inner.inputs).map(([port, wire]) => [
                  port,
                  { ...wire, node: within(node.id, wire.node as NodeId, compound) },
                ]),
              ),
            }),
      } as BehaviourNode);
  };
  for (const node of Object.values<BehaviourNode>(nodes)) open(node);
  return out;
};

/** All circuits of an effect, compounds opened out. */
export const expandedCircuits = perDocument((effect: Effect): readonly Circuit[] =>
  Object.values<Circuit>(effect.circuits).map((circuit) => {
    const nodes = expandNodes(circuit.nodes, effect.compounds);
    return nodes === circuit.nodes ? circuit : { ...circuit, nodes };
  }),
);
