/** Edits of cutouts: what of them is seen, and what they lie on. */
import type { Draft } from 'immer';
import { changed, edit, type Edit } from '../document/edit';
import { anchorOf, parentOf, stackOrder } from '../document/queries';
import type { Cutout, Effect, EffectObject, ObjectId } from '../document/schema';
import { partExtent } from '../face/cutout';
import { newCutout } from '../kinds/objects/cutout';
import { kindOf, mayHangIn } from '../kinds/objects/objects';
import { column, invertMatrix, transformDirection } from '../maths/matrix';
import { add, length, scale, type Vec3 } from '../maths/vec3';
import { restMatrix, restOf } from '../placing/rest';
import { reshape } from './object-edits';
import { moveInStack } from './stack-edits';

/** What of a cutout decides what is seen in its window. */
type Change = Partial<Pick<Cutout, 'part' | 'outline' | 'inner' | 'outer' | 'face' | 'made' | 'flip'>>;

/** The cutout after a change, its window grown with the part so that what is seen keeps its size. */
export const cutoutAfter = (cutout: Cutout, change: Change): Cutout => {
  const next = { ...cutout, ...change };
  const was = partExtent(cutout.part, cutout.outer, cutout.outline);
  const is = partExtent(next.part, next.outer, next.outline);
  // A window that was pulled out of shape keeps its proportions to the part.
  const [kx, ky] = [cutout.extent[0] / was[0], cutout.extent[1] / was[1]];
  return { ...next, extent: [is[0] * kx, is[1] * ky] };
};

/** Changes what of a cutout is seen; see `cutoutAfter`. */
export const changeCutout = (effect: Effect, id: ObjectId, change: Change): Edit => {
  const object = effect.objects[id];
  if (object?.kind !== 'cutout') return reshape(effect, id, 'cutout', {});
  const { extent } = cutoutAfter(object, change);
  return reshape(effect, id, 'cutout', { ...change, extent });
};

/** Whether cutouts may lie on a thing, and keep their place there: it is seen, and holds things. */
const isLainOn = (cutout: Cutout, thing: EffectObject): boolean =>
  kindOf(thing).isSeen && mayHangIn(cutout, thing);

/** What a cutout may lie on: cards, models and solids around the same face, the topmost first. */
export const thingsUnder = (effect: Effect, cutout: Cutout): EffectObject[] => {
  const on = anchorOf(effect, cutout);
  return stackOrder(effect).filter((thing) => {
    const anchor = anchorOf(effect, thing);
    const near = 'face' in on ? 'face' in anchor && anchor.face === on.face : anchor.kind === on.kind;
    return near && isLainOn(cutout, thing);
  });
};

/** The card, the model or the solid that a cutout lies on; null where it lies on none. */
export const thingUnder = (effect: Effect, cutout: Cutout): EffectObject | null => {
  const parent = parentOf(effect, cutout);
  return parent && kindOf(parent).isSeen ? parent : null;
};

/** How far before a card it lies, metres. */
const BEFORE = 0.0015;
/** Along which whoever looks at the face from the front looks at it, in the rest space of a head. */
const TOWARDS_VIEWER: Vec3 = [0, 0, 1];

/**
 * Lays a cutout on a thing: it moves, turns, grows and fades with that from then on. Seen from the front it stays where it is; on a card it
 * lies in its plane. Null takes it off, back to its place on the face.
 */
export const layCutoutOn = (effect: Effect, id: ObjectId, thing: ObjectId | null): Edit => {
  const object = effect.objects[id];
  const under = thing === null ? null : effect.objects[thing];
  const name = object?.name ?? 'cutout';
  const label = under ? `Lay ${name} on ${under.name}` : `Take ${name} off`;
  return edit(label, (d) => {
    if (object?.kind !== 'cutout' || (thing !== null && !(under && isLainOn(object, under)))) return;
    if (!under) {
      const anchor = anchorOf(effect, object);
      const own = newCutout(id, object.part, object.order);
      const back = 'face' in anchor && 'face' in own.anchor ? { ...own.anchor, face: anchor.face } : anchor;
      moveInStack(effect, [id], { parent: null, before: null, anchor: back }).change(d);
      if ('face' in back) Object.assign(d.objects[id]!, { move: own.move, turn: own.turn, scale: own.scale });
      return;
    }
    moveInStack(effect, [id], { parent: under.id, before: null, anchor: null }).change(d);
    if (kindOf(under).drawn !== 'flat') return;
    const draft = d.objects[id] as Draft<Cutout>;
    const rest = restOf(effect);
    const card = restMatrix(rest, under.id);
    const into = invertMatrix(card);
    if (!into) return;
    const along = transformDirection(into, TOWARDS_VIEWER);
    const wanted = BEFORE / Math.max(1e-6, length(column(card, 2)));
    const steps = Math.abs(along[2]) > 0.05 * length(along) ? (wanted - draft.move[2]) / along[2] : 0;
    draft.move = [...add(draft.move, scale(along, steps))] as [number, number, number];
    draft.move[2] = wanted;
    draft.turn = [0, 0, draft.turn[2]];
  });
};

/** A new cutout on a thing, where the part is on the face. */
export const addedOn = (effect: Effect, cutout: Cutout, thing: ObjectId): Cutout => {
  const there: Effect = { ...effect, objects: { ...effect.objects, [cutout.id]: cutout } };
  return changed(there, layCutoutOn(there, cutout.id, thing)).objects[cutout.id] as Cutout;
};
