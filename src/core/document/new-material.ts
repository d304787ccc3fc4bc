/** Materials as they are before a creator changes anything. */
import type { SurfaceCircuit, SurfaceNode, Material, MaterialId, NodeId, SurfaceNodeType } from './schema';
import { cutText } from '../text';

/** A matt white sheet. */
export const newMaterial = (id: MaterialId, name: string, change: Partial<Material> = {}): Material => ({
  shading: 'lit',
  colour: '#ffffff',
  opacity: 1,
  alpha: 'opaque',
  cutoff: 0.5,
  doubleSided: false,
  maps: { base: null, normal: null, occlusion: null, roughness: null, metalness: null, glow: null },
  mask: null,
  roughness: 0.7,
  metalness: 0,
  normalStrength: 1,
  normalDown: false,
  occlusionStrength: 1,
  glow: '#000000',
  glowStrength: 1,
  clearcoat: 0,
  clearcoatRoughness: 0.1,
  sheen: '#000000',
  sheenRoughness: 0.4,
  transmission: 0,
  ior: 1.5,
  thickness: 0,
  uv: { offset: [0, 0], repeat: [1, 1], turn: 0 },
  circuit: null,
  ...change,
  id,
  name: cutText(name, 80),
});

/** A node at a place of the board, with nothing wired. */
export const newSurfaceNode = (
  id: NodeId,
  type: SurfaceNodeType,
  at: readonly [number, number],
  change: Partial<Omit<SurfaceNode, 'id' | 'type' | 'at'>> = {},
): SurfaceNode => ({ values: {}, inputs: {}, picture: null, ...change, id, type, at: [at[0], at[1]] });

/** A circuit of nodes. */
export const circuitOf = (nodes: readonly SurfaceNode[]): SurfaceCircuit =>
  Object.fromEntries(nodes.map((node) => [node.id, node])) as SurfaceCircuit;
