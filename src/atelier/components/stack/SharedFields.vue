<script setup lang="ts">
/** The fields that all selected objects have: *mixed* where they differ, and set for all at once. */
import { computed } from 'vue';
import { sharedProperties, type SharedProperty } from '../../../core/document/shared-properties';
import { BLEND_MODES, type EffectObject } from '../../../core/document/schema';
import { sharedPlace, sizePlace } from '../../../core/edits/formula-edits';
import { setBlendOfAll, setPropertyOfAll, setScaleOfAll } from '../../../core/edits/shared-edits';
import { clamp } from '../../../core/maths/scalar';
import { isOnFace, isPlaceOnly } from '../../../core/kinds/objects/objects';
import { useEffectStore } from '../../stores/effect';
import { BLEND_WORDS } from '../../words';
import LengthField from './LengthField.vue';
import DrivableNumber from '../common/formula/DrivableNumber.vue';
import NumberField from '../common/NumberField.vue';
import PropertyInput from '../common/PropertyInput.vue';
import SelectField from '../common/SelectField.vue';

const props = defineProps<{ objects: readonly EffectObject[] }>();
const effectStore = useEffectStore();
const AXES = ['x', 'y', 'z'] as const;
const ids = computed(() => props.objects.map((o) => o.id));
const shared = computed(() => sharedProperties(props.objects));
const triples = computed(() =>
  (['move', 'turn'] as const).flatMap((key) => {
    const axes = [0, 1, 2].map((i) => ({ path: `${key}.${i}`, of: shared.value[`${key}.${i}`] }));
    return axes.every((a) => a.of) ? [{ key, name: key === 'move' ? 'Move' : 'Turn', axes }] : [];
  }),
);
const rest = computed(() =>
  Object.entries(shared.value).filter(
    ([path]) => !/^(move|turn)\.\d$/.test(path) && !path.startsWith('depth'),
  ),
);
const isSized = computed(() => props.objects.every((o) => !isOnFace(o) && !isPlaceOnly(o)));
const differ = (of: (object: EffectObject) => unknown): boolean =>
  props.objects.some((o) => of(o) !== of(props.objects[0]!));
const blends = BLEND_MODES.map((value) => ({ value, label: BLEND_WORDS[value] }));
const blend = computed(() => {
  const all = props.objects.flatMap((o) => ('blend' in o ? [o.blend] : []));
  return all.length < props.objects.length
    ? null
    : { value: all[0]!, isMixed: all.some((b) => b !== all[0]) };
});
const set = (path: string, to: unknown, felt: boolean): void => {
  effectStore.edit(setPropertyOfAll(effectStore.effect, ids.value, path, to), felt ? `all-${path}` : null);
};
/** In per cent. */
const SIZE_ENDS = [0.01, 1_000_000] as const;
const setSize = (axis: number, wanted: number): void => {
  const to = clamp(wanted, ...SIZE_ENDS) / 100;
  effectStore.edit(setScaleOfAll(effectStore.effect, ids.value, axis, to), `all-scale-${axis}`);
};
const fieldOf = (path: string, { property, value, isMixed }: SharedProperty) => ({
  property,
  value,
  mixed: isMixed,
  place: property.type === 'number' ? sharedPlace(props.objects, path) : null,
});
const done = (): void => effectStore.endGesture();
</script>

<template>
  <div class="fields" role="group" aria-label="What they have in common">
    <div v-for="row in triples" :key="row.key" class="line">
      <span>{{ row.name }}</span>
      <PropertyInput
        v-for="axis in row.axes"
        :key="axis.path"
        v-bind="fieldOf(axis.path, axis.of!)"
        @change="(to, felt) => set(axis.path, to, felt)"
        @done="done"
      />
    </div>
    <div v-if="isSized" class="line">
      <span>Size</span>
      <DrivableNumber
        v-for="(axis, i) in AXES"
        :key="axis"
        :place="sizePlace(objects, i as 0 | 1 | 2, null, false)"
        :label="`Size ${axis} of all, per cent`"
        @number="(n) => (setSize(i, n * 100), done())"
      >
        <template #default="{ begin }">
          <NumberField
            :value="objects[0]!.scale[i]! * 100"
            :mixed="differ((o) => o.scale[i])"
            :label="`Size ${axis} of all, per cent`"
            :mark="axis"
            unit="%"
            :step="5"
            :digits="1"
            :min="SIZE_ENDS[0]"
            :max="SIZE_ENDS[1]"
            formulas
            @change="(v) => setSize(i, v)"
            @done="done"
            @formula="begin"
          />
        </template>
      </DrivableNumber>
    </div>
    <LengthField v-if="isSized" :ids="ids" />
    <div v-if="blend" class="line">
      <span>Blend</span>
      <SelectField
        name="Blend mode of all"
        class="wide"
        placeholder="mixed"
        :value="blend.isMixed ? undefined : blend.value"
        :options="blends"
        @change="(v: unknown) => effectStore.edit(setBlendOfAll(effectStore.effect, ids, v as never))"
      />
    </div>
    <div v-for="[path, one] in rest" :key="path" class="line">
      <span :title="one.property.name">{{
        one.property.type === 'switch' && !one.property.words ? '' : (one.property.short ?? one.property.name)
      }}</span>
      <PropertyInput
        class="two"
        v-bind="fieldOf(path, one)"
        @change="(to, felt) => set(path, to, felt)"
        @done="done"
      />
    </div>
  </div>
</template>

<style scoped src="./fields.css"></style>

<style scoped>
.fields {
  --label: 92px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 5px;
  max-height: 38vh;
  padding: 2px 12px 8px 16px;
  overflow: auto;
  font-size: 12px;
}
.line > span:first-child {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
