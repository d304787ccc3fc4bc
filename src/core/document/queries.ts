/** Questions about a document that more than one screen asks. */
import type { AssetId, Card, Cue, Effect, EffectObject, ObjectId } from './schema';

/** Objects as the Stack shows them, what covers first. */
export const stackOrder = (effect: Effect): EffectObject[] =>
  Object.values(effect.objects).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

export const cueOrder = (effect: Effect): Cue[] =>
  Object.values(effect.cues).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** An order number above everything that stands in the Stack now. */
export const orderOnTop = (effect: Effect): number =>
  Object.values(effect.objects).reduce((least, o) => Math.min(least, o.order), 1) - 1;

/** Cues that act on the object. */
export const cuesActingOn = (effect: Effect, id: ObjectId): Cue[] =>
  cueOrder(effect).filter((cue) => cue.beats.some((beat) => beat.actions.some((a) => a.target === id)));

/** Cards that show the asset. */
export const cardsShowing = (effect: Effect, id: AssetId): Card[] =>
  stackOrder(effect).filter((o): o is Card => o.kind === 'card' && o.asset === id);

/** Assets the effect really uses: shown on a card, or the icon. */
export const usedAssets = (effect: Effect): AssetId[] => {
  const used = new Set<AssetId>();
  for (const o of Object.values(effect.objects)) if (o.kind === 'card') used.add(o.asset);
  if (effect.listing.icon) used.add(effect.listing.icon);
  return [...used];
};

/** A name that no object bears yet: "Kelp", "Kelp 2", "Kelp 3"... */
export const freeName = (effect: Effect, wanted: string): string => {
  const taken = new Set(Object.values(effect.objects).map((o) => o.name));
  if (!taken.has(wanted)) return wanted;
  const stem = wanted.replace(/ \d+$/, '').slice(0, 74);
  let n = 2;
  while (taken.has(`${stem} ${n}`)) n++;
  return `${stem} ${n}`;
};
