/** What materials, surface circuits and their troubles are called. */
import type { Effect, MapSlot, Material, MaterialId, NodeId } from '../core/document/schema';
import { SURFACE_NODES, portLabel } from '../core/surface/catalogue';
import type { MaterialProblem } from '../core/surface/material-problems';

export const MAP_WORDS: Record<MapSlot | 'mask', string> = {
  base: 'Base colour',
  normal: 'Bumps (normal)',
  roughness: 'Roughness',
  metalness: 'Metalness',
  occlusion: 'Shaded hollows',
  glow: 'Glow',
  mask: 'Mask',
};
export const RECIPE_WORDS: Record<string, { readonly name: string; readonly note: string }> = {
  empty: { name: 'Empty board', note: 'only the surface, to be wired by hand' },
  contactShadow: { name: 'Contact shadow', note: 'a soft dark patch under something' },
  rimGlow: { name: 'Rim glow', note: 'light along the edge that turns away' },
  scanLines: { name: 'Running lines', note: 'bright lines that travel upwards' },
  dissolve: { name: 'Burn away', note: 'holes with a glowing rim, by the open mouth' },
  caustics: { name: 'Water light', note: 'the moving net of light on a pool floor' },
};

const portOf = (material: Material, node: NodeId, port: string): string => {
  const found = material.circuit?.[node];
  const name = found ? SURFACE_NODES[found.type].name : 'A node';
  return `${portLabel(found?.type, port)} of ${name}`;
};

/** A sentence about what is wrong, and what to do. */
export const problemWords = (material: Material, problem: MaterialProblem): string => {
  const { name } = material;
  switch (problem.code) {
    case 'lost-map':
      return `The picture for ${MAP_WORDS[problem.slot].toLowerCase()} of ${name} was deleted; it is drawn without. Choose another, or take it off.`;
    case 'odd-shape':
      return `The picture for ${MAP_WORDS[problem.slot].toLowerCase()} of ${name} has another shape than its base colour, so the two do not lie over each other. Choose one of the same shape, or take it off.`;
    case 'mask-without-alpha':
      return `${name} is masked by the transparency of a picture that has none, so nothing is hidden. Mask by its grey instead.`;
    case 'no-surface':
      return `The circuit of ${name} has no surface for its wires to end in. Start it anew from a recipe.`;
    case 'loop':
      return `Wires of ${name} run in a circle; the one into ${portOf(material, problem.node, problem.port)} is not followed. Take it off.`;
    case 'unwired':
      return `Nothing runs into ${portOf(material, problem.node, problem.port)}, so its own value counts. Draw a wire to it.`;
    case 'lost-wire':
      return `The wire into ${portOf(material, problem.node, problem.port)} comes from a node that is gone. Draw it anew, or take it off.`;
    case 'no-picture':
      return `A picture node of ${name} has no picture; it is white. Choose one on the node.`;
    case 'lost-picture':
      return `The picture of a node of ${name} was deleted. Choose another on the node.`;
    case 'idle':
      return `No wire leads from ${SURFACE_NODES[material.circuit![problem.node]!.type].name} to the surface, so it does nothing. Wire it, or delete it.`;
  }
};

export const materialNameOf = (effect: Effect, id: MaterialId): string =>
  effect.materials[id]?.name ?? 'a material that was deleted';
