<script setup lang="ts">
/** How often a cue fires, what resets it, and what it is called. */
import type { Cue } from '../../../../core/document/schema';
import { useEffectStore } from '../../../stores/effect';
import GestureField from '../../common/GestureField.vue';
import TriggerList from './TriggerList.vue';
import SelectField from '../../common/SelectField.vue';

const props = defineProps<{ cue: Cue }>();
const emit = defineEmits<{ change: [change: Partial<Cue>, gesture: string | null] }>();
const document = useEffectStore();
const set = (change: Partial<Cue>, gesture: string | null = null): void => emit('change', change, gesture);
const text = (event: Event): string => (event.target as HTMLInputElement).value;
const fires = [
  { value: 'each', label: 'each time' },
  { value: 'once', label: 'once' },
  { value: 'toggle', label: 'forth and back by turns' },
];
const agains = [
  { value: 'restart', label: 'it begins anew' },
  { value: 'ignore', label: 'it goes on' },
];
</script>

<template>
  <div class="options">
    <div class="line">
      <span class="soft">It fires</span>
      <SelectField
        name="How often it fires"
        :value="cue.fires"
        :options="fires"
        @change="(v: unknown) => set({ fires: v as Cue['fires'] })"
      />
      <span class="soft">pause</span>
      <GestureField
        class="small"
        label="Pause after it fired, seconds"
        unit=" s"
        :value="cue.cooldown"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="3600"
        @change="(cooldown) => set({ cooldown }, 'cooldown')"
      />
    </div>
    <div class="line">
      <span class="soft">Set off while at work</span>
      <SelectField
        name="Set off while at work"
        :value="cue.again"
        :options="agains"
        @change="(v: unknown) => set({ again: v as Cue['again'] })"
      />
    </div>
    <p class="soft">Reset: it stops, and what it changed is as it was placed.</p>
    <TriggerList
      label="What resets it"
      :triggers="cue.resets"
      :gesture="`reset-${props.cue.id}`"
      @change="(resets, gesture) => set({ resets }, gesture)"
    />
    <div class="line">
      <label class="soft"
        >Name
        <input
          class="text"
          type="text"
          maxlength="80"
          :value="cue.name"
          placeholder="As its sentence"
          @change="(e) => set({ name: text(e).trim() })"
        />
      </label>
      <label class="soft"
        >Group
        <input
          class="text"
          type="text"
          maxlength="80"
          :value="cue.group"
          placeholder="None"
          @change="(e) => set({ group: text(e).trim() })"
        />
      </label>
      <label class="soft row"
        >Colour
        <input
          type="color"
          aria-label="Colour of the cue"
          :value="cue.colour ?? '#0f6b62'"
          @input="(e) => set({ colour: text(e) }, 'colour')"
          @change="document.endGesture()"
        />
      </label>
      <button v-if="cue.colour" class="word" type="button" @click="set({ colour: null })">No colour</button>
    </div>
    <label class="soft"
      >Note
      <textarea
        class="text note"
        rows="2"
        maxlength="500"
        :value="cue.note"
        @change="(e) => set({ note: text(e).trim() })"
      />
    </label>
  </div>
</template>

<style scoped>
.options {
  display: grid;
  gap: 8px;
  font-size: 12px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.small {
  width: 68px;
}
.text {
  width: 140px;
  height: 24px;
  padding: 0 6px;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.note {
  display: block;
  width: 100%;
  height: auto;
  padding: 4px 6px;
  resize: vertical;
}
</style>
