/** What is wrong with the nodes of a board, in sentences. */
import { computed } from 'vue';
import { nodeOverruledBy } from '../../../../../core/document/behaviour-queries';
import type { BehaviourNodes, NodeId } from '../../../../../core/document/schema';
import { isEnd, type BehaviourNode } from '../../../../../core/kinds/nodes/nodes';
import { isSeriousTrouble, type NodeTrouble } from '../../../../../core/program/circuits';
import { overruledWords, troubleWords } from '../../../../circuit-words';
import { useEffectStore } from '../../../../stores/effect';

export const useNodeTroubles = (
  troubles: () => readonly NodeTrouble[],
  nodes: () => BehaviourNodes,
  selected: () => readonly NodeId[],
) => {
  const effectStore = useEffectStore();
  const byNode = computed(() => {
    const by = new Map<string, NodeTrouble[]>();
    for (const trouble of troubles()) by.set(trouble.node, [...(by.get(trouble.node) ?? []), trouble]);
    return by;
  });
  const of = (node: BehaviourNode): readonly NodeTrouble[] => byNode.value.get(node.id) ?? [];
  /** What is only worth a look is said of a node that is chosen. */
  const saidOf = (node: BehaviourNode): string[] => {
    const isChosen = selected().includes(node.id);
    const wrong = of(node)
      .filter((trouble) => isSeriousTrouble(trouble) || isChosen)
      .map((trouble) => troubleWords(effectStore.effect, nodes(), trouble));
    const overruled = isEnd(node.kind)
      ? overruledWords(effectStore.effect, nodeOverruledBy(effectStore.effect, node, nodes()))
      : null;
    return overruled ? [...wrong, overruled] : wrong;
  };
  return {
    /** How many things are wrong. */
    serious: computed(() => troubles().filter(isSeriousTrouble).length),
    isSerious: (node: BehaviourNode): boolean => of(node).some(isSeriousTrouble),
    saidOf,
    /** Whether the wire into an input is not followed. */
    isCut: (node: BehaviourNode, port: string): boolean =>
      of(node).some((t) => (t.code === 'loop' || t.code === 'mismatch') && t.port === port),
  };
};
