/** Nodes of behaviour circuits as text: copied, kept, sent, and pasted again, into another effect too. */
import { z } from 'zod';
import {
  MOST_NODES,
  SCHEMA_VERSION,
  compoundSchema,
  type BehaviourNodes,
  type Compound,
  type CompoundId,
  type Effect,
  type NodeId,
} from '../document/schema';
import { describeIssues } from '../document/migrations';
import { isCircular, usedBy } from '../document/expand';
import { hasIn } from '../document/named-in';
import { IconiaError } from '../errors';
import { copiedNodes } from '../graph/graph';
import {
  behaviourNodeSchema,
  inputOf,
  NODE_KINDS,
  outputOf,
  setSchema,
  type BehaviourNode,
  type NodeKind,
} from '../kinds/nodes/nodes';
import { conversion } from '../kinds/nodes/ports';
import { isPortNode } from './whole-compounds';
import { mapReferences } from '../schema/references';

const FORMAT = 'iconia-nodes';
/** A longer text is not read at all. */
const MOST_LETTERS = 20e6;

const fileSchema = z.strictObject({
  format: z.literal(FORMAT),
  schema: z.number().int(),
  nodes: z.array(z.unknown()),
  /** Those that the nodes use, in themselves too. */
  compounds: z.array(z.unknown()).max(200).optional(),
});

/** Nodes, with the wires among them and the compounds that they use. */
export const textOfNodes = (nodes: readonly BehaviourNode[], effect: Effect): string => {
  const byId = Object.fromEntries(nodes.map((node) => [node.id, node])) as Compound['nodes'];
  const compounds = [...usedBy({ nodes: byId }, effect.compounds)].flatMap(
    (id) => effect.compounds[id as CompoundId] ?? [],
  );
  return JSON.stringify(
    { format: FORMAT, schema: SCHEMA_VERSION, nodes, ...(compounds.length > 0 ? { compounds } : {}) },
    null,
    1,
  );
};

/** What is pasted: nodes, and the compounds among what they use that the effect has not. */
export interface Pasted {
  readonly nodes: BehaviourNode[];
  readonly compounds: Compound[];
}

const refused = (why: string): IconiaError => new IconiaError('circuit.paste', `${why} Nothing was pasted.`);

/**
 * The nodes of a text, with ids of their own, to be put into a circuit of an effect. What they name that is not there is to be chosen anew;
 * wires to nodes that were not copied run on where those are in `around`.
 * Throws `IconiaError` `circuit.paste`: it is no such text, of a newer Iconia, or does not hold together.
 */
export const nodesOfText = (
  text: string,
  effect: Effect,
  around: BehaviourNodes,
  newId: () => NodeId,
): Pasted => {
  if (text.length > MOST_LETTERS) throw refused('That is too much text to be nodes of a circuit.');
  const { nodes, schema, compounds: used = [] } = parsed(text);
  if (schema > SCHEMA_VERSION)
    throw refused(
      `These nodes were copied from a newer Iconia (schema ${schema}; this one reads up to ${SCHEMA_VERSION}). Update Iconia to paste them.`,
    );
  if (nodes.length === 0) throw refused('There are no nodes in that text.');
  if (nodes.length > MOST_NODES)
    throw refused(`These are ${nodes.length} nodes, and a circuit holds ${MOST_NODES}.`);
  const read = nodes.map(nodeOf);
  const ids = new Set(read.map(({ id }) => id));
  if (ids.size < read.length) throw refused('Two of these nodes have the same id.');
  if (read.some(isPortNode)) throw refused('What runs in and comes out of a compound is there once.');
  const within: BehaviourNodes = { ...around, ...Object.fromEntries(read.map((node) => [node.id, node])) };
  const compounds = used.map(compoundOf).filter(({ id }) => !effect.compounds[id]);
  const all = { ...effect.compounds, ...Object.fromEntries(compounds.map((one) => [one.id, one])) };
  const circular = compounds.find((one) => isCircular(one, all));
  if (circular) throw refused(`“${circular.name}” contains itself.`);
  const has = hasIn({ ...effect, compounds: all });
  const fitting = read.map(
    (node): BehaviourNode =>
      ({
        ...node,
        inputs: Object.fromEntries(
          Object.entries(node.inputs).filter(([, wire]) => within[wire.node as NodeId]),
        ),
        set: mapReferences(setSchema(node.kind), node.set, (to, id) => (has(to, id) ? id : null)),
      }) as BehaviourNode,
  );
  for (const node of fitting) checkPorts(node, within);
  return {
    nodes: copiedNodes(fitting, newId),
    compounds: compounds.map(
      (one) =>
        mapReferences(compoundSchema, one as never, (to, id) =>
          has(to, id) ? id : null,
        ) as unknown as Compound,
    ),
  };
};

const parsed = (text: string): z.infer<typeof fileSchema> => {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw refused('That is no text of nodes: copy nodes of a circuit first.');
  }
  const file = fileSchema.safeParse(json);
  if (!file.success) throw refused('That is no text of nodes: copy nodes of a circuit first.');
  return file.data;
};

const compoundOf = (json: unknown): Compound => {
  const compound = compoundSchema.safeParse(json);
  if (!compound.success)
    throw refused(
      `One of the compounds does not hold together: ${describeIssues(compound.error).replace(/[.]$/, '')}.`,
    );
  return compound.data as Compound;
};

const nodeOf = (json: unknown, i: number): BehaviourNode => {
  const kind = typeof json === 'object' && json !== null ? (json as { kind?: unknown }).kind : undefined;
  if (!NODE_KINDS.includes(kind as NodeKind))
    throw refused(`Node ${i + 1} is of a kind that is not known here: “${String(kind).slice(0, 40)}”.`);
  const node = behaviourNodeSchema.safeParse(json);
  if (!node.success)
    throw refused(
      `Node ${i + 1} (${String(kind)}) does not hold together: ${describeIssues(node.error).replace(/[.]$/, '')}.`,
    );
  return node.data;
};

/** Every wire runs from a port that is there into one that reads it. */
const checkPorts = (node: BehaviourNode, within: BehaviourNodes): void => {
  for (const [name, wire] of Object.entries(node.inputs)) {
    const input = inputOf(node, name);
    const source = within[wire.node as NodeId]!;
    const output = outputOf(source, wire.port);
    if (!input) throw refused(`A node of the kind ${node.kind} has no input “${name.slice(0, 40)}”.`);
    if (!output)
      throw refused(`A node of the kind ${source.kind} has no output “${wire.port.slice(0, 40)}”.`);
    if (conversion(output.type, input.type) === undefined)
      throw refused(
        `The wire into “${name}” of a node of the kind ${node.kind} brings what is not read there.`,
      );
  }
};
