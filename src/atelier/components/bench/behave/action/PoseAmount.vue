<script setup lang="ts">
/** The pose an object travels to: captured where it stands now. */
import { computed } from 'vue';
import { LocateFixed } from '@lucide/vue';
import type { ActionOf } from '../../../../../core/document/schema';
import { actionProperties } from '../../../../../core/kinds/actions/actions';
import { writtenAll } from '../../../../../core/kinds/written';
import { useEffectStore } from '../../../../stores/effect';
import PropertyInput from '../../../common/PropertyInput.vue';

const props = defineProps<{ action: ActionOf<'pose'> }>();
const emit = defineEmits<{ change: [change: object, gesture: string | null] }>();
const effectStore = useEffectStore();
const object = computed(() => {
  const [id] = props.action.targets;
  return id === undefined ? undefined : effectStore.effect.objects[id];
});
/** The pose in which the object stands now, in the document. */
const capture = (): void => {
  if (!object.value) return;
  const { move, turn, scale } = object.value;
  emit('change', { move, turn, scale }, null);
};
const captured = computed(() => {
  const { move, turn, scale } = props.action;
  return `${writtenAll(move, 100)} cm · ${writtenAll(turn, 1)}° · ${writtenAll(scale, 100)} %`;
});
</script>

<template>
  <div class="line">
    <a-button size="small" :disabled="!object" @click="capture">
      <span class="row"><LocateFixed :size="13" /> Capture where it stands now</span>
    </a-button>
    <span class="num soft">{{ captured }}</span>
    <PropertyInput
      :property="actionProperties(action)['way']!"
      :value="action.way"
      @change="(way) => emit('change', { way }, null)"
    />
    <p class="soft whole">
      Place {{ object?.name ?? 'the object' }} by hand, press Capture, then undo the placing or place it where
      it begins.
    </p>
  </div>
</template>

<style scoped src="./amount.css"></style>
