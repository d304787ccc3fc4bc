/** Edits of face morphs: shapes kept by themselves, and mixed by cues. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import { newCue } from '../document/new-cues';
import { anchorOf, cueOrder, freeName, orderBetween, stackOrder } from '../document/queries';
import {
  MOST_CUES,
  type Action,
  type CueId,
  type Effect,
  type EffectObject,
  type Morph,
  type ObjectId,
} from '../document/schema';
import { IconiaError } from '../errors';
import { newAction } from '../kinds/actions/actions';
import { makeRoom } from './object-edits';

/** The shapes of the face that a morph reshapes, the topmost first, itself among them. */
export const shapesBeside = (effect: Effect, morph: EffectObject): Morph[] => {
  const on = anchorOf(effect, morph);
  return stackOrder(effect).filter((o): o is Morph => {
    const anchor = anchorOf(effect, o);
    return o.kind === 'morph' && 'face' in anchor && 'face' in on && anchor.face === on.face;
  });
};

/** Whether there is anything of a morph that could be kept. */
export const hasShape = ({ sliders, mesh }: Morph): boolean =>
  Object.keys(sliders).length > 0 || mesh !== null;

/**
 * What the sliders and the mesh of a morph make becomes a morph of its own just below, as strong as it is; the sliders begin again at 0. The
 * face looks as before. Nothing where there is no shape to keep.
 */
export const keepShape = (effect: Effect, id: ObjectId, newId: ObjectId): Edit =>
  edit(`Keep the shape of ${effect.objects[id]?.name ?? 'morph'}`, (d) => {
    const morph = effect.objects[id];
    const draft = d.objects[id];
    if (morph?.kind !== 'morph' || draft?.kind !== 'morph' || !hasShape(morph)) return;
    makeRoom(effect, 1);
    const all = stackOrder(effect).filter((o) => o.parent === morph.parent);
    const below = all[all.findIndex((o) => o.id === id) + 1];
    const order =
      below && below.order > morph.order ? orderBetween(morph.order, below.order) : morph.order + 1;
    const kept: Morph = { ...morph, id: newId, order, name: freeName(effect, 'Shape') };
    d.objects[newId] = kept as Draft<Morph>;
    Object.assign(draft, { sliders: {}, mesh: null, material: null });
  });

/** How long the face takes from shape to shape. */
const SECONDS = 1;

/** Whether some cue takes the face out of a shape: it is meant to be there before. */
const isTakenOut = (effect: Effect, id: ObjectId): boolean =>
  Object.values(effect.cues).some((cue) =>
    cue.beats.some((beat) =>
      beat.actions.some(
        (a) =>
          a.kind === 'number' &&
          a.property === 'amount' &&
          a.mode === 'to' &&
          a.value === 0 &&
          a.targets.includes(id),
      ),
    ),
  );

/**
 * A cue that brings the face to one of its shapes, as strong as that was, and takes it out of the others, when the screen is tapped; what it
 * sets off can be changed like everything in a cue. The face begins without the shape, unless a cue takes it out of it.
 */
export const cueToShape = (
  effect: Effect,
  id: ObjectId,
  cueId: CueId,
  newPartId: (prefix: string) => string,
): Edit =>
  edit(`Cue to ${effect.objects[id]?.name ?? 'shape'}`, (d) => {
    const morph = effect.objects[id];
    if (morph?.kind !== 'morph') return;
    if (Object.keys(effect.cues).length >= MOST_CUES)
      throw new IconiaError(
        'effect.too-many-cues',
        `An effect holds ${MOST_CUES} cues. Delete some first; nothing was added.`,
      );
    const goes = (to: number, targets: readonly Morph[]): Action => ({
      ...newAction(newPartId('act'), 'number', null),
      kind: 'number',
      targets: targets.map((o) => o.id),
      property: 'amount',
      mode: 'to',
      value: to,
      duration: SECONDS,
      easing: 'inOut',
    });
    const others = shapesBeside(effect, morph).filter((o) => o.id !== id && hasShape(o));
    const order = (cueOrder(effect).at(-1)?.order ?? 0) + 1;
    const actions = [goes(morph.amount || 1, [morph]), ...(others.length > 0 ? [goes(0, others)] : [])];
    const cue = newCue(cueId, 'screenTapped', order, [{ id: newPartId('beat'), actions }]);
    d.cues[cueId] = { ...cue, name: freeCueName(effect, `To ${morph.name}`) } as Draft<typeof cue>;
    const draft = d.objects[id];
    if (draft?.kind === 'morph' && !isTakenOut(effect, id)) draft.amount = 0;
  });

const freeCueName = (effect: Effect, wanted: string): string => {
  const taken = new Set(Object.values(effect.cues).map((c) => c.name));
  let name = wanted;
  for (let n = 2; taken.has(name); n++) name = `${wanted} ${n}`;
  return name.slice(0, 80);
};
