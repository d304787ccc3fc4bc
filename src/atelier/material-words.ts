/** What materials, surface circuits and their troubles are called. */
import type { Effect, MapSlot, Material, MaterialId, NodeId, NodeType } from '../core/document/schema';
import type { MaterialProblem } from '../core/surface/material-problems';

export const SHADING_WORDS: Record<Material['shading'], string> = {
  lit: 'By the lights',
  camera: 'As the camera picture is',
  unlit: 'By nothing',
};
export const ALPHA_WORDS: Record<Material['alpha'], string> = {
  opaque: 'Covers everything',
  blend: 'Lets through',
  cutoff: 'Cut out sharply',
};
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

export type NodeGroup = 'Surface' | 'From the point' | 'Values' | 'Shapes' | 'Patterns' | 'Sums' | 'Points';
/** `note` says what comes out. */
export const NODE_WORDS: Record<
  NodeType,
  { readonly name: string; readonly group: NodeGroup; readonly note: string }
> = {
  surface: { name: 'Surface', group: 'Surface', note: 'what the material looks like' },
  place: { name: 'Place', group: 'From the point', note: 'where on the surface, 0 to 1 from the upper left' },
  position: { name: 'Position', group: 'From the point', note: 'where in the object, in metres' },
  normal: { name: 'Normal', group: 'From the point', note: 'which way it faces, in the object' },
  facing: { name: 'Facing', group: 'From the point', note: '1 towards the viewer, 0 at the rim' },
  view: { name: 'View', group: 'From the point', note: 'the direction towards the viewer, in the object' },
  time: { name: 'Time', group: 'From the point', note: 'seconds since the effect started' },
  signal: { name: 'Signal', group: 'From the point', note: 'an expression of the face, or the opacity' },
  number: { name: 'Number', group: 'Values', note: 'a number to drag' },
  colour: { name: 'Colour', group: 'Values', note: 'a colour to choose' },
  picture: { name: 'Picture', group: 'Values', note: 'a picture, or the camera' },
  circle: { name: 'Circle', group: 'Shapes', note: 'distance to its edge, below 0 inside' },
  box: { name: 'Box', group: 'Shapes', note: 'distance to its edge, below 0 inside' },
  star: { name: 'Star', group: 'Shapes', note: 'distance to its edge, below 0 inside' },
  text: { name: 'Words', group: 'Shapes', note: 'distance to the edge of letters' },
  noise: { name: 'Noise', group: 'Patterns', note: 'smooth chance, 0 to 1' },
  cells: { name: 'Cells', group: 'Patterns', note: 'distance to the nearest of strewn points' },
  gradient: { name: 'Gradient', group: 'Patterns', note: '0 to 1 across the surface' },
  stripes: { name: 'Stripes', group: 'Patterns', note: '1 on a stripe, 0 between' },
  smoothstep: { name: 'Soft step', group: 'Sums', note: 'from 0 to 1 between two values' },
  maths: { name: 'Sum', group: 'Sums', note: 'two numbers into one' },
  remap: { name: 'Other range', group: 'Sums', note: 'a range stretched to another' },
  mix: { name: 'Mix', group: 'Sums', note: 'from one colour to another' },
  colourMaths: { name: 'Colour sum', group: 'Sums', note: 'two colours into one' },
  brightness: { name: 'Brightness', group: 'Sums', note: 'how bright a colour is' },
  length: { name: 'Length', group: 'Sums', note: 'how long a vector is' },
  dot: { name: 'Towards', group: 'Sums', note: 'how far one vector points along another' },
  shift: { name: 'Shift', group: 'Points', note: 'moves, sizes and turns what comes after' },
  joinPoint: { name: 'Join point', group: 'Points', note: 'x and y into a place' },
  splitPoint: { name: 'Split point', group: 'Points', note: 'a place into x and y' },
  joinVector: { name: 'Join vector', group: 'Points', note: 'x, y and z into a vector' },
  splitVector: { name: 'Split vector', group: 'Points', note: 'a vector into x, y and z' },
};
/** Ports whose names say too little, or are no words. */
const PORT_WORDS: Record<string, string> = {
  newLow: 'new low',
  newHigh: 'new high',
  bulge: 'bulge, m',
  offset: 'offset, m',
  turn: 'turn, °',
};
export const portWords = (name: string): string => PORT_WORDS[name] ?? name;
export const CHOICE_WORDS: Record<string, string> = {
  add: 'a + b',
  subtract: 'a − b',
  multiply: 'a × b',
  divide: 'a ÷ b',
  power: 'a to the power b',
  minimum: 'the lesser',
  maximum: 'the greater',
  remainder: 'remainder of a ÷ b',
  wave: 'wave of a turns',
  absolute: 'a without sign',
  fraction: 'fraction of a',
  whole: 'a rounded down',
  rest: '1 − a',
  atLeast: '1 if a ≥ b',
  screen: 'screen',
  linear: 'straight',
  radial: 'from the middle',
  around: 'around the middle',
};

const portOf = (material: Material, node: NodeId, port: string): string => {
  const found = material.circuit?.[node];
  const name = found ? NODE_WORDS[found.type].name : 'A node';
  return `${portWords(port)} of ${name}`;
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
      return `No wire leads from ${NODE_WORDS[material.circuit![problem.node]!.type].name} to the surface, so it does nothing. Wire it, or delete it.`;
  }
};

export const materialNameOf = (effect: Effect, id: MaterialId): string =>
  effect.materials[id]?.name ?? 'a material that was deleted';
