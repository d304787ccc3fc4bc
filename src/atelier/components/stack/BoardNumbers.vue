<script setup lang="ts">
/** The numbers of an object, to be put on the board of the circuit that is open. */
import { computed, ref } from 'vue';
import { numberName, offeredNumbers } from '../../../core/kinds/numbers';
import type { EffectObject } from '../../../core/document/schema';
import ChipButton from '../common/ChipButton.vue';
import BoardNumber from './BoardNumber.vue';

const props = defineProps<{ object: EffectObject }>();
const open = ref(false);
const numbers = computed(() =>
  offeredNumbers(props.object).map((path) => ({ path, name: numberName(props.object, path) })),
);
</script>

<template>
  <div class="numbers">
    <ChipButton :aria-expanded="open" @click="open = !open">Its numbers</ChipButton>
    <template v-if="open">
      <p class="soft">Drag one onto the board, or click it: it is read there, or written.</p>
      <BoardNumber
        v-for="{ path, name } in numbers"
        :key="path"
        :object="object.id"
        :path="path"
        :name="name"
      />
    </template>
  </div>
</template>

<style scoped>
.numbers {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin-top: 6px;
}
p {
  flex-basis: 100%;
  margin: 0;
  font-size: 12px;
}
</style>
