<script setup lang="ts">
/** One step of a grade: its numbers, on or off, earlier or later. */
import { computed } from 'vue';
import { ChevronDown, ChevronUp, Eye, EyeOff, Trash2 } from '@lucide/vue';
import { changeGradeStep, moveGradeStep, removeGradeStep } from '../../../../../core/edits/grade-edits';
import type { AssetId, Grade, GradeStep, GradeStepKind, StepOf } from '../../../../../core/document/schema';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { GRADE_WORDS } from '../../../../words';
import SliderField from '../../../common/SliderField.vue';
import CurveEditor from './CurveEditor.vue';
import SelectField from '../../../common/SelectField.vue';
import IconButton from '../../../common/IconButton.vue';
import WordButton from '../../../common/WordButton.vue';

const props = defineProps<{ grade: Grade; step: GradeStep; place: number; first: boolean; last: boolean }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const words = computed(() => GRADE_WORDS[props.step.kind]);

const change = <K extends GradeStepKind>(
  kind: K,
  to: Partial<Omit<StepOf<K>, 'id' | 'kind'>>,
  gesture: string | null = null,
): void => {
  effectStore.edit(
    changeGradeStep(effectStore.effect, props.grade.id, props.step.id, kind, to),
    gesture === null ? null : `${props.step.id} ${gesture}`,
  );
};

/** A slider of the interface: what it shows is the document's number times `scale`. */
interface Slider {
  readonly field: string;
  readonly name: string;
  readonly min: number;
  readonly max: number;
  readonly scale: number;
  readonly unit?: string;
  readonly digits?: number;
  readonly step?: number;
}
const percent = (field: string, name: string, min = 0, max = 100): Slider => ({
  field,
  name,
  min,
  max,
  scale: 100,
  unit: '%',
});
const SLIDERS: Record<GradeStepKind, readonly Slider[]> = {
  exposure: [{ field: 'stops', name: 'Stops', min: -5, max: 5, scale: 1, digits: 2, step: 0.05 }],
  whiteBalance: [
    { field: 'kelvin', name: 'Temperature', min: 2000, max: 12_000, scale: 1, step: 50, unit: ' K' },
    percent('tint', 'Tint', -100),
  ],
  contrast: [percent('amount', 'Amount', -100)],
  saturation: [percent('amount', 'Amount', -100)],
  curves: [],
  table: [percent('strength', 'Strength')],
  vignette: [
    percent('amount', 'Darker', -100),
    percent('begin', 'Begins at'),
    percent('softness', 'Softness'),
  ],
  grain: [
    percent('amount', 'Amount'),
    { field: 'size', name: 'Size', min: 1, max: 8, scale: 1, digits: 1, step: 0.1, unit: ' px' },
  ],
  bloom: [
    percent('above', 'Brighter than'),
    percent('strength', 'Strength', 0, 200),
    percent('reach', 'Reach'),
  ],
  sharpen: [percent('amount', 'Amount', 0, 200)],
};
const sliders = computed(() => SLIDERS[props.step.kind]);
const valueOf = ({ field, scale }: Slider): number =>
  (props.step as unknown as Record<string, number>)[field]! * scale;
const set = ({ field, scale }: Slider, value: number): void => {
  change(props.step.kind, { [field]: value / scale }, field);
};

const tables = computed(() =>
  Object.values(effectStore.effect.assets)
    .filter((a) => a.kind === 'table')
    .map((a) => ({ value: a.id as string, label: a.name })),
);
/** The table it used was deleted. */
const gone = computed(
  () =>
    props.step.kind === 'table' && props.step.asset !== null && !effectStore.effect.assets[props.step.asset],
);
const move = (by: number): void => {
  effectStore.edit(moveGradeStep(effectStore.effect, props.grade.id, props.step.id, props.place + by));
};
</script>

<template>
  <li class="step" :class="{ off: !step.on }" :aria-label="words">
    <div class="head">
      <b>{{ words }}</b>
      <IconButton :disabled="first" :aria-label="`${words}: earlier`" title="Earlier" @click="move(-1)">
        <ChevronUp :size="14" />
      </IconButton>
      <IconButton :disabled="last" :aria-label="`${words}: later`" title="Later" @click="move(1)">
        <ChevronDown :size="14" />
      </IconButton>
      <IconButton
        :aria-label="step.on ? `Switch ${words} off` : `Switch ${words} on`"
        :aria-pressed="!step.on"
        @click="change(step.kind, { on: !step.on })"
      >
        <Eye v-if="step.on" :size="14" /><EyeOff v-else :size="14" />
      </IconButton>
      <IconButton
        :aria-label="`Remove ${words}`"
        @click="effectStore.edit(removeGradeStep(effectStore.effect, grade.id, step.id))"
      >
        <Trash2 :size="13" />
      </IconButton>
    </div>
    <CurveEditor
      v-if="step.kind === 'curves'"
      :step="step"
      @change="(to, gesture) => change('curves', to, gesture)"
      @done="effectStore.endGesture()"
    />
    <div v-if="step.kind === 'table'" class="table">
      <span>Table</span>
      <SelectField
        v-if="tables.length > 0"
        name="Colour table"
        :status="gone ? 'error' : ''"
        :value="gone ? undefined : (step.asset ?? '')"
        :placeholder="gone ? 'It was deleted: choose another' : ''"
        :options="[{ value: '', label: 'None' }, ...tables]"
        @change="(v: unknown) => change('table', { asset: (v || null) as AssetId | null })"
      />
      <span v-else class="soft">
        Drop a .cube file or a table strip anywhere, or
        <WordButton @click="desk.openLibrary({ tab: 'stock' })"> look in the stock</WordButton>.
      </span>
    </div>
    <SliderField
      v-for="slider in sliders"
      :key="slider.field"
      :name="slider.name"
      :label="`${words}: ${slider.name.toLowerCase()}`"
      :value="valueOf(slider)"
      :min="slider.min"
      :max="slider.max"
      :step="slider.step ?? 1"
      :digits="slider.digits ?? 0"
      :unit="slider.unit ?? ''"
      @change="(v) => set(slider, v)"
      @done="effectStore.endGesture()"
    />
  </li>
</template>

<style scoped>
.step {
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.off > :not(.head),
.off b {
  opacity: 0.5;
}
.head {
  display: flex;
  align-items: center;
  gap: 2px;
}
.head b {
  flex: 1;
  font-weight: 600;
}
.table {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 10px;
  align-items: center;
  color: var(--soft);
}
</style>
