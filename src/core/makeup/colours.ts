/** Colours that are offered for what is on a face. */
import type { EffectObject } from '../document/schema';
import type { Hex } from '../units';
import { KIT, type KitGroup } from './kit';

/** Where colours are offered: beside a group of the kit, or beside what else goes on a face. */
export type ColoursGroup = KitGroup | 'more';

const EXTRA_COLOURS: Partial<Record<EffectObject['kind'], readonly Hex[]>> = {
  iris: ['#2f7f78', '#4f7fb5', '#8fb4c9', '#6b8f4e', '#a9793f', '#5b3a26', '#7a6aa8', '#b9c2c6'],
  lashes: ['#17130f', '#3a2418', '#1f3550', '#2f7f78', '#5b3a6e', '#8a3d5c'],
  hair: ['#a0473a', '#c98d4b', '#e3c48a', '#5a3a28', '#241a16', '#2f7f78', '#5b5f9a', '#b4557a', '#b9c2c6'],
};
const MOST = 10;

/** Where the colours of an object stand; null where none are offered for it. */
export const coloursGroup = (object: EffectObject): ColoursGroup | null => {
  if (object.kind in EXTRA_COLOURS) return 'more';
  if (object.kind !== 'layer') return null;
  return KIT.find((piece) => piece.layer.region === object.region)?.group ?? null;
};

/** Colours that suit an object on a face: of a layer, those of the pieces that lie where it does. */
export const coloursFor = (object: EffectObject): readonly Hex[] => {
  if (object.kind !== 'layer') return EXTRA_COLOURS[object.kind] ?? [];
  const fits = KIT.filter((piece) => piece.layer.region === object.region);
  const all = fits.flatMap((piece) => [piece.layer.tint ?? '#ffffff', ...piece.colours]);
  // What only shines has no colour.
  return [...new Set(all)].filter((colour) => colour !== '#ffffff').slice(0, MOST);
};
