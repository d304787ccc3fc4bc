/** Rows of the Stack that are dragged and dropped on: before, after, or into one another. */
import { onBeforeUnmount, ref, watch, type Ref } from 'vue';
import { combine } from '@atlaskit/pragmatic-drag-and-drop/combine';
import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import { attachInstruction, extractInstruction } from '@atlaskit/pragmatic-drag-and-drop-hitbox/list-item';
import { kindOf } from '../../../core/kinds/objects/objects';
import type { StackRow } from '../../../core/document/stack-rows';
import { isTyping } from '../../commands/keys';

export type DropWhere = 'before' | 'after' | 'into';
const WHERE = { 'reorder-before': 'before', 'reorder-after': 'after', combine: 'into' } as const;

export interface RowData extends Record<string | symbol, unknown> {
  readonly row: StackRow;
}
export const whereOf = (data: Record<string | symbol, unknown>): DropWhere | null => {
  const instruction = extractInstruction(data);
  return instruction && !instruction.blocked ? WHERE[instruction.operation] : null;
};

/** Where something would be dropped on this row now; null when nothing hangs over it. */
export const useRowDrag = (
  element: Ref<HTMLElement | null>,
  row: () => StackRow,
): { over: Ref<DropWhere | null> } => {
  const over = ref<DropWhere | null>(null);
  let stop = (): void => {};
  watch(
    element,
    (node) => {
      stop();
      if (!node) return;
      const isObject = row().kind === 'object';
      stop = combine(
        ...(isObject
          ? [
              draggable({
                element: node,
                // A name that is being typed is selected by dragging, not carried away.
                canDrag: () => !node.contains(document.activeElement) || !isTyping(document.activeElement),
                getInitialData: (): RowData => ({ row: row() }),
              }),
            ]
          : []),
        dropTargetForElements({
          element: node,
          canDrop: ({ source }) => 'row' in source.data && source.element !== node,
          getData: ({ input, element: target }) => {
            const now = row();
            const holds = now.kind === 'object' && kindOf(now.object).holds?.includes('things');
            return attachInstruction({ row: now } satisfies RowData, {
              input,
              element: target,
              operations:
                now.kind === 'object'
                  ? {
                      'reorder-before': 'available',
                      'reorder-after': 'available',
                      combine: holds ? 'available' : 'not-available',
                    }
                  : {
                      'reorder-before': 'not-available',
                      'reorder-after': 'not-available',
                      combine: 'available',
                    },
            });
          },
          onDrag: ({ self }) => (over.value = whereOf(self.data)),
          onDragLeave: () => (over.value = null),
          onDrop: () => (over.value = null),
        }),
      );
    },
    { immediate: true, flush: 'post' },
  );
  onBeforeUnmount(() => stop());
  return { over };
};
