/** Within which compound the board is, and how nodes there are found in a run. */
import { computed, shallowRef } from 'vue';
import { within } from '../../../../../core/document/expand';
import type { Circuit, Compound, CompoundId, NodeId } from '../../../../../core/document/schema';
import type { BoardId } from '../../../../../core/edits/board-nodes';
import {
  changeCompound,
  makeCompound,
  removeCompound,
  usesOf,
} from '../../../../../core/edits/compound-edits';
import { inOrder } from '../../../../../core/document/queries';
import { sentence } from '../../../../../core/errors';
import { newCompoundId, newId } from '../../../../api/ids';
import { useEffectStore } from '../../../../stores/effect';

interface Level {
  readonly compound: CompoundId;
  /** The use through which it was opened; null on its own. */
  readonly use: NodeId | null;
}

export const useCompounds = (circuit: () => Circuit | null) => {
  const effectStore = useEffectStore();
  /** From the circuit inwards. */
  const path = shallowRef<readonly Level[]>([]);
  const all = computed(() => inOrder(effectStore.effect.compounds));
  const levels = computed(() =>
    path.value.flatMap((level): (Level & { of: Compound })[] => {
      const of = effectStore.effect.compounds[level.compound];
      return of ? [{ ...level, of }] : [];
    }),
  );
  /** The one that is open; null on the board of the circuit. */
  const compound = computed<Compound | null>(() => levels.value.at(-1)?.of ?? null);
  const board = computed<BoardId | null>(() => compound.value?.id ?? circuit()?.id ?? null);

  /** The node of a run that a node of the board is; null where it is looked at without a use. */
  const inRun = (node: NodeId): NodeId | null => {
    let at: NodeId | null = null;
    for (const [i, { use }] of levels.value.entries()) {
      if (use === null) return null;
      at = i === 0 ? use : within(at!, use, levels.value[i - 1]!.of);
    }
    return at === null ? node : within(at, node, levels.value.at(-1)!.of);
  };

  const enter = (use: NodeId | null, id: CompoundId): void => {
    // What was undone meanwhile is no way in.
    const outside = use === null ? [] : levels.value;
    path.value = [...outside, { use, compound: id }];
  };
  /** Out to so many levels; 0 is the circuit. */
  const leaveTo = (depth: number): void => void (path.value = levels.value.slice(0, depth));

  /** Makes one of nodes; its use, or why it could not be made. */
  const make = (nodes: readonly NodeId[]): { readonly use: NodeId } | { readonly why: string } => {
    if (!board.value) return { why: 'There is no board.' };
    const node = (): NodeId => newId('node') as NodeId;
    const ids = { compound: newCompoundId(), use: node(), enter: node(), leave: node() };
    const taken = new Set(all.value.map(({ name }) => name));
    let n = all.value.length + 1;
    while (taken.has(`Compound ${n}`)) n++;
    try {
      effectStore.edit(makeCompound(effectStore.effect, board.value, nodes, `Compound ${n}`, ids));
      return { use: ids.use };
    } catch (error) {
      return { why: sentence(error) };
    }
  };
  const set = (change: Partial<Pick<Compound, 'name' | 'note'>>, gesture: string): void => {
    if (compound.value)
      effectStore.edit(changeCompound(effectStore.effect, compound.value.id, change), gesture);
  };
  /** How often the open one is used. */
  const uses = computed(() => (compound.value ? usesOf(effectStore.effect, compound.value.id) : 0));
  const drop = (): void => {
    const id = compound.value?.id;
    if (!id || uses.value > 0) return;
    leaveTo(levels.value.length - 1);
    effectStore.edit(removeCompound(effectStore.effect, id));
  };
  return { levels, all, compound, board, inRun, enter, leaveTo, make, set, uses, drop };
};
