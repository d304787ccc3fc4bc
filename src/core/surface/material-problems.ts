/** What is wrong with a material, as far as the document tells. */
import { sameShape } from '../assets/texture-sets';
import { MAP_SLOTS, type Effect, type MapSlot, type Material, type PictureSource } from '../document/schema';
import { planCircuit, type CircuitProblem } from './plan';

export type MaterialProblem =
  /** A picture of it was deleted, or is no picture. */
  | { readonly code: 'lost-map'; readonly slot: MapSlot | 'mask' }
  /** Of another shape than the base picture. */
  | { readonly code: 'odd-shape'; readonly slot: MapSlot | 'mask' }
  /** Is to mask by its transparency, and cannot have any. */
  | { readonly code: 'mask-without-alpha' }
  | CircuitProblem;

const pictureOf = (effect: Effect, source: PictureSource | null) => {
  const asset = source?.from === 'asset' ? effect.assets[source.asset] : undefined;
  return asset?.kind === 'picture' ? asset : null;
};

/** Everything that is wrong with a material, or does nothing. */
export const materialProblems = (effect: Effect, material: Material): MaterialProblem[] => {
  const problems: MaterialProblem[] = [];
  const slots = [
    ...MAP_SLOTS.map((slot) => ({ slot, source: material.maps[slot] })),
    ...(material.mask ? [{ slot: 'mask' as const, source: material.mask.picture }] : []),
  ];
  const base = pictureOf(effect, material.maps.base);
  for (const { slot, source } of slots) {
    if (source?.from !== 'asset') continue;
    const picture = pictureOf(effect, source);
    if (!picture) problems.push({ code: 'lost-map', slot });
    else if (base && !sameShape(picture, base)) problems.push({ code: 'odd-shape', slot });
  }
  if (
    material.mask?.by === 'alpha' &&
    pictureOf(effect, material.mask.picture)?.files[0]?.mime === 'image/jpeg'
  )
    problems.push({ code: 'mask-without-alpha' });
  if (material.circuit)
    problems.push(
      ...planCircuit(material.circuit, (id) => effect.assets[id as never] !== undefined).problems,
    );
  return problems;
};

/** Those that leave something out of the picture; the others are worth a look. */
const SERIOUS: ReadonlySet<MaterialProblem['code']> = new Set([
  'lost-map',
  'loop',
  'lost-wire',
  'lost-picture',
  'no-picture',
  'no-surface',
]);
/** Whether a problem is seen in the picture. */
export const isSerious = (problem: MaterialProblem): boolean => SERIOUS.has(problem.code);
