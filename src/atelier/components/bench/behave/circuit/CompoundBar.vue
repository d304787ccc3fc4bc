<script setup lang="ts">
/** Within which compound the board is, its name, its help, and its ports. */
import { computed, onMounted, ref } from 'vue';
import { ArrowLeft } from '@lucide/vue';
import type { Compound, NodeId } from '../../../../../core/document/schema';
import { enterOf, leaveOf } from '../../../../../core/document/expand';
import type { PortSide } from '../../../../../core/edits/circuit-edits';
import type { DeclaredPort } from '../../../../../core/kinds/nodes/declared-ports';
import { useEffectStore } from '../../../../stores/effect';
import { useKeptCompoundsStore } from '../../../../stores/kept-compounds';
import InlineNotice from '../../../common/InlineNotice.vue';
import ChipButton from '../../../common/ChipButton.vue';
import TextField from '../../../common/TextField.vue';
import WordButton from '../../../common/WordButton.vue';
import DeclaredPorts from './DeclaredPorts.vue';

const props = defineProps<{
  compound: Compound;
  /** What the board would be one level out. */
  outside: string;
  /** How often it is used. */
  uses: number;
  /** It was opened through a use: what is there at this moment is of that one. */
  ofUse: boolean;
  valueAt: (node: NodeId, port: string) => string;
}>();
const emit = defineEmits<{
  out: [];
  set: [change: Partial<Pick<Compound, 'name' | 'note'>>, gesture: string];
  declare: [node: NodeId, side: PortSide, index: number, port: DeclaredPort | null];
  drop: [];
  done: [];
}>();
const effectStore = useEffectStore();
const kept = useKeptCompoundsStore();
onMounted(() => void kept.load());
/** It is at hand in all effects. */
const onShelf = computed(() => kept.ofCompound(props.compound.id));
/** Its ports are shown. */
const ports = ref(false);
const sides = computed(() => {
  const [enter, leave] = [enterOf(props.compound), leaveOf(props.compound)];
  return [
    ...(enter?.kind === 'enter'
      ? [{ side: 'takes' as const, node: enter.id, declared: enter.set.takes }]
      : []),
    ...(leave?.kind === 'leave'
      ? [{ side: 'gives' as const, node: leave.id, declared: leave.set.gives }]
      : []),
  ];
});
</script>

<template>
  <div class="bar" role="group" aria-label="About the compound">
    <WordButton @click="emit('out')"><ArrowLeft :size="13" /> {{ outside }}</WordButton>
    <TextField
      class="name"
      label="Name of the compound"
      :value="compound.name"
      @change="(name: string) => emit('set', { name }, 'name')"
      @done="emit('done')"
    />
    <TextField
      class="note"
      label="What the compound does"
      placeholder="What does it do?"
      :most="300"
      :value="compound.note"
      @change="(note: string) => emit('set', { note }, 'note')"
      @done="emit('done')"
    />
    <ChipButton :aria-expanded="ports" @click="ports = !ports">Ports</ChipButton>
    <span class="soft">
      {{ uses === 0 ? 'not used' : uses === 1 ? 'used once' : `used ${uses} times`
      }}{{ ofUse ? '; values of this use' : '' }}
    </span>
    <WordButton v-if="uses === 0" @click="emit('drop')">Delete the compound</WordButton>
    <WordButton @click="kept.keep(effectStore.effect, compound.id)">
      {{ onShelf ? 'Update on my shelf' : 'Keep on my shelf' }}
    </WordButton>
    <WordButton v-if="onShelf" @click="kept.drop(onShelf.id)">Take off my shelf</WordButton>
  </div>
  <InlineNotice v-if="kept.error" kind="error" closable @close="kept.error = null">{{
    kept.error
  }}</InlineNotice>
  <div v-if="ports" class="ports">
    <DeclaredPorts
      v-for="{ side, node, declared } in sides"
      :key="side"
      :side="side"
      :ports="declared"
      :value-at="(name) => valueAt(node, name)"
      @declare="(i, port) => emit('declare', node, side, i, port)"
      @done="emit('done')"
    />
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.name {
  width: 140px;
}
.note {
  flex: 1;
  min-width: 140px;
}
.ports {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 14px;
  max-height: 180px;
  overflow: auto;
}
.soft {
  font-size: 12px;
}
</style>
