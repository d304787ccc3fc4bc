/** Edits of parts of models: making them objects of their own, putting them back, and what becomes of them under another model. */
import { current, isDraft, type Draft } from 'immer';
import { IconiaError } from '../errors';
import { newPart } from '../kinds/objects/part';
import type { PartFacts } from '../schema/asset-schema';
import { anchorOf, parentOf, stackTree } from '../document/queries';
import { edit, type Edit } from '../document/edit';
import { modelOf, partsOf } from '../document/part-queries';
import { restOf } from '../placing/rest';
import type { Anchor, Effect, EffectObject, ModelAsset, ModelObject, ObjectId } from '../document/schema';
import { forget } from './forget';
import { hideInModel } from './hidden-parts';
import { makeRoom, objectWords } from './object-edits';
import { transplanted } from './stack-edits';

/** Whether part `i` hangs in part `outer`, or in anything that hangs in it. */
const hangsIn = (tree: readonly PartFacts[], i: number, outer: number): boolean => {
  for (let at = tree[i]?.above ?? null; at !== null; at = tree[at]?.above ?? null)
    if (at === outer) return true;
  return false;
};

/**
 * Makes a part of a model an object of its own, in its place, hidden where it was hidden. Parts within it that are objects already hang in
 * it from then on. `tree` is what was measured now, of a model that came in before parts were measured.
 * Throws `IconiaError` `model.no-such-part`, `effect.too-many-objects`.
 */
export const setApart = (
  effect: Effect,
  modelId: ObjectId,
  index: number,
  id: ObjectId,
  tree: PartFacts[] | null = null,
): Edit => {
  const model = effect.objects[modelId] as ModelObject;
  const asset = effect.assets[model.asset] as ModelAsset;
  const facts = asset.tree ?? tree ?? [];
  const own = facts[index];
  return edit(`Set ${own?.name || 'a part'} apart from ${model.name}`, (d) => {
    if (!own)
      throw new IconiaError(
        'model.no-such-part',
        `${model.name} has no such part among its first ${facts.length}. Nothing was changed.`,
      );
    const apart = partsOf(effect, modelId);
    if (apart.some((o) => o.part === index)) return;
    makeRoom(effect, 1);
    if (!asset.tree) (d.assets[asset.id] as Draft<ModelAsset>).tree = facts as Draft<PartFacts[]>;
    // The innermost of those around it.
    const holder =
      apart
        .filter((o) => o.part !== null && hangsIn(facts, index, o.part))
        .sort((a, b) => b.part! - a.part!)[0] ?? model;
    const isHidden = model.hiddenParts.includes(index);
    const anchor = anchorOf(effect, model);
    d.objects[id] = {
      ...newPart(id, { id: holder.id, anchor }, index, facts, index),
      visible: !isHidden,
    } as Draft<EffectObject>;
    if (isHidden) hideInModel(d, modelId, (hidden) => hidden.filter((part) => part !== index));
    for (const inner of apart)
      if (inner.parent === holder.id && inner.part !== null && hangsIn(facts, inner.part, index))
        d.objects[inner.id]!.parent = id;
  });
};

/** Parts are parts of their models again, as those have them; what hung in them hangs in what held them, and stays where it is seen. */
export const putBack = (effect: Effect, ids: readonly ObjectId[]): Edit =>
  edit(`Put ${objectWords(effect, ids)} back`, (d) => {
    const gone = new Set<ObjectId>();
    for (const id of ids) {
      const now = plain(d);
      const part = now.objects[id];
      const model = part && modelOf(now, part);
      const holder = part && parentOf(now, part);
      if (part?.kind !== 'part' || !model || !holder) continue;
      const rest = restOf(now);
      for (const child of stackTree(now).get(id) ?? []) {
        const draft = d.objects[child.id]!;
        // What is no part hangs in the nearest thing that holds such things.
        const to = child.kind === 'part' ? holder : holderOfThings(now, holder);
        const anchor = anchorOf(now, part);
        if (child.kind !== 'part')
          Object.assign(draft, transplanted(now, rest, child, to?.id ?? null, anchor));
        draft.parent = to?.id ?? null;
        draft.anchor = anchor as Draft<Anchor>;
      }
      const { part: index, visible } = part;
      if (index !== null && !visible) hideInModel(d, model.id, (hidden) => [...new Set([...hidden, index])]);
      delete d.objects[id];
      gone.add(id);
    }
    forget(d, effect, 'objects', gone);
  });

const holderOfThings = (effect: Effect, from: EffectObject): EffectObject | null => {
  for (let o: EffectObject | null = from; o; o = parentOf(effect, o)) if (o.kind !== 'model') return o;
  return null;
};
const plain = (d: Draft<Effect>): Effect => (isDraft(d) ? (current(d) as Effect) : (d as Effect));

/** The same part in another tree: of that name in that place, or the only one of that name; null where there is none. */
const sameIn = (
  from: readonly PartFacts[] | null,
  to: readonly PartFacts[] | null,
  index: number,
): number | null => {
  const name = from?.[index]?.name;
  // Of trees that nobody has measured, places are all that is known.
  if (name === undefined || !to) return index;
  if (to[index]?.name === name) return index;
  const named = to.flatMap((facts, i) => (facts.name === name ? [i] : []));
  return named.length === 1 ? named[0]! : null;
};

/** A model shows other content: its clip, its hidden parts and those set apart are those of the same names; a part without one says so. */
export const followModel = (d: Draft<Effect>, effect: Effect, id: ObjectId, to: ModelAsset): void => {
  const draft = d.objects[id];
  const model = effect.objects[id];
  if (draft?.kind !== 'model' || model?.kind !== 'model') return;
  if (!to.clips.some((c) => c.name === draft.clip)) draft.clip = to.clips[0]?.name ?? null;
  const old = effect.assets[model.asset];
  const from = old?.kind === 'model' ? old.tree : null;
  draft.hiddenParts = model.hiddenParts.flatMap((part) => sameIn(from, to.tree, part) ?? []);
  for (const part of partsOf(effect, id)) {
    const drafted = d.objects[part.id];
    if (drafted?.kind === 'part' && part.part !== null) drafted.part = sameIn(from, to.tree, part.part);
  }
};
