/** The nodes of surface circuits: what runs in and out of each, and what it does, in core and in GLSL. */
import type { NodeType } from '../document/schema';
import type { NodeKind } from './node-kind';
import { PATTERN_NODES } from './pattern-nodes';
import { POINT_NODES } from './point-nodes';
import { SUM_NODES } from './sum-nodes';

export const CATALOGUE: Readonly<Record<NodeType, NodeKind>> = {
  ...POINT_NODES,
  ...PATTERN_NODES,
  ...SUM_NODES,
};

/** What an input or an output of a node is called. */
export const portLabel = (type: NodeType | undefined, port: string): string =>
  (type && CATALOGUE[type].inputs.find(({ name }) => name === port)?.label) ?? port;
