<script setup lang="ts">
/** Spreading: copies of what is selected on a ring, a line, a grid or over a surface, in one action. */
import { computed, onBeforeUnmount, ref, watch } from 'vue';
import { X } from '@lucide/vue';
import type { Edit } from '../../../../core/document/edit';
import type { ObjectId } from '../../../../core/document/schema';
import { spreadObject } from '../../../../core/edits/copy-edits';
import { spreadSelected } from '../../../commands/place-commands';
import { useEffectStore } from '../../../stores/effect';
import NumberField from '../../common/NumberField.vue';
import SelectField from '../../common/SelectField.vue';
import { SPREAD_KINDS, useSpreadForm } from './use-spread-form';
import ChipButton from '../../common/ChipButton.vue';
import IconButton from '../../common/IconButton.vue';

const emit = defineEmits<{ close: [] }>();
const effectStore = useEffectStore();
const { form, object, surfaces, spread, setAngle, closeRing } = useSpreadForm();
/** Why nothing was spread. */
const problem = ref<string | null>(null);

const make = (): void => {
  const wanted = spread();
  problem.value = wanted ? null : 'Choose a model or solid that is here: copies lie on its surface.';
  if (!wanted) return;
  // What is refused can be changed and tried again.
  if (spreadSelected(wanted)) emit('close');
};
/** The copies are seen before they are made. */
const preview = computed((): Edit | null => {
  const { effect } = effectStore;
  const wanted = object.value ? spread() : null;
  if (!wanted || !object.value) return null;
  let n = 0;
  const tried = (prefix: string): string => `${prefix}_tried${n++}`;
  return spreadObject(effect, object.value.id, wanted, tried, 'obj_triedgroup' as ObjectId);
});
watch(preview, (edit) => effectStore.tryOut(edit), { immediate: true });
onBeforeUnmount(() => effectStore.tryOut(null));
</script>

<template>
  <section class="spread" aria-label="Spread">
    <header>
      <h3>Spread {{ object?.name ?? '' }}</h3>
      <IconButton aria-label="Close Spread" @click="$emit('close')">
        <X :size="14" />
      </IconButton>
    </header>
    <p v-if="!object" class="soft">Select the object whose copies are to be spread.</p>
    <template v-else>
      <div class="kinds" role="group" aria-label="Shape of the spread">
        <ChipButton
          v-for="k in SPREAD_KINDS"
          :key="k.name"
          :aria-pressed="form.kind === k.name"
          @click="form.kind = k.name"
        >
          {{ k.label }}
        </ChipButton>
      </div>
      <div class="line">
        <span>Copies</span>
        <NumberField
          :value="form.count"
          label="How many copies"
          :digits="0"
          :min="1"
          :max="500"
          @change="(v) => (form.count = v)"
        />
      </div>
      <template v-if="form.kind === 'ring'">
        <div class="line">
          <span>Radius</span>
          <NumberField
            :value="form.radius"
            label="Radius of the ring, cm"
            unit=" cm"
            :digits="2"
            :step="0.5"
            :min="0"
            :max="10000"
            @change="(v) => (form.radius = v)"
          />
        </div>
        <div class="line">
          <span>Step</span>
          <NumberField
            :value="form.angle"
            label="Angle from one copy to the next, degrees"
            unit="°"
            :digits="2"
            :step="5"
            :min="-360"
            :max="360"
            @change="setAngle"
          />
          <ChipButton title="So that the last copy meets the first" @click="closeRing"
            >Evenly all round</ChipButton
          >
        </div>
        <div class="kinds">
          <ChipButton :aria-pressed="form.outward" @click="form.outward = !form.outward">
            Turned outwards
          </ChipButton>
          <ChipButton :aria-pressed="form.upright" @click="form.upright = !form.upright">
            Upright ring
          </ChipButton>
        </div>
      </template>
      <div v-else-if="form.kind === 'line'" class="line three">
        <span>Step</span>
        <NumberField
          v-for="(axis, i) in ['x', 'y', 'z']"
          :key="axis"
          :value="form.step[i]!"
          :label="`Step ${axis}, cm`"
          :mark="axis"
          :digits="2"
          :step="0.5"
          :min="-10000"
          :max="10000"
          @change="(v) => (form.step[i] = v)"
        />
      </div>
      <template v-else-if="form.kind === 'grid'">
        <div class="line three">
          <span>Grid</span>
          <NumberField
            :value="form.columns"
            label="Columns"
            mark="col"
            :digits="0"
            :min="1"
            :max="500"
            @change="(v) => (form.columns = v)"
          />
          <NumberField
            v-for="(axis, i) in ['w', 'h']"
            :key="axis"
            :value="form.gap[i]!"
            :label="`Gap ${axis}, cm`"
            :mark="axis"
            :digits="2"
            :step="0.5"
            :min="-10000"
            :max="10000"
            @change="(v) => (form.gap[i] = v)"
          />
        </div>
        <div class="kinds">
          <ChipButton :aria-pressed="form.lying" @click="form.lying = !form.lying"> Lies flat </ChipButton>
        </div>
      </template>
      <div v-else class="line">
        <span>Over</span>
        <SelectField
          v-model:value="form.over"
          name="Over which surface"
          class="wide"
          :options="surfaces"
          placeholder="Choose a model or solid"
          not-found-content="There is no model or solid yet"
        />
      </div>
      <h4>From one to the next</h4>
      <div class="line three">
        <NumberField
          :value="form.turn"
          label="Turn more with each copy, degrees"
          mark="turn"
          unit="°"
          :digits="1"
          :step="5"
          :min="-360"
          :max="360"
          @change="(v) => (form.turn = v)"
        />
        <NumberField
          :value="form.size"
          label="Size of each copy, per cent of the one before"
          mark="size"
          :digits="1"
          :min="10"
          :max="500"
          @change="(v) => (form.size = v)"
        />
        <NumberField
          :value="form.delay"
          label="Start later with each copy, seconds"
          mark="late"
          unit="s"
          :digits="2"
          :step="0.1"
          :min="0"
          :max="60"
          @change="(v) => (form.delay = v)"
        />
      </div>
      <h4>Jitter</h4>
      <div class="line four">
        <NumberField
          :value="form.offMove"
          label="Jitter of the place, cm"
          mark="cm"
          :digits="2"
          :step="0.1"
          :min="0"
          :max="1000"
          @change="(v) => (form.offMove = v)"
        />
        <NumberField
          :value="form.offTurn"
          label="Jitter of the turn, degrees"
          mark="°"
          :digits="0"
          :min="0"
          :max="180"
          @change="(v) => (form.offTurn = v)"
        />
        <NumberField
          :value="form.offSize"
          label="Jitter of the size, per cent"
          mark="%"
          :digits="0"
          :min="0"
          :max="90"
          @change="(v) => (form.offSize = v)"
        />
        <NumberField
          :value="form.offDelay"
          label="Jitter of the start, seconds"
          mark="s"
          :digits="2"
          :step="0.1"
          :min="0"
          :max="60"
          @change="(v) => (form.offDelay = v)"
        />
      </div>
      <div class="line">
        <span>Seed</span>
        <NumberField
          :value="form.seed"
          label="Seed of the jitter"
          :digits="0"
          :min="0"
          :max="999999"
          @change="(v) => (form.seed = v)"
        />
      </div>
      <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
      <a-button
        type="primary"
        size="small"
        :disabled="form.kind === 'surface' && surfaces.length === 0"
        @click="make"
      >
        Make {{ Math.round(form.count) }} {{ Math.round(form.count) === 1 ? 'copy' : 'copies' }}
      </a-button>
    </template>
  </section>
</template>

<style scoped>
.spread {
  display: grid;
  gap: 6px;
  padding: 10px 12px;
  overflow: auto;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
}
header {
  display: flex;
  justify-content: space-between;
}
h4 {
  margin: 2px 0 0;
  font: 600 11.5px var(--text);
  color: var(--soft);
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.line {
  display: grid;
  grid-template-columns: 50px 1fr auto;
  gap: 5px;
  align-items: center;
  color: var(--soft);
}
.line.three {
  grid-template-columns: 1fr 1.15fr 1fr;
}
.line.four {
  grid-template-columns: 1fr 1fr 1fr 1fr;
}
.wide {
  grid-column: 2 / -1;
}
p {
  margin: 0;
}
</style>
