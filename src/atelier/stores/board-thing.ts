/** What is about to become nodes of the circuit that is open: an object or one of its numbers, brought from the Stack. */
import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { ObjectId } from '../../core/document/schema';

export interface BoardThing {
  readonly object: ObjectId;
  /** By its path; null is the object, and all that can be read of it and written. */
  readonly property: string | null;
}
export const useBoardThingStore = defineStore('board-thing', () => {
  const thing = ref<(BoardThing & { readonly at: readonly [number, number] | null }) | null>(null);
  /** It asks what becomes of it: at a place on the board, or in the middle of it. */
  const offer = (of: BoardThing, at: readonly [number, number] | null = null): void =>
    void (thing.value = { ...of, at });
  const clear = (): void => void (thing.value = null);
  /** There is a board that takes it. */
  const hasBoard = ref(false);
  return { thing, hasBoard, offer, clear };
});
