<script setup lang="ts">
/** How often a cue fires, what resets it, and what it is called. */
import { computed, ref, useId } from 'vue';
import { cueSchema, type Cue } from '../../../../core/document/schema';
import { propertiesIn } from '../../../../core/schema/properties';
import { useEffectStore } from '../../../stores/effect';
import PropertyInput from '../../common/PropertyInput.vue';
import TriggerList from './TriggerList.vue';
import TextField from '../../common/TextField.vue';
import WordButton from '../../common/WordButton.vue';

const props = defineProps<{ cue: Cue }>();
const emit = defineEmits<{ change: [change: Partial<Cue>, gesture: string | null] }>();
const effectStore = useEffectStore();
const set = (change: Partial<Cue>, gesture: string | null = null): void => emit('change', change, gesture);
/** The note as it is being written; null shows that of the cue. */
const note = ref<string | null>(null);
const keepNote = (): void => {
  if (note.value !== null && note.value.trim() !== props.cue.note) set({ note: note.value.trim() });
  note.value = null;
};
const text = (event: Event): string => (event.target as HTMLInputElement).value;
/** The groups that there are. */
const groups = computed(() =>
  [...new Set(Object.values(effectStore.effect.cues).map((cue) => cue.group))].filter(Boolean).sort(),
);
const groupList = useId();
const DESCRIBED = propertiesIn(cueSchema, {});
const put = (change: Record<string, unknown>, gesture: string | null = null): void =>
  set(change as Partial<Cue>, gesture);
</script>

<template>
  <div class="options">
    <div class="line">
      <span class="soft">It fires</span>
      <PropertyInput :property="DESCRIBED['fires']!" :value="cue.fires" @change="(fires) => put({ fires })" />
      <span class="soft">pause</span>
      <PropertyInput
        class="small"
        :property="DESCRIBED['cooldown']!"
        :value="cue.cooldown"
        @change="(cooldown) => put({ cooldown }, 'cooldown')"
        @done="effectStore.endGesture()"
      />
    </div>
    <div class="line">
      <span class="soft">Set off while at work</span>
      <PropertyInput :property="DESCRIBED['again']!" :value="cue.again" @change="(again) => put({ again })" />
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
        <TextField
          class="text"
          :value="cue.name"
          :most="80"
          placeholder="As its sentence"
          @change="(name) => set({ name: name.trim() })"
        />
      </label>
      <label class="soft"
        >Group
        <TextField
          class="text"
          :value="cue.group"
          :most="80"
          placeholder="None"
          :list="groupList"
          @change="(group) => set({ group: group.trim() })"
        /> <datalist :id="groupList">
          <option v-for="group in groups" :key="group" :value="group" />
        </datalist>
      </label>
      <label class="soft row"
        >Colour
        <input
          type="color"
          aria-label="Colour of the cue"
          :value="cue.colour ?? '#0f6b62'"
          @input="(e) => set({ colour: text(e) }, 'colour')"
          @change="effectStore.endGesture()"
        />
      </label>
      <WordButton v-if="cue.colour" @click="set({ colour: null })">No colour</WordButton>
    </div>
    <label class="soft"
      >Note
      <a-textarea
        class="note"
        size="small"
        :rows="2"
        :maxlength="500"
        :value="note ?? cue.note"
        @change="(e: Event) => (note = text(e))"
        @blur="keepNote"
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
.ant-input.text {
  width: 140px;
}
</style>
