<script setup lang="ts">
/** What irises, lashes, dyed hair and retouch have of their own. */
import { computed } from 'vue';
import { reshape } from '../../../core/document/edits';
import {
  EYES,
  type Eyes,
  type Hair,
  type Iris,
  type Lashes,
  type Retouch,
} from '../../../core/document/schema';
import { EYES_WORDS } from '../../face-words';
import { useEffectStore } from '../../stores/effect';
import { usePlaybackStore } from '../../stores/playback';
import SliderField from '../common/SliderField.vue';
import SelectField from '../common/SelectField.vue';

const props = defineProps<{ object: Iris | Lashes | Hair | Retouch }>();
const document = useEffectStore();
const playback = usePlaybackStore();
const set = (change: object, gesture: string | null = null): void => {
  const { id, kind } = props.object;
  document.edit(reshape(document.effect, id, kind as 'iris', change), gesture && id + gesture);
};
const done = (): void => document.endGesture();
/** A part of the retouch with its switch. */
const PARTS = [
  { key: 'underEyes', name: 'Under eyes', label: 'Light under the eyes' },
  { key: 'eyes', name: 'Eyes', label: 'Brightness of the eyes' },
  { key: 'teeth', name: 'Teeth', label: 'Brightness of the teeth' },
] as const;
const retouch = computed(() => (props.object.kind === 'retouch' ? props.object : null));
/** Changes one part of the retouch. */
const setPart = (
  key: 'smooth' | 'underEyes' | 'eyes' | 'teeth',
  change: object,
  gesture: string | null = null,
) => set({ [key]: { ...retouch.value![key], ...change } }, gesture);
const eyes = EYES.map((value) => ({ value, label: EYES_WORDS[value] }));
</script>

<template>
  <div v-if="object.kind === 'iris' || object.kind === 'lashes'" class="line">
    <span>Eyes</span>
    <SelectField
      name="Eyes"
      class="wide"
      :value="object.eyes"
      :options="eyes"
      @change="(v: unknown) => set({ eyes: v as Eyes })"
    />
  </div>
  <template v-if="object.kind === 'iris'">
    <SliderField
      name="Pupil"
      unit="%"
      :value="object.pupil * 100"
      :min="0"
      :max="100"
      @change="(v) => set({ pupil: v / 100 }, 'pupil')"
      @done="done"
    />
    <SliderField
      name="Glint"
      unit="%"
      :value="object.glint * 100"
      :min="0"
      :max="100"
      @change="(v) => set({ glint: v / 100 }, 'glint')"
      @done="done"
    />
  </template>
  <template v-if="object.kind === 'lashes'">
    <SliderField
      name="Length"
      unit="%"
      :value="object.length * 100"
      :min="20"
      :max="300"
      @change="(v) => set({ length: v / 100 }, 'length')"
      @done="done"
    />
    <SliderField
      name="Curl"
      unit="°"
      :value="object.curl"
      :min="0"
      :max="120"
      @change="(curl) => set({ curl }, 'curl')"
      @done="done"
    />
    <SliderField
      name="Density"
      unit="%"
      :value="object.density * 100"
      :min="20"
      :max="300"
      @change="(v) => set({ density: v / 100 }, 'density')"
      @done="done"
    />
    <button class="chip" type="button" :aria-pressed="object.lower" @click="set({ lower: !object.lower })">
      On the lower lids too
    </button>
  </template>
  <template v-if="object.kind === 'hair'">
    <SliderField
      name="Roots"
      label="Roots that keep their colour"
      unit="%"
      :value="object.roots * 100"
      :min="0"
      :max="100"
      @change="(v) => set({ roots: v / 100 }, 'roots')"
      @done="done"
    />
    <p v-if="playback.source === 'camera'" class="soft">
      On your camera hair is told by how it looks over the forehead: very short or white hair may keep its
      colour. On takes it is known exactly.
    </p>
  </template>
  <template v-if="retouch">
    <button
      class="chip"
      type="button"
      :aria-pressed="retouch.smooth.on"
      @click="setPart('smooth', { on: !retouch.smooth.on })"
    >
      Even skin
    </button>
    <template v-if="retouch.smooth.on">
      <SliderField
        name="Strength"
        label="Strength of even skin"
        unit="%"
        :value="retouch.smooth.strength * 100"
        :min="0"
        :max="100"
        @change="(v) => setPart('smooth', { strength: v / 100 }, 'smooth')"
        @done="done"
      />
      <SliderField
        name="Detail"
        label="Detail that stays"
        unit="%"
        :value="retouch.smooth.detail * 100"
        :min="0"
        :max="100"
        @change="(v) => setPart('smooth', { detail: v / 100 }, 'detail')"
        @done="done"
      />
    </template>
    <template v-for="part in PARTS" :key="part.key">
      <button
        class="chip"
        type="button"
        :aria-pressed="retouch[part.key].on"
        @click="setPart(part.key, { on: !retouch[part.key].on })"
      >
        {{ part.label }}
      </button>
      <SliderField
        v-if="retouch[part.key].on"
        :name="part.name"
        :label="`${part.label}, how much`"
        unit="%"
        :value="retouch[part.key].amount * 100"
        :min="0"
        :max="100"
        @change="(v) => setPart(part.key, { amount: v / 100 }, part.key)"
        @done="done"
      />
    </template>
  </template>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 56px 1fr 72px;
  gap: 5px;
  align-items: center;
  color: var(--soft);
}
.wide {
  grid-column: 2 / -1;
}
.chip {
  justify-self: start;
}
:deep(.slider-field),
.slider-field {
  --label: 66px;
  gap: 5px;
}
</style>
