<script setup lang="ts">
/** A number of an object that is dragged onto a board. */
import { onBeforeUnmount, onMounted, ref } from 'vue';
import { draggable } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import type { ObjectId } from '../../../core/document/schema';
import { useBoardThingStore, type BoardThing } from '../../stores/board-thing';
import ChipButton from '../common/ChipButton.vue';

const props = defineProps<{ object: ObjectId; path: string; name: string }>();
const things = useBoardThingStore();
const own = (): BoardThing => ({ object: props.object, property: props.path });
const element = ref<HTMLElement | null>(null);
let stop = (): void => {};
onMounted(() => {
  stop = draggable({ element: element.value!, getInitialData: () => ({ thing: own() }) });
});
onBeforeUnmount(() => stop());
</script>

<template>
  <span ref="element" class="number">
    <ChipButton @click="things.offer(own())">{{ name }}</ChipButton>
  </span>
</template>

<style scoped>
.number {
  cursor: grab;
}
</style>
