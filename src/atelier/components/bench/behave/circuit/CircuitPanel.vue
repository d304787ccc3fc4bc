<script setup lang="ts">
/** Behaviour circuits: which there are, and the board of the one that is open. */
import { computed, ref, watch } from 'vue';
import { Combine, Plus, Power, Settings2, SquareDashed, StickyNote } from '@lucide/vue';
import type { CircuitId, CompoundId, NodeId } from '../../../../../core/document/schema';
import type { PortSide } from '../../../../../core/edits/circuit-edits';
import { portValue } from '../../../../../core/kinds/nodes/ports';
import type { BoardNoteKind } from '../../../../../core/document/board-note-schema';
import type { BoardPlace } from '../../../../../core/graph/graph';
import { readableAsCue, readAsCue } from '../../../../../core/edits/cue-circuit-edits';
import { inputOf, type BehaviourNode } from '../../../../../core/kinds/nodes/nodes';
import { isTyping } from '../../../../commands/keys';
import { conversionInto, nodeName, valueWords } from '../../../../circuit-words';
import { useDeskStore } from '../../../../stores/desk';
import { useBreakpoints } from './use-breakpoints';
import { useEffectStore } from '../../../../stores/effect';
import IconButton from '../../../common/IconButton.vue';
import InlineNotice from '../../../common/InlineNotice.vue';
import NodeBoard from '../../../common/board/NodeBoard.vue';
import BoardTools from '../../../common/board/BoardTools.vue';
import WordButton from '../../../common/WordButton.vue';
import CircuitAdd from './CircuitAdd.vue';
import CircuitFoot from './CircuitFoot.vue';
import CircuitSettings from './CircuitSettings.vue';
import CircuitTabs from './CircuitTabs.vue';
import CompoundBar from './CompoundBar.vue';
import ScriptPanel from './script/ScriptPanel.vue';
import { useBoardAdding } from './use-board-adding';
import { useCircuitClipboard } from './use-circuit-clipboard';
import BehaviourNodeCard from './BehaviourNodeCard.vue';
import { useBehaviourCircuit } from './use-behaviour-circuit';
import { useLiveValues } from './use-live-values';
import { useNodeTroubles } from './use-node-troubles';

const desk = useDeskStore();
const effectStore = useEffectStore();
const board = ref<{
  readonly $el: HTMLElement;
  fit(): void;
  show(id: string): void;
  middle(): readonly [number, number];
  placeAt(x: number, y: number): BoardPlace;
  reveal(at: readonly [number, number]): void;
  heightOf(id: string): number | undefined;
  sizeOf(id: string): BoardPlace;
} | null>(null);
const {
  compounds,
  circuits,
  circuit,
  nodes,
  plan,
  said,
  make,
  makeScript,
  declare,
  open,
  set,
  drop,
  add,
  connect,
  unwire,
  remove,
  change,
  switchAll,
  move,
  bend,
  align,
  laid,
  freePlace,
  notes,
  duplicate,
  textOf,
  paste,
  tidy,
  done,
} = useBehaviourCircuit((id) => board.value?.heightOf(id));
const { compound } = compounds;
const live = useLiveValues(
  () => circuit.value && { circuit: circuit.value.id, nodes: nodes.value, inRun: compounds.inRun },
);
/** Nodes, and notes. */
const selected = ref<readonly string[]>([]);
const selectedNodes = computed(() => selected.value.filter((id) => nodes.value[id as NodeId]) as NodeId[]);
const { serious, isSerious, saidOf, isCut } = useNodeTroubles(
  () => plan.value.troubles,
  () => nodes.value,
  () => selectedNodes.value,
);
watch(
  () => compounds.board.value,
  () => {
    selected.value = [];
    leaveOffer();
    said.value = null;
  },
);
const one = computed(() => {
  const [id] = selectedNodes.value;
  return selectedNodes.value.length === 1 && id ? (nodes.value[id] ?? null) : null;
});
const {
  loose,
  letGo,
  add: addOffer,
  leave: leaveOffer,
  target,
} = useBoardAdding({
  nodes: () => nodes.value,
  board: () => compounds.board.value,
  middle: () => board.value?.middle() ?? [0, 0],
  placeAt: (x, y) => board.value?.placeAt(x, y) ?? [0, 0],
  freePlace,
  beside: () => (one.value ? [one.value.at[0] + 224, one.value.at[1]] : null),
  add,
  connect,
  paste,
  show: (ids) => showMade(ids),
  say: (why) => (said.value = why),
});
watch(board, (now) => target(now?.$el ?? null), { flush: 'post' });
const showMade = (made: readonly string[]): void => {
  if (made.length === 0) return;
  selected.value = made;
  const first = nodes.value[made[0] as NodeId] ?? notes.among(made)[0];
  if (first) board.value?.reveal(first.at);
};
const showNode = (id: string): void => {
  selected.value = [id as NodeId];
  board.value?.show(id);
};
useCircuitClipboard({
  copied: () => textOf(selected.value),
  remove: () => {
    remove(selected.value);
    selected.value = [];
  },
  paste: (text) => showMade(paste(text)),
});
/** The chosen nodes become one. */
const combine = (): void => {
  const made = compounds.make(selectedNodes.value);
  if ('why' in made) said.value = made.why;
  else selected.value = [made.use];
};
const openCompound = (node: BehaviourNode): void => {
  if (node.kind === 'compound' && node.set.compound !== null) enterCompound(node.id, node.set.compound);
};
const enterCompound = (use: NodeId | null, id: CompoundId): void => {
  writing.value = null;
  compounds.enter(use, id);
};
/** Its board, also while a script of it is written. */
const openCircuit = (id: CircuitId): void => {
  writing.value = null;
  open(id);
};
/** The cue that the circuit is nothing but the beginning of. */
const asCue = computed(() => circuit.value && readableAsCue(effectStore.effect, circuit.value));
const readCue = (): void => {
  if (!circuit.value || !asCue.value) return;
  const { cue } = asCue.value;
  effectStore.edit(readAsCue(effectStore.effect, circuit.value.id));
  Object.assign(desk.behave, { section: 'cues', cue });
};
/** The script whose code is seen instead of the board. */
const writing = ref<NodeId | null>(null);
const script = computed(() => {
  const node = writing.value && nodes.value[writing.value];
  return node?.kind === 'script' ? node : null;
});
/** What is at a port of a script: what its wire brings, what is set without one, what comes out. */
const portValueAt = (node: BehaviourNode, side: PortSide, name: string): string => {
  if (side === 'gives') return live.at(node.id, name);
  const wire = node.inputs[name];
  if (wire) return live.at(wire.node as NodeId, wire.port);
  const input = inputOf(node, name);
  const value = input && portValue(node.values[name] ?? input.usual ?? undefined, input.type);
  return input && value !== null && value !== undefined ? valueWords(value, input.type, input.unit) : '';
};
const breakpoints = useBreakpoints(() =>
  circuit.value ? { circuit: circuit.value.id, nodes: nodes.value, inRun: compounds.inRun } : null,
);
const sizeOf = (id: string): BoardPlace => board.value?.sizeOf(id) ?? [0, 0];
/** A note in the middle of what is seen, an area there or behind what is chosen. */
const write = (kind: BoardNoteKind): void => {
  const middle = board.value?.middle() ?? [0, 0];
  const at = kind === 'note' ? freePlace(middle, 90) : middle;
  const id = notes.make(kind, at, laid(selectedNodes.value, sizeOf));
  if (!id) return;
  board.value?.reveal(at);
  selected.value = [id];
};
/** Its name, whom it belongs to. */
const settings = ref(false);
const copy = (): void => {
  const made = duplicate(selected.value);
  if (made.length > 0) selected.value = made;
};
const arrange = (): void => {
  tidy();
  requestAnimationFrame(() => board.value?.fit());
};
/** While nodes are chosen it is they that go, not the object: also when a button has the focus. */
const onKey = (event: KeyboardEvent): void => {
  if (isTyping(event.target) || (event.key !== 'Delete' && event.key !== 'Backspace')) return;
  if (selected.value.length === 0) return;
  event.stopPropagation();
  event.preventDefault();
  remove(selected.value);
};
</script>

<template>
  <section class="panel" aria-label="Circuits" @keydown="onKey">
    <CircuitTabs
      v-if="circuits.length > 0"
      :circuits="circuits"
      :compounds="compounds.all.value"
      :circuit="circuit?.id ?? null"
      :compound="compound?.id ?? null"
      @open="openCircuit"
      @open-compound="(id) => enterCompound(null, id)"
      @make="make"
      @write="writing = makeScript()"
    />
    <ScriptPanel
      v-if="circuit && script"
      :key="script.id"
      :circuit="circuit.id"
      :node="script"
      :in-run="compounds.inRun(script.id)"
      :value-at="(side, name) => (script ? portValueAt(script, side, name) : '')"
      :wide="desk.behave.wide"
      @set="(id, to, gesture) => change(id, { set: to }, gesture && id + gesture)"
      @declare="declare"
      @done="done"
      @widen="desk.behave.wide = !desk.behave.wide"
      @back="writing = null"
    />
    <template v-else-if="circuit">
      <CircuitSettings v-if="settings && !compound" :circuit="circuit" @set="set" @drop="drop" @done="done" />
      <CompoundBar
        v-if="compound"
        :compound="compound"
        :outside="compounds.levels.value.at(-2)?.of.name ?? (circuit.name || 'Circuit')"
        :uses="compounds.uses.value"
        :of-use="compounds.levels.value.every(({ use }) => use !== null)"
        :value-at="(node, port) => live.at(node, port)"
        @out="compounds.leaveTo(compounds.levels.value.length - 1)"
        @set="(to, gesture) => compounds.set(to, gesture)"
        @declare="declare"
        @drop="compounds.drop"
        @done="done"
      />
      <div class="bar">
        <CircuitAdd :nodes="nodes" :loose="loose" @add="addOffer" @find="showNode" @leave="leaveOffer" />
        <IconButton
          title="Switch the selected nodes off or on"
          aria-label="Switch the selected nodes off or on"
          :disabled="selectedNodes.length === 0"
          @click="switchAll(selectedNodes)"
        >
          <Power :size="14" />
        </IconButton>
        <IconButton
          title="Make the selected nodes one"
          aria-label="Make the selected nodes one"
          :disabled="selectedNodes.length === 0"
          @click="combine"
        >
          <Combine :size="14" />
        </IconButton>
        <IconButton title="Write a note on the board" aria-label="Write a note" @click="write('note')">
          <StickyNote :size="14" />
        </IconButton>
        <IconButton
          title="Lay a named area behind the selected nodes"
          aria-label="Lay a named area"
          @click="write('area')"
        >
          <SquareDashed :size="14" />
        </IconButton>
        <BoardTools
          :selected="selected.length"
          :wide="desk.behave.wide"
          @copy="copy"
          @remove="remove(selected)"
          @tidy="arrange"
          @align="(how) => align(selected, how, sizeOf)"
          @widen="desk.behave.wide = !desk.behave.wide"
        />
        <template v-if="!compound">
          <IconButton
            :aria-pressed="settings"
            title="Name, whom it belongs to"
            aria-label="Name, whom it belongs to"
            @click="settings = !settings"
          >
            <Settings2 :size="14" />
          </IconButton>
          <WordButton v-if="asCue" @click="readCue">Read as a cue</WordButton>
          <a-switch
            size="small"
            :checked="circuit.enabled"
            aria-label="The circuit is on"
            title="The circuit is on"
            @change="(v: unknown) => set({ enabled: Boolean(v) })"
          />
        </template>
      </div>
      <InlineNotice v-if="said" kind="error" closable @close="said = null">{{ said }}</InlineNotice>
      <InlineNotice v-if="breakpoints.said.value" kind="note" closable @close="breakpoints.close">{{
        breakpoints.said.value
      }}</InlineNotice>
      <NodeBoard
        ref="board"
        :key="compounds.board.value ?? ''"
        board="behaviour-circuit"
        :graph="nodes"
        :notes="notes.notes.value"
        :selected="selected"
        :label-of="(node: BehaviourNode) => nodeName(effectStore.effect, node)"
        :is-cut="isCut"
        @select="(ids) => (selected = ids)"
        @connect="connect"
        @unwire="unwire"
        @loose="letGo"
        @bend="bend"
        @move="move"
        @note="notes.change"
        @noted="done"
      >
        <template #node="{ node, selected: isSelected }">
          <BehaviourNodeCard
            :node="node"
            :troubles="saidOf(node)"
            :serious="isSerious(node)"
            :selected="isSelected"
            :conversion-of="(port) => conversionInto(nodes, node, port)"
            :value-at="(port) => live.at(node.id, port)"
            :stopped="live.stoppedAt(node.id)"
            :stops-at="(port) => breakpoints.isSet(node.id, port)"
            :is-hit="(port) => breakpoints.isHit(node.id, port)"
            @values="(values, gesture) => change(node.id, { values }, gesture && node.id + gesture)"
            @set="(to, gesture) => change(node.id, { set: to }, gesture && node.id + gesture)"
            @unwire="(port) => unwire({ node: node.id, port })"
            @stop="(port) => breakpoints.toggle(node.id, port)"
            @write="writing = node.id"
            @open="openCompound(node)"
            @done="done"
          />
        </template>
      </NodeBoard>
      <CircuitFoot
        :board="{ circuit: circuit.id, nodes, inRun: compounds.inRun }"
        :node="one"
        :serious="serious"
        @connect="connect"
        @unwire="unwire"
        @bend="bend"
      />
    </template>
    <template v-else>
      <h2>Values that flow all the time</h2>
      <p class="soft">
        A circuit is for what a cue is too simple for: map this to that, count, remember, compare, wait. It
        runs in the same steps as cues, so a take can be scrubbed both ways.
      </p>
      <p>
        <a-button type="primary" @click="make"><Plus :size="14" /> Make a circuit</a-button>
        <a-button @click="writing = makeScript()"><Plus :size="14" /> Write a script</a-button>
      </p>
    </template>
  </section>
</template>

<style scoped>
.panel {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
  height: 100%;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}
.panel > :deep(.board) {
  flex: 1;
  min-height: 300px;
}
</style>
