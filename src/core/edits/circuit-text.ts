/** Nodes of behaviour circuits as text: copied, kept, sent, and pasted again, into another effect too. */
import { z } from 'zod';
import {
  MOST_NODES,
  MOST_NOTES,
  SCHEMA_VERSION,
  boardNoteSchema,
  variableSchema,
  compoundSchema,
  type BehaviourNodes,
  type BoardNote,
  type BoardNoteId,
  type Compound,
  type CompoundId,
  type Effect,
  type NodeId,
  type Variable,
  type VariableId,
} from '../document/schema';
import { broughtUp, describeIssues } from '../document/migrations';
import { isCircular, usedBy } from '../document/expand';
import { hasIn } from '../document/named-in';
import { IconiaError } from '../errors';
import { copiedNodes, type BoardPlace } from '../graph/graph';
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
import { copiedNotes } from './board-note-edits';
import { moveIn } from './graph-edits';
import { isPortNode } from './whole-compounds';
import { mapReferences, referencesIn } from '../schema/references';

const FORMAT = 'iconia-nodes';
/** Before it effects had no circuits of behaviour. */
const FIRST_SCHEMA = 13;
/** A longer text is not read at all. */
const MOST_LETTERS = 20e6;

const fileSchema = z.strictObject({
  format: z.literal(FORMAT),
  schema: z.number().int().min(FIRST_SCHEMA),
  nodes: z.array(z.unknown()),
  /** Those that the nodes use, in themselves too. */
  compounds: z.array(z.unknown()).max(200).optional(),
  notes: z.array(z.unknown()).max(MOST_NOTES).optional(),
  /** Those that the nodes read and write. */
  variables: z.array(z.unknown()).max(200).optional(),
});

/** The variables that a node reads or writes. */
const variablesOf = ({ kind, set }: BehaviourNode): VariableId[] =>
  referencesIn(setSchema(kind), set).flatMap(({ to, id }) =>
    to === 'variables' && id !== null ? [id as VariableId] : [],
  );

/** Nodes, with the wires among them, the compounds and variables that they use, and notes beside them. */
export const textOfNodes = (
  nodes: readonly BehaviourNode[],
  effect: Effect,
  notes: readonly BoardNote[] = [],
): string => {
  const byId = Object.fromEntries(nodes.map((node) => [node.id, node])) as Compound['nodes'];
  const compounds = [...usedBy({ nodes: byId }, effect.compounds)].flatMap(
    (id) => effect.compounds[id as CompoundId] ?? [],
  );
  const named = new Set(
    [...nodes, ...compounds.flatMap((one) => Object.values<BehaviourNode>(one.nodes))].flatMap(variablesOf),
  );
  const variables = [...named].flatMap((id) => effect.variables[id] ?? []);
  return JSON.stringify(
    {
      format: FORMAT,
      schema: SCHEMA_VERSION,
      nodes,
      ...(compounds.length > 0 ? { compounds } : {}),
      ...(variables.length > 0 ? { variables } : {}),
      ...(notes.length > 0 ? { notes } : {}),
    },
    null,
    1,
  );
};

/** What is pasted: nodes, notes, and what of all they use the effect has not. */
export interface Pasted {
  readonly nodes: BehaviourNode[];
  readonly compounds: Compound[];
  readonly notes: BoardNote[];
  readonly variables: Variable[];
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
  newId: (kind: 'node' | 'note') => string,
): Pasted => {
  if (text.length > MOST_LETTERS) throw refused('That is too much text to be nodes of a circuit.');
  const file = parsed(text);
  const { nodes, schema, notes: written = [], variables: kept = [] } = file;
  if (schema > SCHEMA_VERSION)
    throw refused(
      `These nodes were copied from a newer Iconia (schema ${schema}; this one reads up to ${SCHEMA_VERSION}). Update Iconia to paste them.`,
    );
  if (nodes.length + written.length === 0) throw refused('There are no nodes in that text.');
  if (nodes.length > MOST_NODES)
    throw refused(`These are ${nodes.length} nodes, and a circuit holds ${MOST_NODES}.`);
  const brought = broughtUpText(file);
  const read = brought.nodes.map(nodeOf);
  const ids = new Set(read.map(({ id }) => id));
  if (ids.size < read.length) throw refused('Two of these nodes have the same id.');
  if (read.some(isPortNode)) throw refused('What runs in and comes out of a compound is there once.');
  const notes = written.map((json) => broughtOf<BoardNote>(boardNoteSchema, json, 'notes'));
  const within: BehaviourNodes = { ...around, ...Object.fromEntries(read.map((node) => [node.id, node])) };
  const compounds = brought.compounds
    .map((json) => broughtOf<Compound>(compoundSchema, json, 'compounds'))
    .filter(({ id }) => !effect.compounds[id]);
  const all = { ...effect.compounds, ...Object.fromEntries(compounds.map((one) => [one.id, one])) };
  const circular = compounds.find((one) => isCircular(one, all));
  if (circular) throw refused(`“${circular.name}” contains itself.`);
  const variables = kept
    .map((json) => broughtOf<Variable>(variableSchema, json, 'variables'))
    .filter(({ id }) => !effect.variables[id]);
  const has = hasIn({
    ...effect,
    compounds: all,
    variables: { ...effect.variables, ...Object.fromEntries(variables.map((one) => [one.id, one])) },
  });
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
    nodes: copiedNodes(fitting, () => newId('node') as NodeId),
    variables,
    notes: copiedNotes(notes, () => newId('note') as BoardNoteId),
    compounds: compounds.map(
      (one) =>
        mapReferences(compoundSchema, one as never, (to, id) =>
          has(to, id) ? id : null,
        ) as unknown as Compound,
    ),
  };
};

/** What was copied with an older Iconia, as this one writes it. */
const broughtUpText = ({
  schema,
  nodes,
  compounds = [],
}: z.infer<typeof fileSchema>): {
  readonly nodes: readonly unknown[];
  readonly compounds: readonly unknown[];
} => {
  if (schema === SCHEMA_VERSION) return { nodes, compounds };
  const document = broughtUp({
    schema,
    circuits: { text: { nodes: { ...nodes } } },
    compounds: { ...compounds },
  }) as { circuits: { text: { nodes: object } }; compounds: object };
  return {
    nodes: Object.values(document.circuits.text.nodes),
    compounds: Object.values(document.compounds),
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

/** A thing that nodes bring along. */
const broughtOf = <T>(schema: z.ZodType, json: unknown, what: string): T => {
  const read = schema.safeParse(json);
  if (!read.success)
    throw refused(
      `One of the ${what} does not hold together: ${describeIssues(read.error).replace(/[.]$/, '')}.`,
    );
  return read.data as T;
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

/** The same, so much farther on the board: bends of wires and notes go along. */
export const shiftedBy = (pasted: Pasted, way: BoardPlace): Pasted => {
  const nodes = structuredClone(pasted.nodes);
  const places = nodes.map(({ id, at }) => [id, [at[0] + way[0], at[1] + way[1]]] as const);
  moveIn(Object.fromEntries(nodes.map((node) => [node.id, node])), new Map(places));
  return { ...pasted, nodes, notes: copiedNotes(pasted.notes, ({ id }) => id, way) };
};
