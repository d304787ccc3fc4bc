<script setup lang="ts">
/** How particles look over their life: size, opacity and colour at two to eight ages. */
import { Plus, Trash2 } from '@lucide/vue';
import type { Fountain } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import GestureField from '../common/GestureField.vue';
import IconButton from '../common/IconButton.vue';

type Age = Fountain['over'][number];
const props = defineProps<{ over: Fountain['over'] }>();
const emit = defineEmits<{ change: [over: Fountain['over'], gesture: string | null] }>();
const effectStore = useEffectStore();
const done = (): void => effectStore.endGesture();
const stop = (i: number, change: Partial<Age>, gesture: string | null): void =>
  emit(
    'change',
    props.over.map((s, n) => (n === i ? { ...s, ...change } : s)),
    gesture,
  );
const addStop = (): void => {
  const { over } = props;
  const [a, b] = [over.at(-2)!, over.at(-1)!];
  emit('change', [...over.slice(0, -1), { ...a, at: (a.at + b.at) / 2 }, b], null);
};
const percent = (v: number): number => v * 100;
</script>

<template>
  <div class="over" role="group" aria-label="Over the life of a particle">
    <p class="row">
      <span class="grow">Over its life</span>
      <IconButton aria-label="Another age" :disabled="over.length >= 8" @click="addStop">
        <Plus :size="12" />
      </IconButton>
    </p>
    <div
      v-for="(age, i) in over"
      :key="i"
      class="age"
      role="group"
      :aria-label="`Stop ${i + 1} of their life`"
    >
      <GestureField
        label="Age, per cent"
        unit="%"
        :value="percent(age.at)"
        :min="0"
        :max="100"
        :digits="0"
        @change="(v) => stop(i, { at: v / 100 }, `at-${i}`)"
      />
      <GestureField
        label="Size at this age, per cent"
        mark="size"
        unit="%"
        :value="percent(age.size)"
        :min="0"
        :max="2000"
        :digits="0"
        @change="(v) => stop(i, { size: v / 100 }, `over-size-${i}`)"
      />
      <GestureField
        label="Opacity at this age, per cent"
        mark="op."
        unit="%"
        :value="percent(age.opacity)"
        :min="0"
        :max="100"
        :digits="0"
        @change="(v) => stop(i, { opacity: v / 100 }, `over-opacity-${i}`)"
      />
      <input
        type="color"
        :aria-label="`Colour at age ${i + 1}`"
        :value="age.colour"
        @input="(e) => stop(i, { colour: (e.target as HTMLInputElement).value }, `over-colour-${i}`)"
        @change="done"
      />
      <IconButton
        :aria-label="`Remove age ${i + 1}`"
        :disabled="over.length <= 2"
        @click="
          emit(
            'change',
            over.filter((_, n) => n !== i),
            null,
          )
        "
      >
        <Trash2 :size="11" />
      </IconButton>
    </div>
  </div>
</template>

<style scoped src="./fields.css"></style>
<style scoped>
.over {
  display: grid;
  gap: 4px;
  color: var(--soft);
}
.age {
  display: grid;
  grid-template-columns: 1fr 1.3fr 1.3fr 28px 20px;
  gap: 4px;
  align-items: center;
}
</style>
