/**
 * A part of a model that is an object of its own: it hangs in the model, or in another of its parts, and has a place, a pivot, materials and
 * cues beside it. Without it the part stays as the model has it.
 */
import { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import type { ModelAsset, PartFacts } from '../../schema/asset-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { share } from '../../schema/properties';
import { middleOf, type Box } from '../../maths/box';
import { distance, type Vec3 } from '../../maths/vec3';
import { slotMaterials } from './model';
import { defineObject, type Around } from './object-kind';
import { placed } from './placed';

/** Deeper than parts hang in each other in any file. */
const DEEPEST = 200;

/** The asset of the model that a part belongs to; null where it hangs in none, or the asset is gone. */
export const modelAssetOf = (
  { parent }: { readonly parent: string | null },
  { assets, objects }: Around,
): ModelAsset | null => {
  let above = parent === null ? undefined : objects[parent];
  for (let i = 0; above && above.kind !== 'model' && i < DEEPEST; i++)
    above = above.parent === null ? undefined : objects[above.parent];
  const asset = above?.kind === 'model' && above.asset ? assets[above.asset] : undefined;
  return asset?.kind === 'model' ? asset : null;
};

/** What is known of the part; null where its model has none there. */
export const partFactsOf = (
  part: { readonly parent: string | null; readonly part: number | null },
  around: Around,
): PartFacts | null => (part.part === null ? null : modelAssetOf(part, around)?.tree?.[part.part]) ?? null;

export const part = defineObject({
  kind: 'part',
  fields: {
    /** Its place in the part tree of the model; null when the model that is shown now has no such part. */
    part: z.number().int().min(0).max(100_000).nullable(),
    opacity: share('Opacity'),
    /** What it wears instead of what the model wears. */
    materials: slotMaterials,
  },
  isSeen: true,
  drawn: 'solid',
  drawnBy: ['models', 'surfaces'],
  isTouched: true,
  onFace: false,
  holds: ['things', 'parts'],
  isPart: true,
  rests: 'inPlace',
  bounds: (object, around) => partFactsOf(object, around)?.box ?? null,
});
export type Part = z.infer<typeof part.schema>;

/** Whether the own origin lies in the box, or at most `slack` of its longest side outside. */
const isWithin = ({ low, high }: Box, slack: number): boolean => {
  const air = slack * Math.max(...high.map((h, k) => h - low[k]!)) + 1e-4;
  return [0, 1, 2].every((k) => low[k]! <= air && high[k]! >= -air);
};

/**
 * The point a part turns about at first: its own origin, as the hinge of a lid, that may lie beside it; or its middle, where nobody gave it
 * an origin: that lies where the one above has its own, and outside of the part.
 */
const firstPivot = ({ origin, box }: PartFacts, above: PartFacts | null): Vec3 => {
  if (!box || isWithin(box, 0.05)) return [0, 0, 0];
  const isGiven = distance(origin, above?.origin ?? [0, 0, 0]) > 1e-4;
  return isGiven && isWithin(box, 0.5) ? [0, 0, 0] : middleOf(box);
};

/** A part as an object of its own, in its place in the model. `index` is its place in the part tree. */
export const newPart = (
  id: ObjectId,
  holder: { readonly id: ObjectId; readonly anchor: Anchor },
  index: number,
  tree: readonly PartFacts[],
  order: number,
): Part => {
  const facts = tree[index]!;
  const pivot = firstPivot(facts, facts.above === null ? null : tree[facts.above]!);
  return {
    ...placed(id, facts.name || `Part ${index + 1}`, order, holder.anchor),
    kind: 'part',
    parent: holder.id,
    depthWrite: true,
    pivot: [...pivot],
    move: [...pivot],
    part: index,
    opacity: 1,
    materials: {},
  };
};
