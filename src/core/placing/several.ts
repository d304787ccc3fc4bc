/** Several things that are placed at once: none of them in the spot of another. Metres. */
import type { Anchor, Asset, Effect, EffectObject } from '../document/schema';
import { boxOf } from './bounds';

/** Pictures of one size lie this far before each other, as a share of their width. */
const LAYER_STEP = 0.04;
/** Air between neighbours, as a share of the wider one. */
const GAP = 0.15;

/** Pixels of what a card shows, as one word; null for what is no card. */
const sizeKey = (assets: Effect['assets'], object: EffectObject): string | null => {
  const asset: Asset | undefined = object.kind === 'card' ? assets[object.asset] : undefined;
  return asset && 'width' in asset ? `${asset.width} x ${asset.height}` : null;
};

/** Whether things on it have places of their own: on the backdrop each covers all of it. */
const isRoomy = ({ kind }: Anchor): boolean => kind !== 'backdrop';

/**
 * New objects of one anchor, in the order in which they came, moved apart. Cards whose pictures have the same size are layers: the first
 * lies farthest back, the others in small steps before it. Everything else, and each such pile, stands side by side from left to right.
 * Sounds, lights and whatever has no size of its own stay where they are.
 */
export const placedApart = (
  effect: Pick<Effect, 'assets'>,
  objects: readonly EffectObject[],
): EffectObject[] => {
  const piles: { key: string | null; objects: EffectObject[]; width: number }[] = [];
  for (const object of objects) {
    const box = object.kind === 'card' || object.kind === 'model' ? boxOf(effect, object) : null;
    if (!box || !isRoomy(object.anchor)) continue;
    const key = sizeKey(effect.assets, object);
    const pile = key === null ? undefined : piles.find((p) => p.key === key);
    const width = (box.high[0] - box.low[0]) * Math.abs(object.scale[0]);
    if (pile) pile.objects.push(object);
    else piles.push({ key, objects: [object], width });
  }
  const moved = new Map<EffectObject, EffectObject['move']>();
  const gaps = piles.slice(1).map(({ width }, i) => GAP * Math.max(width, piles[i]!.width));
  const total = piles.reduce((sum, { width }) => sum + width, 0) + gaps.reduce((sum, gap) => sum + gap, 0);
  let left = -total / 2;
  piles.forEach(({ objects: layers, width }, i) => {
    const x = piles.length > 1 ? left + width / 2 : 0;
    left += width + (gaps[i] ?? 0);
    layers.forEach((object, k) => {
      const depth = object.anchor.kind === 'screen' ? 0 : k * LAYER_STEP * width;
      moved.set(object, [object.move[0] + x, object.move[1], object.move[2] + depth]);
    });
  });
  return objects.map((object) => {
    const move = moved.get(object);
    return move ? { ...object, move } : object;
  });
};
