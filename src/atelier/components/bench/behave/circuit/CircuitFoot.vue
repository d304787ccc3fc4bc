<script setup lang="ts">
/** Below the board: the wires of the node that is chosen, and what was there over the take; else what to do. */
import { isSamePort } from '../../../../../core/behave/port-place';
import type { NodeId } from '../../../../../core/document/schema';
import type { BoardPlace } from '../../../../../core/graph/graph';
import type { PortOf } from '../../../../../core/edits/graph-edits';
import { portsOf, type BehaviourNode } from '../../../../../core/kinds/nodes/nodes';
import { boardPorts, nodeName, nodeNote, whyNodeWords } from '../../../../circuit-words';
import { useChronicleStore } from '../../../../stores/chronicle';
import { useEffectStore } from '../../../../stores/effect';
import { usePlaybackStore } from '../../../../stores/playback';
import NodeWires from '../../../common/board/NodeWires.vue';
import NodeHelp from './NodeHelp.vue';
import NodePast from './NodePast.vue';
import type { RunBoard } from './run-board';
import { useNodeHistory } from './use-node-history';

const props = defineProps<{
  board: RunBoard;
  /** The one that is chosen. */
  node: BehaviourNode | null;
  /** How many things are wrong. */
  serious: number;
}>();
const emit = defineEmits<{
  connect: [from: PortOf, to: PortOf];
  unwire: [to: PortOf];
  bend: [to: PortOf, via: readonly BoardPlace[]];
}>();
const effectStore = useEffectStore();
const chronicle = useChronicleStore();
const playback = usePlaybackStore();
const past = useNodeHistory(
  () => props.board,
  () => props.node,
);
const isInScope = (node: NodeId, port: string): boolean => {
  const place = past.placeOf(node, port);
  return place !== null && chronicle.ports.some((other) => isSamePort(other, place));
};
const toScope = (node: NodeId, port: string): void => {
  const place = past.placeOf(node, port);
  if (place) chronicle.toScope(place);
};
/** For the list of wires. */
const wordsOf = (node: BehaviourNode) => ({
  ...boardPorts(node),
  note: nodeNote(effectStore.effect, node),
  name: nodeName(effectStore.effect, node),
});
</script>

<template>
  <!-- Of one height, so that the board stays as it is when a node is chosen. -->
  <div class="foot" tabindex="0" role="group" aria-label="About the node">
    <template v-if="node">
      <NodeWires
        :node="node"
        :graph="board.nodes"
        :kind-of="wordsOf"
        @connect="(from, to) => emit('connect', from, to)"
        @unwire="(to) => emit('unwire', to)"
        @bend="(to, via) => emit('bend', to, via)"
      >
        <template #help><NodeHelp :node="node" :note="nodeNote(effectStore.effect, node)" /></template>
      </NodeWires>
      <NodePast
        :name="nodeName(effectStore.effect, node)"
        :outputs="portsOf(node).outputs"
        :past-of="(port) => past.pastOf(node!.id, port)"
        :in-scope="(port) => isInScope(node!.id, port)"
        :time="playback.time"
        :why="past.why.value && whyNodeWords(effectStore.effect, board.nodes, past.why.value)"
        @scope="(port) => toScope(node!.id, port)"
        @seek="playback.seek"
      />
    </template>
    <p v-else class="soft">
      {{
        Object.keys(board.nodes).length === 0
          ? 'Begin with what it listens to (Signal, Trigger) and what it does (Write, Start a cue). Seek by what you want: “count”, “delay”, “mouth”.'
          : 'Drag from a square on the right of a node to one on the left of another. Let go of one in the empty, and what fits is offered. Pull at a wire to bend it; a double click takes it off. Numbers beside the squares are what is there at this moment of the take.'
      }}
      <template v-if="serious > 0">{{
        serious === 1 ? 'One thing is wrong.' : `${serious} things are wrong.`
      }}</template>
    </p>
  </div>
</template>

<style scoped>
.foot {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 360px), 1fr));
  gap: 8px 20px;
  align-content: start;
  height: 124px;
  overflow: auto;
}
p {
  margin: 0;
  font-size: 12px;
}
</style>
