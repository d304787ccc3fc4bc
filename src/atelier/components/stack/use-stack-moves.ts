/** What moving and dropping rows does to the Stack. */
import type { Ref } from 'vue';
import { handAnchor, headAnchor, onWholeFace } from '../../../core/kinds/objects/placed';
import { stackTree } from '../../../core/document/queries';
import type { Anchor, ObjectId } from '../../../core/document/schema';
import { moveInStack, type StackPlace } from '../../../core/edits/stack-edits';
import { laneOf, type StackRow } from '../../../core/document/stack-rows';
import { useEffectStore } from '../../stores/effect';
import type { DropWhere } from './use-row-drag';

/** New things go to the usual point of a lane. */
export const forNew = (anchor: Anchor): Anchor => {
  if (anchor.kind === 'head') return headAnchor('forehead', anchor.face);
  if (anchor.kind === 'hand') return handAnchor('palm', anchor.hand);
  if (anchor.kind === 'skin') return onWholeFace(anchor.face);
  return anchor.kind === 'screen' ? { kind: 'screen', pin: 'centre' } : anchor;
};

export interface StackMoves {
  /** One up or down among its own. */
  shift(id: ObjectId, by: number): void;
  /** Objects dropped on a row. */
  dropOn(ids: readonly ObjectId[], row: StackRow, where: DropWhere): void;
}

export const useStackMoves = (
  rows: Ref<readonly StackRow[]>,
  folded: Ref<ReadonlySet<ObjectId>>,
): StackMoves => {
  const effectStore = useEffectStore();
  const siblingsOf = (id: ObjectId): ObjectId[] => {
    const tree = stackTree(effectStore.effect);
    for (const [parent, list] of tree)
      if (list.some((o) => o.id === id)) {
        const lane = parent === null ? laneOf(effectStore.effect.objects[id]!.anchor) : null;
        return list.filter((o) => lane === null || laneOf(o.anchor) === lane).map((o) => o.id);
      }
    return [];
  };
  const shift = (id: ObjectId, by: number): void => {
    const siblings = siblingsOf(id);
    const at = siblings.indexOf(id);
    const to = at + by;
    if (to < 0 || to >= siblings.length) return;
    const before = by < 0 ? siblings[to]! : (siblings[to + 1] ?? null);
    move([id], { parent: effectStore.effect.objects[id]!.parent, before, anchor: null });
  };
  const move = (ids: readonly ObjectId[], to: StackPlace): void => {
    effectStore.edit(moveInStack(effectStore.effect, ids, to));
  };
  /** The anchor to go to: none when all that moves is on this lane already. */
  const anchorFor = (ids: readonly ObjectId[], lane: Anchor): Anchor | null => {
    const same = ids.every((id) => {
      const object = effectStore.effect.objects[id];
      return object?.parent === null && laneOf(object.anchor) === laneOf(lane);
    });
    return same ? null : forNew(lane);
  };
  const dropOn = (ids: readonly ObjectId[], row: StackRow, where: DropWhere): void => {
    if (row.kind !== 'object') {
      const first = rows.value.find((r) => r.kind === 'object' && r.lane === laneOf(row.anchor));
      const before = first?.kind === 'object' && !ids.includes(first.object.id) ? first.object.id : null;
      return move(ids, { parent: null, before, anchor: anchorFor(ids, row.anchor) });
    }
    const { object } = row;
    const open = row.members !== null && row.members > 0 && !folded.value.has(object.id);
    if (where === 'into' || (where === 'after' && open)) {
      const first = stackTree(effectStore.effect).get(object.id)?.[0]?.id ?? null;
      return move(ids, { parent: object.id, before: first, anchor: null });
    }
    const siblings = siblingsOf(object.id).filter((id) => !ids.includes(id) || id === object.id);
    const next = siblings[siblings.indexOf(object.id) + 1] ?? null;
    const root = object.parent === null;
    move(ids, {
      parent: object.parent,
      before: where === 'before' ? object.id : next,
      anchor: root ? anchorFor(ids, object.anchor) : null,
    });
  };
  return { shift, dropOn };
};
