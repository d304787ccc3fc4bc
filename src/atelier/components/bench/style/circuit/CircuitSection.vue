<script setup lang="ts">
/** The surface circuit of the material that is worked on: started from a recipe, wired on the board. */
import { computed, ref, watch } from 'vue';
import { Plus } from '@lucide/vue';
import type { SurfaceNode, NodeId, SurfaceNodeType } from '../../../../../core/document/schema';
import { SURFACE_NODE_TYPES } from '../../../../../core/document/schema';
import { CIRCUIT_RECIPES } from '../../../../../core/surface/recipes';
import { freePlace } from '../../../../../core/surface/tidy';
import { startCircuit } from '../../../../commands/material-commands';
import { SURFACE_NODES } from '../../../../../core/surface/catalogue';
import { NODE_GROUPS } from '../../../../../core/surface/node-kind';
import { RECIPE_WORDS } from '../../../../material-words';
import { useDeskStore } from '../../../../stores/desk';
import InlineNotice from '../../../common/InlineNotice.vue';
import MaterialProblems from '../material/MaterialProblems.vue';
import CircuitBoard from './CircuitBoard.vue';
import BoardTools from '../../../common/board/BoardTools.vue';
import NodeWires from '../../../common/board/NodeWires.vue';
import SelectField from '../../../common/SelectField.vue';
import type { BoardPlace } from '../../../../../core/graph/graph';
import { useCircuit } from './use-circuit';
import WordButton from '../../../common/WordButton.vue';
import { isTyping } from '../../../../commands/keys';

const desk = useDeskStore();
const {
  object,
  selected: selectedObject,
  slot,
  material,
  circuit,
  problems,
  said,
  add,
  connect,
  unwire,
  remove,
  change,
  move,
  bend,
  align,
  duplicate,
  tidy,
  drop,
  done,
} = useCircuit();
const board = ref<InstanceType<typeof CircuitBoard> | null>(null);
const selected = ref<readonly NodeId[]>([]);
watch([() => material.value?.id, slot], () => {
  selected.value = [];
  said.value = null;
});
const one = computed(() => {
  const [id] = selected.value;
  return selected.value.length === 1 && id ? (circuit.value[id] ?? null) : null;
});
/** A circuit has its one surface already. */
const options = NODE_GROUPS.filter((group) => group !== 'Surface').map((group) => ({
  label: group,
  options: SURFACE_NODE_TYPES.filter((type) => SURFACE_NODES[type].group === group).map((type) => ({
    value: type,
    label: `${SURFACE_NODES[type].name}: ${SURFACE_NODES[type].note}`,
  })),
}));
const addNode = (type: SurfaceNodeType): void => {
  const place = freePlace(circuit.value, type, board.value?.middle() ?? [0, 0]);
  board.value?.reveal(place);
  const id = add(type, place);
  if (id) selected.value = [id];
};
/** While nodes are chosen it is they that go, not the object that wears the material: also when a button has the focus. */
const onKey = (event: KeyboardEvent): void => {
  if (isTyping(event.target) || (event.key !== 'Delete' && event.key !== 'Backspace')) return;
  if (selected.value.length === 0) return;
  event.stopPropagation();
  event.preventDefault();
  remove(selected.value);
};
const copy = (): void => {
  const made = duplicate(selected.value);
  if (made.length > 0) selected.value = made;
};
const start = (key: string): void => {
  startCircuit(key, material.value?.id ?? null, slot.value);
};
const arrange = (): void => {
  tidy();
  requestAnimationFrame(() => board.value?.fit());
};
const idle = computed(() => problems.value.length);
</script>

<template>
  <section class="circuit" aria-label="Circuit" @keydown="onKey">
    <template v-if="material?.circuit">
      <div class="bar">
        <b class="cut">{{ material.name }}</b>
        <SelectField
          name="Add a node"
          :value="null as unknown as undefined"
          :options="options"
          class="add"
          show-search
          option-filter-prop="label"
          placeholder="Add a node"
          :dropdown-match-select-width="340"
          @change="(v: unknown) => addNode(v as SurfaceNodeType)"
        />
        <BoardTools
          :selected="selected.length"
          :wide="desk.style.wide"
          @copy="copy"
          @remove="remove(selected)"
          @tidy="arrange"
          @align="(how) => align(selected, how, (id) => board?.sizeOf(id) ?? [0, 0])"
          @widen="desk.style.wide = !desk.style.wide"
        />
        <WordButton @click="drop">Do without</WordButton>
      </div>
      <InlineNotice v-if="said" kind="error" closable @close="said = null">{{ said }}</InlineNotice>
      <MaterialProblems :material="material" />
      <CircuitBoard
        ref="board"
        :key="material.id"
        :circuit="circuit"
        :material="material"
        :problems="problems"
        :selected="selected"
        @select="(ids) => (selected = ids as NodeId[])"
        @connect="connect"
        @unwire="unwire"
        @bend="bend"
        @move="(places) => move(places as Map<NodeId, BoardPlace>)"
        @value="
          (id, name, value, gesture) => change(id, { values: { [name]: value } }, gesture && id + gesture)
        "
        @picture="(id, picture, gesture) => change(id, { picture }, gesture && id + gesture)"
        @done="done"
      />
      <!-- Of one height, so that the board stays as it is when a node is chosen. -->
      <div class="foot">
        <NodeWires
          v-if="one"
          :node="one"
          :graph="circuit"
          :kind-of="(node: SurfaceNode) => SURFACE_NODES[node.type]"
          @connect="connect"
          @unwire="unwire"
          @bend="bend"
        />
        <p v-else class="soft hint">
          Drag from a square on the right of a node to one on the left of another. Pull at a wire to bend it;
          a double click takes it off.
          <template v-if="idle > 0"
            >{{ idle === 1 ? 'One node has' : `${idle} nodes have` }} a note.</template
          >
        </p>
      </div>
    </template>
    <template v-else-if="object || material">
      <h2>A look that is worked out at every point</h2>
      <p class="soft">
        {{ material ? `${material.name} gets a circuit` : `${object!.name} gets a material with a circuit` }}:
        nodes that make its colour, opacity, roughness, glow or shape from where the point is, which way it
        faces, time, noise, shapes, pictures, the camera and the face.
      </p>
      <ul class="recipes">
        <li v-for="recipe in CIRCUIT_RECIPES" :key="recipe.key">
          <button type="button" @click="start(recipe.key)">
            <span class="row"><Plus :size="13" /> <b>{{ RECIPE_WORDS[recipe.key]!.name }}</b></span>
            <small class="soft">{{ RECIPE_WORDS[recipe.key]!.note }}</small>
          </button>
        </li>
      </ul>
    </template>
    <p v-else class="soft">
      {{
        selectedObject
          ? `${selectedObject.name} wears no material, so it has no circuit: models, solids, cards and colour fields do.`
          : 'Select a model, a solid, a card or a colour field; or choose a material under Material.'
      }}
    </p>
  </section>
</template>

<style scoped>
.circuit {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
}
.bar {
  display: flex;
  align-items: center;
  gap: 6px;
  margin-bottom: 8px;
}
.bar b {
  max-width: 150px;
}
.add {
  flex: 1;
  min-width: 110px;
}
.foot {
  height: 112px;
  overflow: auto;
}
.hint {
  margin: 8px 0 0;
  font-size: 12px;
}
.circuit > :deep(.board) {
  flex: 1;
}
.recipes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 8px;
  margin: 12px 0;
  padding: 0;
  list-style: none;
}
.recipes button {
  display: grid;
  gap: 2px;
  width: 100%;
  padding: 8px 10px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.recipes button:hover {
  border-color: var(--accent);
}
.row {
  gap: 6px;
}
</style>
