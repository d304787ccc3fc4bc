<script setup lang="ts">
/** One step of a grade: its numbers, on or off, earlier or later. */
import { computed } from 'vue';
import { ChevronDown, ChevronUp, Eye, EyeOff, Trash2 } from '@lucide/vue';
import { changeGradeStep, moveGradeStep, removeGradeStep } from '../../../../../core/edits/grade-edits';
import {
  gradeStepSchema,
  type AssetId,
  type Grade,
  type GradeStep,
  type GradeStepKind,
  type StepOf,
} from '../../../../../core/document/schema';
import { propertiesIn, valueAt } from '../../../../../core/schema/properties';
import type { DropSpot } from '../../../../intake/drop-spots';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { GRADE_WORDS } from '../../../../words';
import PropertyInput from '../../../common/PropertyInput.vue';
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

const described = computed(() => propertiesIn(gradeStepSchema, props.step));
const set = (path: string, to: unknown): void => change(props.step.kind, { [path]: to }, path);

const tables = computed(() =>
  Object.values(effectStore.effect.assets)
    .filter((a) => a.kind === 'table')
    .map((a) => ({ value: a.id as string, label: a.name })),
);
const spot: DropSpot = {
  kinds: ['table'],
  says: 'It becomes the colour table of this step.',
  put: ([table]) => change('table', { asset: table!.id }),
};
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
    <div v-if="step.kind === 'table'" v-takes="spot" class="table">
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
    <PropertyInput
      v-for="(property, path) in described"
      :key="path"
      as="row"
      :property="property"
      :label="`${words}: ${property.name.toLowerCase()}`"
      :value="valueAt(step, path)"
      @change="(to) => set(path, to)"
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
