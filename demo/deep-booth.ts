/**
 * Deep Booth, first version: a photo booth at the bottom of a tide pool. Deep water behind the visitor, two shadows of
 * the same visitor in it, light from above and the net of light that water throws, bubbles when the mouth opens, and
 * everything under one grade.
 */
import { newCue } from '../src/core/document/new-cues';
import { newAction } from '../src/core/kinds/actions/actions';
import { blankEffect } from '../src/core/document/defaults';
import { newMaterial } from '../src/core/document/new-material';
import { newCard } from '../src/core/kinds/objects/card';
import { newFill } from '../src/core/kinds/objects/fill';
import { newGrade } from '../src/core/kinds/objects/grade';
import { newLive } from '../src/core/kinds/objects/live';
import { newText } from '../src/core/kinds/objects/text';
import type {
  Asset,
  CueId,
  Effect,
  EffectObject,
  GradeStep,
  Live,
  MaterialId,
  NodeId,
  ObjectId,
  PictureAsset,
  SequenceAsset,
  TableAsset,
} from '../src/core/document/schema';
import { CIRCUIT_RECIPES } from '../src/core/surface/recipes';

export interface BoothAssets {
  readonly water: PictureAsset;
  readonly bubbles: SequenceAsset;
  readonly deep: TableAsset;
  readonly icon: PictureAsset;
}

const id = (name: string): ObjectId => `obj_booth-${name}` as ObjectId;
const BACKDROP = { kind: 'backdrop' } as const;

/** Another of the visitor, farther down in the water. */
const shadow = (name: string, order: number, n: number, flip: boolean): Live => ({
  ...newLive(id(name), 'person', order, BACKDROP, n),
  name: n === 0 ? 'Visitor, left' : 'Visitor, right',
  move: [n === 0 ? -0.024 : 0.024, -0.0224, 0],
  scale: [0.72, 0.72, 0.72],
  flip,
  tint: '#5f98a8',
  opacity: 0.75,
  blur: 0.08,
});

const steps = (table: TableAsset): GradeStep[] => [
  { id: 'step_exposure', on: true, kind: 'exposure', stops: 0.25 },
  { id: 'step_table', on: true, kind: 'table', asset: table.id, strength: 0.45 },
  { id: 'step_bloom', on: true, kind: 'bloom', above: 0.72, strength: 0.45, reach: 0.5 },
  { id: 'step_vignette', on: true, kind: 'vignette', amount: 0.5, begin: 0.42, softness: 0.6 },
  { id: 'step_grain', on: true, kind: 'grain', amount: 0.18, size: 1.4 },
];

export const deepBooth = ({ water, bubbles, deep, icon }: BoothAssets): Effect => {
  const rising = {
    ...newCard(id('bubbles'), bubbles, 2, { kind: 'screen', pin: 'bottom' }),
    name: 'Bubbles',
    move: [0, 0.06, 0] as [number, number, number],
    scale: [1.6, 1.6, 1.6] as [number, number, number],
    blend: 'screen' as const,
    visible: false,
  };
  const recipe = CIRCUIT_RECIPES.find((r) => r.key === 'caustics')!;
  let nodes = 0;
  const net = newMaterial('mat_booth-net' as MaterialId, 'Water light', {
    ...recipe.look,
    circuit: recipe.circuit(() => `node_booth${nodes++}` as NodeId),
  });
  const objects: EffectObject[] = [
    { ...newGrade(id('grade'), 0, steps(deep)), name: 'Under water' },
    {
      ...newText(id('words'), 'DEEP BOOTH', 1, { kind: 'screen', pin: 'bottom' }),
      move: [0, 0.011, 0],
      size: 0.006,
      spacing: 0.5,
      colour: '#d9f1ee',
      opacity: 0.9,
    },
    rising,
    {
      ...newFill(id('light'), 3, { kind: 'screen', pin: 'centre' }),
      name: 'Light from above',
      fit: 'stretch',
      tint: '#0d3a4a',
      to: '#bff3ea',
      blend: 'soft-light',
      opacity: 0.7,
    },
    {
      ...newFill(id('net'), 3.5, { kind: 'head', face: 1, point: 'headCentre', grows: true }),
      name: 'Water light',
      extent: [0.3, 0.36],
      move: [0, -0.01, 0.13],
      material: net.id,
      blend: 'plus-lighter',
      opacity: 0.4,
    },
    shadow('left', 4, 0, false),
    shadow('right', 5, 1, true),
    { ...newCard(id('water'), water, 6, BACKDROP), name: 'Deep water', fit: 'cover' },
  ];
  const assets: Asset[] = [water, bubbles, deep, icon];
  const cue = (name: string, order: number, kind: 'mouthOpens' | 'mouthCloses', action: 'show' | 'hide') =>
    newCue(`cue_booth-${name}` as CueId, kind, order, [
      { id: `beat_booth-${name}`, actions: [newAction(`act_booth-${name}`, action, rising.id)] },
    ]);
  const cues = [cue('open', 0, 'mouthOpens', 'show'), cue('close', 1, 'mouthCloses', 'hide')];
  return {
    ...blankEffect('Deep Booth'),
    objects: Object.fromEntries(objects.map((o) => [o.id, o])),
    assets: Object.fromEntries(assets.map((a) => [a.id, a])),
    materials: { [net.id]: net },
    cues: Object.fromEntries(cues.map((c) => [c.id, c])),
    backdrop: { feather: 0.06, grow: -0.06, invert: false, spill: 1 },
    listing: {
      summary: 'A photo booth at the bottom of a tide pool. Open your mouth and breathe out.',
      tags: ['low tide nights', 'backdrop', 'water'],
      icon: icon.id,
    },
  } as Effect;
};
