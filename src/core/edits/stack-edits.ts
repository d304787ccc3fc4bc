/** Edits of the Stack: order, groups, what things stick to. Objects keep the pose in which they are seen. */
import type { Draft } from 'immer';
import { placedIn, sameSurroundings } from '../placing/keep-pose';
import { boundedMove, boundedScale, boundedTurn } from '../schema/limits';
import { anchorBase, restMatrix, restOf, type Rest } from '../placing/rest';
import { newGroup } from '../kinds/objects/group';
import { makeRoom, objectWords } from './object-edits';
import { edit, type Edit } from '../document/edit';
import {
  anchorOf,
  freeName,
  orderBetween,
  parentOf,
  sceneOf,
  stackOrder,
  stackTree,
  withDescendants,
} from '../document/queries';
import { IconiaError } from '../errors';
import { kindOf, mayHangIn, restingPlace } from '../kinds/objects/objects';
import { cardExtent } from '../kinds/objects/resting';
import type { Anchor, Effect, EffectObject, ObjectId } from '../document/schema';

/** Of the given objects those that hang in none of the others, in the order of the Stack. */
export const outermostOf = (effect: Effect, ids: readonly ObjectId[]): EffectObject[] => {
  const chosen = new Set(ids);
  return stackOrder(effect).filter((object) => {
    if (!chosen.has(object.id)) return false;
    for (let up = parentOf(effect, object); up; up = parentOf(effect, up))
      if (chosen.has(up.id)) return false;
    return true;
  });
};

/** A place in the Stack: before the object named, or last, in a group or on an anchor. */
export interface StackPlace {
  readonly parent: ObjectId | null;
  readonly before: ObjectId | null;
  /** What it sticks to when it hangs in no group. */
  readonly anchor: Anchor | null;
}

/** Numbers siblings anew, as few of them as possible. */
const renumber = (d: Draft<Effect>, ids: readonly ObjectId[]): void =>
  ids.forEach((id, i) => {
    const object = d.objects[id]!;
    if (object.order !== i) object.order = i;
  });

/** The object where it now is, written down for another anchor or group; anew where the surroundings differ. */
export const transplanted = (
  effect: Effect,
  rest: Rest,
  object: EffectObject,
  parent: ObjectId | null,
  anchor: Anchor,
): Partial<EffectObject> => {
  if (!sameSurroundings(anchorOf(effect, object), anchor)) return settled(effect, object, anchor);
  const base = parent ? restMatrix(rest, parent) : anchorBase(rest, anchor);
  const { move, turn, scale } = placedIn(base, restMatrix(rest, object.id), object);
  return { move: boundedMove(move), turn: boundedTurn(turn), scale: boundedScale(scale) };
};

/** The object as a new one of its kind lies on the anchor. */
const settled = (effect: Effect, object: EffectObject, anchor: Anchor): Partial<EffectObject> => {
  // A card is as large as a new one there.
  const there =
    object.kind === 'card'
      ? { ...object, extent: cardExtent(object.extent[0] / object.extent[1], anchor) }
      : object;
  return {
    ...restingPlace(there, anchor, effect.assets),
    scale: [1, 1, 1],
    ...(there.kind === 'card' ? { extent: there.extent } : {}),
  } as Partial<EffectObject>;
};

/**
 * Moves objects to another place of the Stack. In a group, or on another point of the same head, picture or surface,
 * they stay where they are seen; on something else they lie as new ones do. A group does not go into itself.
 */
export const moveInStack = (effect: Effect, ids: readonly ObjectId[], to: StackPlace): Edit =>
  edit(`Move ${objectWords(effect, ids)} in the Stack`, (d) => {
    const parent = to.parent ? effect.objects[to.parent] : undefined;
    const inside = new Set(ids.flatMap((id) => withDescendants(effect, id).map((o) => o.id)));
    if (parent && inside.has(parent.id)) return;
    // A part stays in its model: it only changes its place among what hangs there.
    const moving = outermostOf(effect, ids).filter(
      (o) => !kindOf(o).isPart || (parent && parentOf(effect, o)?.id === parent.id),
    );
    if (parent && !moving.every((object) => mayHangIn(object, parent))) return;
    const rest = restOf(effect);
    for (const object of moving) {
      const draft = d.objects[object.id]!;
      const anchor = parent ? anchorOf(effect, parent) : (to.anchor ?? anchorOf(effect, object));
      const group = parentOf(effect, object);
      if ((group?.id ?? null) !== (parent?.id ?? null) || !parent) {
        const same = !group && !parent && JSON.stringify(object.anchor) === JSON.stringify(anchor);
        if (!same) Object.assign(draft, transplanted(effect, rest, object, parent?.id ?? null, anchor));
      }
      draft.parent = parent?.id ?? null;
      draft.anchor = anchor as Draft<Anchor>;
      // Out of a group it stays in the scene that the group was in.
      draft.scene = sceneOf(effect, parent ?? object);
    }
    const moved = new Set(moving.map((o) => o.id));
    const siblings = (stackTree(effect).get(parent?.id ?? null) ?? [])
      .map((o) => o.id)
      .filter((id) => !moved.has(id));
    const at = to.before === null ? siblings.length : siblings.indexOf(to.before);
    siblings.splice(at < 0 ? siblings.length : at, 0, ...moving.map((o) => o.id));
    renumber(d, siblings);
  });

/** Another point of the same head, hand or screen, or its skin: the object can stay where it is. */
const isOtherPoint = (a: Anchor, b: Anchor): boolean =>
  sameSurroundings(a, b) &&
  (a.kind !== b.kind ||
    (a.kind === 'head' && b.kind === 'head' && a.point !== b.point) ||
    (a.kind === 'hand' && b.kind === 'hand' && a.point !== b.point) ||
    (a.kind === 'screen' && b.kind === 'screen' && a.pin !== b.pin));

/**
 * What becomes of an object that is to stick to something else: it stays where it is seen, on another point of the same head, hand or screen;
 * keeps its numbers, on the same point of another face; else it goes to where new things rest.
 */
export const becomesOf = (from: Anchor, to: Anchor): 'stays' | 'same' | 'rests' => {
  if (isOtherPoint(from, to)) return 'stays';
  return sameSurroundings(from, to) ? 'same' : 'rests';
};

/** Lets objects stick to something else; see `becomesOf`. What hangs in a group sticks to what the group does, and is left alone. */
export const stickTo = (effect: Effect, ids: readonly ObjectId[], anchor: Anchor): Edit =>
  edit(`Stick ${objectWords(effect, ids)}`, (d) => {
    const rest = restOf(effect);
    for (const object of outermostOf(effect, ids)) {
      if (parentOf(effect, object)) continue;
      const draft = d.objects[object.id]!;
      if (becomesOf(object.anchor, anchor) !== 'same')
        Object.assign(draft, transplanted(effect, rest, object, null, anchor));
      draft.anchor = anchor as Draft<Anchor>;
    }
  });

/** Puts objects into a new group where the first of them stands; they stay where they are seen. */
export const groupObjects = (effect: Effect, ids: readonly ObjectId[], groupId: ObjectId): Edit =>
  edit(`Group ${objectWords(effect, ids)}`, (d) => {
    const [first] = outermostOf(effect, ids).filter((o) => !kindOf(o).isPart);
    if (!first)
      throw new IconiaError(
        'part.no-group',
        'A part stays in its model, so it cannot be put into a group. Group the model instead.',
      );
    makeRoom(effect, 1);
    const parent = parentOf(effect, first);
    const anchor = parent ? anchorOf(effect, parent) : first.anchor;
    const siblings = stackTree(effect).get(parent?.id ?? null)!;
    const at = siblings.findIndex((o) => o.id === first.id);
    const above = siblings[at - 1]?.order ?? first.order - 1;
    const group: EffectObject = {
      ...newGroup(groupId, freeName(effect, 'Group'), orderBetween(above, first.order), anchor),
      parent: parent?.id ?? null,
      scene: sceneOf(effect, first),
      move: [0, 0, 0],
      turn: [0, 0, 0],
    };
    const grouped: Effect = { ...effect, objects: { ...effect.objects, [groupId]: group } };
    d.objects[groupId] = group as Draft<EffectObject>;
    moveInStack(grouped, ids, { parent: groupId, before: null, anchor: null }).change(d);
  });

/** Takes groups apart: what they held takes their place, and stays where and as faint as it is seen. */
export const ungroupObjects = (effect: Effect, ids: readonly ObjectId[]): Edit =>
  edit(`Take ${objectWords(effect, ids)} apart`, (d) => {
    const rest = restOf(effect);
    for (const group of outermostOf(effect, ids)) {
      if (group.kind !== 'group') continue;
      const { id } = group;
      const parent = parentOf(effect, group);
      const held = stackTree(effect).get(id) ?? [];
      const anchor = anchorOf(effect, group);
      held.forEach((object, i) => {
        const draft = d.objects[object.id]!;
        Object.assign(draft, transplanted(effect, rest, object, parent?.id ?? null, anchor));
        draft.parent = parent?.id ?? null;
        draft.anchor = anchor as Draft<Anchor>;
        draft.scene = group.scene;
        draft.visible &&= group.visible;
        if ('opacity' in draft) draft.opacity *= group.opacity;
        draft.order = group.order + (i + 1) / (held.length + 1) / 1000;
      });
      delete d.objects[id];
    }
  });
