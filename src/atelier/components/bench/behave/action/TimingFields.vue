<script setup lang="ts">
/** How long an action waits and takes, how it goes from its beginning to its end, how often, and what is left of it. */
import { computed, ref } from 'vue';
import type { Action, EasingChoice } from '../../../../../core/document/schema';
import { actionKind } from '../../../../../core/kinds/actions/actions';
import { easingWords } from '../../../../behave-words';
import { useEffectStore } from '../../../../stores/effect';
import GestureField from '../../../common/GestureField.vue';
import EasingEditor from './EasingEditor.vue';
import ChipButton from '../../../common/ChipButton.vue';

const props = defineProps<{ action: Action; begins: number | null }>();
const emit = defineEmits<{
  change: [change: Partial<Action>, gesture: string | null];
  begins: [share: number];
}>();
const effectStore = useEffectStore();
const curve = ref(false);
const kind = computed(() => actionKind(props.action.kind));
const atOnce = computed(() => kind.value.pace === 'atOnce');
const eases = computed(() => kind.value.pace === 'eases');
const durationWords = computed(() => kind.value.takes ?? (eases.value ? 'Duration' : 'Stays'));
const mayComeBack = computed(() => eases.value || kind.value.pace === 'switches');
const mayPutBack = computed(() => kind.value.pace !== 'goesOn' && kind.value.changes !== undefined);
const set = (change: Partial<Action>, gesture: string | null = null): void => emit('change', change, gesture);
</script>

<template>
  <div class="timing">
    <label v-if="!atOnce"
      >{{ durationWords
      }}<GestureField
        :value="action.duration"
        label="Duration, seconds"
        unit=" s"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="3600"
        @change="(duration) => set({ duration }, 'duration')"
    /></label>
    <label
      >Delay<GestureField
        :value="action.delay"
        label="Delay, seconds"
        unit=" s"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="3600"
        @change="(delay) => set({ delay }, 'delay')"
    /></label>
    <label v-if="!atOnce"
      >Times<GestureField
        :value="action.repeat"
        label="Times; 0 runs without end"
        :digits="0"
        :min="0"
        :max="1000"
        @change="(v) => set({ repeat: Math.round(v) }, 'repeat')"
    /></label>
    <label v-if="begins !== null"
      >Beat begins at<GestureField
        :value="begins * 100"
        label="The beat begins at per cent of the one before"
        unit="%"
        :digits="0"
        :step="5"
        :min="0"
        :max="100"
        @change="(v) => emit('begins', v / 100)"
    /></label>
    <ChipButton
      v-if="mayComeBack"
      :aria-pressed="action.thereAndBack"
      @click="set({ thereAndBack: !action.thereAndBack })"
    >
      There and back
    </ChipButton>
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
