/** Several nodes as one: its use on a board, and within it what runs in and what comes out. */
import { compoundIdSchema } from '../../schema/behave-ids';
import { perObject } from '../../memo';
import { toChoose } from '../../schema/references';
import { bounded, declaredPorts, inputPort, outputPort, type DeclaredPort } from './declared-ports';
import { defineNode, type NodePorts } from './node-kind';
import { NOTHING, type PortValue } from './ports';

interface Uses {
  readonly takes: readonly DeclaredPort[];
  readonly gives: readonly DeclaredPort[];
}
const portsOfUse = perObject(({ takes, gives }: Uses): NodePorts => ({
  inputs: takes.map(inputPort),
  outputs: gives.map(outputPort),
}));
/** What runs in comes out: where a compound is put in the place of its use, its wires run through. */
const through = perObject((ports: readonly DeclaredPort[]): NodePorts => ({
  inputs: ports.map(inputPort),
  outputs: ports.map(outputPort),
}));

export const COMPOUND_NODES = {
  compound: defineNode({
    inputs: [],
    outputs: [],
    ports: portsOfUse,
    /** Its ports are those of the compound; see `edits/compound-edits.ts`. */
    fields: {
      compound: toChoose(compoundIdSchema, 'Which compound', { ask: 'Choose the compound' }),
      takes: declaredPorts,
      gives: declaredPorts,
    },
    fresh: { compound: null, takes: [], gives: [] },
    title: ({ compound }, names) => (compound === null ? null : names.compound(compound)),
    // The nodes of its compound are put in its place before it runs; without one it gives nothing.
    run: {
      as: 'values',
      of: (_inputs: readonly PortValue[], { gives }) => gives.map(({ type }) => NOTHING[type]),
    },
  }),
  enter: defineNode({
    inputs: [],
    outputs: [],
    ports: ({ takes }) => through(takes),
    fields: { takes: declaredPorts },
    fresh: { takes: [] },
    run: {
      as: 'values',
      of: (inputs: readonly PortValue[], { takes }) => takes.map((port, i) => bounded(inputs[i]!, port)),
    },
  }),
  leave: defineNode({
    inputs: [],
    outputs: [],
    ports: ({ gives }) => through(gives),
    fields: { gives: declaredPorts },
    fresh: { gives: [] },
    run: {
      as: 'values',
      of: (inputs: readonly PortValue[], { gives }) => gives.map((port, i) => bounded(inputs[i]!, port)),
    },
  }),
} as const;
