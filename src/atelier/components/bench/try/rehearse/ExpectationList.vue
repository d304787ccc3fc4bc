<script setup lang="ts">
/** What a rehearsal expects: each a line that can be changed. */
import { Trash2 } from '@lucide/vue';
import {
  COMPARISONS,
  EXPECTATION_KINDS,
  EXPECTATION_WORDS,
  EXPECTATIONS,
  MOST_EXPECTATIONS,
  type Comparison,
  type Expectation,
  type ExpectationKind,
  type Rehearsal,
} from '../../../../../core/document/schema';
import { readAs } from '../../../../../core/behave/fitting-range';
import { newExpectation } from '../../../../../core/rehearse/new-expectation';
import { propertiesIn, withValueAt } from '../../../../../core/schema/properties';
import { newId } from '../../../../api/ids';
import { COMPARISON_WORDS } from '../../../../behave-words';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { usePlaybackStore } from '../../../../stores/playback';
import GestureField from '../../../common/GestureField.vue';
import IconButton from '../../../common/IconButton.vue';
import PropertyList from '../../../common/PropertyList.vue';
import SelectField from '../../../common/SelectField.vue';
import SignalFields from '../../behave/SignalFields.vue';

const props = defineProps<{ rehearsal: Rehearsal }>();
const emit = defineEmits<{ change: [expectations: Expectation[], gesture: string | null] }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const playback = usePlaybackStore();

const put = (expectation: Expectation, gesture: string | null = null): void =>
  emit(
    'change',
    props.rehearsal.expectations.map((e) => (e.id === expectation.id ? expectation : e)),
    gesture && `${gesture}-${expectation.id}`,
  );
const remove = (id: string): void =>
  emit(
    'change',
    props.rehearsal.expectations.filter((e) => e.id !== id),
    null,
  );
const add = (kind: ExpectationKind): void =>
  emit(
    'change',
    [
      ...props.rehearsal.expectations,
      newExpectation(newId('exp'), kind, playback.time, effectStore.effect, desk.selected),
    ],
    null,
  );
/** A condition has fields of its own. */
const propertiesOf = (expectation: Expectation) =>
  Object.fromEntries(
    Object.entries(propertiesIn(EXPECTATIONS[expectation.kind], expectation)).filter(
      ([path]) => !path.startsWith('condition'),
    ),
  );
const comparisons = COMPARISONS.map((value) => ({ value, label: COMPARISON_WORDS[value] }));
const kinds = EXPECTATION_KINDS.map((value) => ({ value, label: EXPECTATION_WORDS[value] }));
const SHORT: Readonly<Record<ExpectationKind, string>> = {
  seen: 'Object',
  fired: 'Cue',
  signal: 'Signal',
  looks: 'Looks as approved',
  noFlash: 'Nothing flashes',
  reads: 'Can be read',
  quick: 'Quick enough',
};
</script>

<template>
  <div class="list" role="group" :aria-label="`What ${rehearsal.name} expects`">
    <div v-for="expectation in rehearsal.expectations" :key="expectation.id" class="expectation">
      <span class="kind">{{ SHORT[expectation.kind] }}</span>
      <div class="set">
        <template v-if="expectation.kind === 'signal'">
          <SignalFields
            :signal="expectation.condition.signal"
            label="Signal that is expected"
            @change="
              (signal, gesture) =>
                put({ ...expectation, condition: { ...expectation.condition, signal } }, gesture)
            "
          />
          <SelectField
            name="Comparison"
            :value="expectation.condition.is"
            :options="comparisons"
            @change="
              (is: unknown) =>
                put({ ...expectation, condition: { ...expectation.condition, is: is as Comparison } })
            "
          />
          <GestureField
            class="small"
            label="Compared with"
            :value="
              expectation.condition.value * readAs(effectStore.effect, expectation.condition.signal).factor
            "
            :unit="readAs(effectStore.effect, expectation.condition.signal).mark"
            :digits="2"
            @change="
              (v) =>
                put(
                  {
                    ...expectation,
                    condition: {
                      ...expectation.condition,
                      value: v / readAs(effectStore.effect, expectation.condition.signal).factor,
                    },
                  },
                  'value',
                )
            "
          />
        </template>
        <PropertyList
          :properties="propertiesOf(expectation)"
          :value="expectation"
          @change="(path, to, felt) => put(withValueAt(expectation, path, to), felt ? path : null)"
          @done="effectStore.endGesture()"
        />
      </div>
      <IconButton
        :aria-label="`Remove: ${EXPECTATION_WORDS[expectation.kind]}`"
        @click="remove(expectation.id)"
      >
        <Trash2 :size="13" />
      </IconButton>
    </div>
    <SelectField
      name="Expect something more"
      placeholder="+ Expect"
      class="add"
      :value="null"
      :options="kinds"
      :disabled="rehearsal.expectations.length >= MOST_EXPECTATIONS"
      :dropdown-match-select-width="false"
      @change="(kind: unknown) => add(kind as ExpectationKind)"
    />
  </div>
</template>

<style scoped>
.list {
  display: grid;
  gap: 6px;
}
.expectation {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
}
.set {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.kind {
  font-size: 12px;
  color: var(--soft);
}
.small {
  width: 72px;
}
.add {
  width: 140px;
}
</style>
