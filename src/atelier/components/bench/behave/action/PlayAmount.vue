<script setup lang="ts">
/** What is played, from where to where, how fast and how often; how many particles. */
import { computed } from 'vue';
import type { Action } from '../../../../../core/document/schema';
import { useEffectStore } from '../../../../stores/effect';
import GestureField from '../../../common/GestureField.vue';
import ChoiceField from '../../../common/ChoiceField.vue';
import SelectField from '../../../common/SelectField.vue';
import ChipButton from '../../../common/ChipButton.vue';

const props = defineProps<{ action: Action }>();
const emit = defineEmits<{ change: [change: object, gesture: string | null] }>();
const effectStore = useEffectStore();
const set = (change: object, gesture: string | null = null): void => emit('change', change, gesture);
const modes = (list: readonly string[]) => list.map((value) => ({ value, label: value }));
const first = computed(() => {
  const [id] = props.action.targets;
  return id === undefined ? undefined : effectStore.effect.objects[id];
});
const clips = computed(() => {
  const object = first.value;
  const asset = object?.kind === 'model' ? effectStore.effect.assets[object.asset] : undefined;
  return asset?.kind === 'model' ? asset.clips.map((c) => ({ value: c.name, label: c.name })) : [];
});
</script>

<template>
  <div v-if="action.kind === 'play'" class="line">
    <SelectField
      name="Play, pause or stop"
      class="wide"
      :value="action.do"
      :options="modes(['play', 'pause', 'stop'])"
      @change="(v: unknown) => set({ do: v })"
    />
    <template v-if="action.do === 'play'">
      <ChoiceField
        v-if="clips.length > 0"
        label="Clip"
        :needed="false"
        ask="Its own clip"
        :value="action.clip"
        :options="clips"
        @change="(clip) => set({ clip })"
      />
      <span class="soft">from</span>
      <GestureField
        class="small"
        :value="action.from"
        label="From, seconds"
        unit=" s"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="3600"
        @change="(from) => set({ from }, 'from')"
      />
      <ChipButton :aria-pressed="action.to !== null" @click="set({ to: action.to === null ? 1 : null })">
        {{ action.to === null ? 'to its end' : 'to' }}
      </ChipButton>
      <GestureField
        v-if="action.to !== null"
        class="small"
        :value="action.to"
        label="To, seconds"
        unit=" s"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="3600"
        @change="(to) => set({ to }, 'to')"
      />
      <span class="soft">at</span>
      <GestureField
        class="small"
        :value="action.speed * 100"
        label="Speed, per cent"
        unit="%"
        :step="10"
        :digits="0"
        :min="-1000"
        :max="1000"
        @change="(v) => set({ speed: v / 100 }, 'speed')"
      />
      <GestureField
        class="small"
        :value="action.times"
        label="How often; 0 without end"
        unit=" ×"
        :digits="0"
        :min="0"
        :max="1000"
        @change="(v) => set({ times: Math.round(v) }, 'times')"
      />
      <GestureField
        v-if="clips.length > 0"
        class="small"
        :value="action.blend"
        label="Comes in over, seconds"
        mark="in"
        unit=" s"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="60"
        @change="(blend) => set({ blend }, 'blend')"
      />
    </template>
  </div>
  <div v-else-if="action.kind === 'picture'" class="line">
    <SelectField
      name="Which picture"
      class="wide"
      :value="action.go"
      :options="[
        { value: 'next', label: 'the next' },
        { value: 'previous', label: 'the one before' },
        { value: 'to', label: 'number' },
      ]"
      @change="(v: unknown) => set({ go: v })"
    />
    <GestureField
      v-if="action.go === 'to'"
      class="small"
      :value="action.number"
      label="Number of the picture"
      :digits="0"
      :min="1"
      :max="4096"
      @change="(v) => set({ number: Math.round(v) }, 'number')"
    />
  </div>
</template>

<style scoped src="./amount.css"></style>
