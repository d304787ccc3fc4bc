<script setup lang="ts">
/** How long an action waits and takes, how it goes from its beginning to its end, how often, and what is left of it. */
import { computed, ref } from 'vue';
import { beatSchema, type Action, type EasingChoice } from '../../../../../core/document/schema';
import { actionKind, TIMING } from '../../../../../core/kinds/actions/actions';
import { easingWords } from '../../../../behave-words';
import { useEffectStore } from '../../../../stores/effect';
import { propertiesIn } from '../../../../../core/schema/properties';
import PropertyInput from '../../../common/PropertyInput.vue';
import EasingEditor from './EasingEditor.vue';
import ChipButton from '../../../common/ChipButton.vue';

const props = defineProps<{ action: Action; begins: number | null }>();
const emit = defineEmits<{
  change: [change: Partial<Action>, gesture: string | null];
  begins: [share: number];
}>();
const effectStore = useEffectStore();
const BEGINS = propertiesIn(beatSchema, {})['begins']!;
const curve = ref(false);
const kind = computed(() => actionKind(props.action.kind));
const atOnce = computed(() => kind.value.pace === 'atOnce');
const eases = computed(() => kind.value.pace === 'eases');
/** What is switched and stays so has no length: nothing ends. */
const staysSo = computed(
  () =>
    kind.value.pace === 'switches' &&
    !props.action.thereAndBack &&
    props.action.after === 'stay' &&
    props.action.repeat === 1,
);
/** What happens at once takes no time, and once. */
const times = computed(() => [
  ...(atOnce.value || staysSo.value
    ? []
    : [{ path: 'duration' as const, words: kind.value.takes ?? (eases.value ? 'Duration' : 'Stays') }]),
  { path: 'delay' as const, words: 'Delay' },
  ...(atOnce.value || staysSo.value ? [] : [{ path: 'repeat' as const, words: 'Times' }]),
]);
const mayComeBack = computed(() => eases.value || kind.value.pace === 'switches');
const mayPutBack = computed(() => kind.value.pace !== 'goesOn' && kind.value.changes !== undefined);
const set = (change: Partial<Action>, gesture: string | null = null): void => emit('change', change, gesture);
</script>

<template>
  <div class="timing">
    <label v-for="{ path, words } in times" :key="path"
      >{{ words
      }}<PropertyInput
        :property="TIMING[path]!"
        :value="action[path]"
        @change="(to) => set({ [path]: to }, path)"
        @done="effectStore.endGesture()"
    /></label>
    <label v-if="begins !== null"
      >Beat begins at<PropertyInput
        :property="BEGINS"
        :value="begins"
        @change="(share) => emit('begins', share as number)"
        @done="effectStore.endGesture()"
    /></label>
    <PropertyInput
      v-if="mayComeBack"
      :property="TIMING['thereAndBack']!"
      :value="action.thereAndBack"
      @change="(to) => set({ thereAndBack: to as boolean })"
    />
    <ChipButton
      v-if="mayPutBack"
      :aria-pressed="action.after === 'return'"
      title="When it has ended, all is as it was before"
      @click="set({ after: action.after === 'return' ? 'stay' : 'return' })"
    >
      Then as before
    </ChipButton>
    <ChipButton v-if="eases" :aria-expanded="curve" @click="curve = !curve">
      Curve: {{ easingWords(action.easing) }}
    </ChipButton>
  </div>
  <EasingEditor
    v-if="eases && curve"
    :easing="action.easing"
    @change="(easing: EasingChoice, gesture: string | null) => set({ easing }, gesture)"
    @done="effectStore.endGesture()"
  />
</template>

<style scoped>
.timing {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px;
}
.timing label {
  display: grid;
  gap: 2px;
  width: 84px;
  font-size: 11.5px;
  color: var(--soft);
}
</style>
