/** The nodes of surface circuits: what runs in and out of each, and what it does, in core and in GLSL. */
import type { SurfaceNodeType } from '../document/schema';
import type { SurfaceNodeKind } from './node-kind';
import { PATTERN_NODES } from './pattern-nodes';
import { POINT_NODES } from './point-nodes';
import { SUM_NODES } from './sum-nodes';

export const SURFACE_NODES: Readonly<Record<SurfaceNodeType, SurfaceNodeKind>> = {
  ...POINT_NODES,
  ...PATTERN_NODES,
  ...SUM_NODES,
};

/** What an input or an output of a node is called. */
export const portLabel = (type: SurfaceNodeType | undefined, port: string): string =>
  (type && SURFACE_NODES[type].inputs.find(({ name }) => name === port)?.label) ?? port;
