/** What tests of edits share. */
import { transformPoint } from '../maths/matrix';
import type { Vec3 } from '../maths/vec3';
import { restMatrix, restOf } from '../placing/rest';
import { box, effectWith } from '../placing/testing';
import { headAnchor } from '../kinds/objects/placed';
import { applyEdit, type Edit } from '../document/edit';
import { stackOrder } from '../document/queries';
import type { Anchor, Effect, ObjectId } from '../document/schema';

/** Makes ids with a prefix, one after the other. */
export const idsInTurn = (): ((kind: string) => string) => {
  let n = 0;
  return (kind) => `${kind}_made${n++}`;
};

export const after = (effect: Effect, edit: Edit): Effect => applyEdit(effect, edit).effect;

export const namesOf = (effect: Effect): string[] => stackOrder(effect).map((o) => o.name);

/** Where a point of an object is seen, in the rest space of what it sticks to. */
export const seenAt = (effect: Effect, one: ObjectId, p: Vec3 = [0.01, 0.02, 0.03]): Vec3 =>
  transformPoint(restMatrix(restOf(effect), one), p);

export const CHIN = headAnchor('chin');
export const FLOOR: Anchor = { kind: 'world', surface: 'floor' };

/** One on the chin, one on the crown, one on the floor. */
export const three = (): Effect =>
  effectWith([
    box('aaaa', CHIN, { order: 0, move: [0.1, 0, 0], turn: [0, 30, 0] }),
    box('bbbb', headAnchor('crown'), { order: 1, move: [0, 0.1, 0] }),
    box('cccc', FLOOR, { order: 2 }),
  ]);
