/** A picture that landed on the skin may be make-up over the whole face or a card on a spot of it: what it is now, and the way to the other. */
import { anchorOf, stackOrder } from '../../core/document/queries';
import type { AssetId, EffectObject } from '../../core/document/schema';
import { asCard, asFaceLayer, onFaceAs } from '../../core/edits/become';
import { useEffectStore } from '../stores/effect';

export interface SkinChoice {
  /** What it is now, as a sentence. */
  readonly is: string;
  /** What it could be, as a command. */
  readonly other: string;
  readonly become: () => void;
}

const MIDDLE: readonly [number, number] = [0.5, 0.55];

/** The choice for what shows an asset on the skin; null where nothing does. */
export const skinChoice = (asset: AssetId): SkinChoice | null => {
  const effectStore = useEffectStore();
  const { effect } = effectStore;
  // The same picture may stand elsewhere too.
  const isHere = (o: EffectObject): boolean =>
    (o.kind === 'layer' || o.kind === 'card') &&
    o.asset === asset &&
    anchorOf(effect, o).kind === 'skin' &&
    onFaceAs(effect, o) === 'makeUp';
  const object = stackOrder(effect).find(isHere);
  const anchor = object && anchorOf(effect, object);
  if (!object || anchor?.kind !== 'skin') return null;
  const { name, id } = object;
  return object.kind === 'layer'
    ? {
        is: `${name} lies over the whole face, as make-up.`,
        other: 'Stick it to a spot instead',
        become: () => void effectStore.edit(asCard(effectStore.effect, id, { ...anchor, spot: [...MIDDLE] })),
      }
    : {
        is: `${name} sticks to a spot of the skin.`,
        other: 'Lay it over the whole face instead',
        become: () => void effectStore.edit(asFaceLayer(effectStore.effect, id)),
      };
};
