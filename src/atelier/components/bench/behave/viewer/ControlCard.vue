<script setup lang="ts">
/** One control: what it is, and what it drives. */
import { computed } from 'vue';
import { Trash2 } from '@lucide/vue';
import { newDrive } from '../../../../../core/document/new-cues';
import { putControl, putDrive, removeControl } from '../../../../../core/edits/viewer-edits';
import { controlSchema, MOST_OPTIONS, type AssetId, type Control } from '../../../../../core/document/schema';
import { newDriveId } from '../../../../api/ids';
import type { DropSpot } from '../../../../intake/drop-spots';
import { fittingTo } from '../../../../../core/behave/fitting-range';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { propertiesIn, valueAt } from '../../../../../core/schema/properties';
import PropertyInput from '../../../common/PropertyInput.vue';
import ChoiceField from '../../../common/ChoiceField.vue';
import PictureChoice from '../../../common/PictureChoice.vue';
import { useChoices } from '../../../common/choices';
import DriveRow from './DriveRow.vue';
import TextField from '../../../common/TextField.vue';
import IconButton from '../../../common/IconButton.vue';
import WordButton from '../../../common/WordButton.vue';

const props = defineProps<{ control: Control }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const choices = useChoices();
const set = (change: object, gesture: string | null = null): void =>
  void effectStore.edit(
    putControl({ ...props.control, ...change } as Control),
    gesture && `${gesture}-${props.control.id}`,
  );
/** The numbers of a slider. */
const described = computed(() => Object.entries(propertiesIn(controlSchema, props.control)));
const numbers = computed(() => described.value.filter(([, { type }]) => type === 'number'));
const switches = computed(() => described.value.filter(([, { type }]) => type === 'switch'));
const drives = computed(() =>
  Object.values(effectStore.effect.drives)
    .filter((d) => d.signal.kind === 'control' && d.signal.control === props.control.id)
    .sort((a, b) => a.order - b.order),
);
/** A field that takes a dropped picture. */
const picturesOf = (what: string, put: (id: AssetId) => void): DropSpot => ({
  kinds: ['picture'],
  says: `It becomes ${what}.`,
  put: ([asset]) => put(asset!.id),
});
const drive = (): void => {
  const { control } = props;
  const range: [number, number] =
    control.kind === 'slider'
      ? [control.least, control.most]
      : control.kind === 'choice'
        ? [1, Math.max(2, control.options.length)]
        : [0, 1];
  const fresh = newDrive(
    newDriveId(),
    drives.value.length + 1,
    { kind: 'control', control: control.id },
    { kind: 'number', objects: [...desk.selection], property: 'size' },
  );
  void effectStore.edit(
    putDrive(
      { ...fresh, remap: { ...fresh.remap, from: range, to: [...fittingTo(effectStore.effect, fresh.to)] } },
      `Bind ${control.name}`,
    ),
  );
};
const setOption = (i: number, change: object, gesture: string | null = null): void => {
  if (props.control.kind !== 'choice') return;
  set({ options: props.control.options.map((o, n) => (n === i ? { ...o, ...change } : o)) }, gesture);
};
/** The two ends of a slider, each with a picture or a sign. */
const ENDS = [
  { which: 'lower', side: 'Left', icon: 'lowIcon', text: 'lowText', hint: '− A ☾' },
  { which: 'upper', side: 'Right', icon: 'highIcon', text: 'highText', hint: '+ Z ☀' },
] as const;
const SAYS = { slider: 'Slider', choice: 'Choice', switch: 'Switch', button: 'Button' } as const;
</script>

<template>
  <article class="card" :aria-label="`${SAYS[control.kind]} ${control.name}`">
    <div class="row">
      <span class="faint kind">{{ SAYS[control.kind] }}</span>
      <TextField
        class="grow"
        label="Name of the control"
        :value="control.name"
        :most="80"
        @change="(name) => set({ name: name.trim() || SAYS[control.kind] })"
      />
      <ChoiceField
        v-if="choices.scenes.value.length > 0"
        label="Seen in which scene"
        :needed="false"
        :value="control.scene ?? ''"
        :options="[{ value: '', label: 'in every scene' }, ...choices.scenes.value]"
        @change="(v) => set({ scene: v === '' ? null : v })"
      />
      <IconButton
        aria-label="Delete control"
        @click="effectStore.edit(removeControl(effectStore.effect, control.id))"
      >
        <Trash2 :size="13" />
      </IconButton>
    </div>
    <div v-if="control.kind === 'slider'" class="line">
      <label v-for="[path, property] in numbers" :key="path"
        >{{ property.short ?? property.name
        }}<PropertyInput
          :property="property"
          :value="valueAt(control, path)"
          @change="(to) => set({ [path]: to }, path)"
          @done="effectStore.endGesture()" /></label
      ><label
        >Unit<TextField
          class="unit"
          label="Unit"
          :value="control.unit"
          :most="12"
          @change="(unit) => set({ unit })"
      /></label>
      <PropertyInput
        v-for="[path, property] in switches"
        :key="path"
        :property="property"
        :value="valueAt(control, path)"
        @change="(to) => set({ [path]: to })"
      />
    </div>
    <div v-if="control.kind === 'slider'" class="line ends">
      <div
        v-for="end in ENDS"
        :key="end.icon"
        v-takes="picturesOf(`the sign at its ${end.which} end`, (id) => set({ [end.icon]: id }))"
        class="end"
      >
        <span>{{ end.side }} end</span
        ><TextField
          v-if="!control[end.icon]"
          class="unit"
          :label="`Sign at its ${end.which} end`"
          :placeholder="end.hint"
          :value="control[end.text]"
          :most="12"
          @change="(text) => set({ [end.text]: text })"
        /><PictureChoice
          :label="`Picture at its ${end.which} end`"
          :value="control[end.icon]"
          @change="(picture) => set({ [end.icon]: picture })"
        />
      </div>
    </div>
    <template v-else-if="control.kind === 'choice'">
      <div v-for="(option, i) in control.options" :key="i" class="row">
        <a-radio
          class="starts"
          :name="`start-${control.id}`"
          :checked="control.start === i + 1"
          :aria-label="`Starts with ${option.name}`"
          @change="set({ start: i + 1 })"
        />
        <TextField
          class="grow"
          :label="`Name of option ${i + 1}`"
          :value="option.name"
          :most="80"
          @change="(name) => setOption(i, { name: name.trim() })"
        />
        <PictureChoice
          v-takes="picturesOf(`the thumbnail of ${option.name}`, (picture) => setOption(i, { picture }))"
          :label="`Thumbnail of option ${i + 1}`"
          :value="option.picture"
          @change="(picture) => setOption(i, { picture })"
        />
        <IconButton
          :aria-label="`Delete option ${i + 1}`"
          :disabled="control.options.length <= 1"
          @click="set({ options: control.options.filter((_, n) => n !== i), start: 1 })"
        >
          <Trash2 :size="13" />
        </IconButton>
      </div>
      <WordButton
        :disabled="control.options.length >= MOST_OPTIONS"
        @click="
          set({
            options: [...control.options, { name: `Option ${control.options.length + 1}`, picture: null }],
          })
        "
      >
        + Option
      </WordButton>
    </template>
    <PropertyInput
      v-else-if="control.kind === 'switch'"
      as="switch"
      class="soft"
      :property="switches[0]![1]"
      :value="control.start"
      @change="(start) => set({ start })"
    />
    <p v-else class="soft">It sets off cues: choose <i>control is used</i> in one.</p>
    <DriveRow v-for="d in drives" :key="d.id" :drive="d" bound />
    <WordButton v-if="control.kind !== 'button'" @click="drive"> + What it drives </WordButton>
  </article>
</template>

<style scoped>
.card {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  justify-items: start;
  gap: 8px;
  padding: 8px 10px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
}
.card > .row {
  width: 100%;
}
.kind {
  width: 42px;
  font-size: 11.5px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
}
.line label {
  display: grid;
  gap: 2px;
  width: 86px;
  font-size: 11.5px;
  color: var(--soft);
}
.end {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  font-size: 11.5px;
  color: var(--soft);
}
.starts {
  margin: 0;
}
.ends {
  gap: 6px 20px;
}
.ant-input.unit {
  width: 60px;
}
</style>
