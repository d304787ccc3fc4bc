<script setup lang="ts">
/** Where an object is: anchor point, move and size in centimetres, turn in degrees. */
import { computed, ref } from 'vue';
import { Link2, Link2Off } from '@lucide/vue';
import { addObject, changeObject, removeObject } from '../../../core/document/edits';
import { newOccluder } from '../../../core/document/defaults';
import { isShowing, parentOf } from '../../../core/document/queries';
import type { EffectObject } from '../../../core/document/schema';
import { FEATURE_POINT_NAMES, type FeaturePoint } from '../../../core/face/feature-points';
import { HEAD_SEAT } from '../../../core/face/head-fit';
import type { Vec3 } from '../../../core/maths/vec3';
import { newObjectId } from '../../api/ids';
import { useEffectStore } from '../../stores/effect';
import { POINT_WORDS } from '../../words';
import NumberField from '../common/NumberField.vue';
import AssetField from './AssetField.vue';

const props = defineProps<{ object: EffectObject }>();
const document = useEffectStore();
const AXES = ['x', 'y', 'z'] as const;
/** Width and height of a card grow together unless the chain is opened. */
const chained = ref(true);

const points = FEATURE_POINT_NAMES.map((value) => ({ value, label: POINT_WORDS[value] }));
const stickTo = (point: FeaturePoint): void =>
  document.edit(
    changeObject(document.effect, props.object.id, { anchor: { ...props.object.anchor, point } }, 'Stick'),
  );

const replaced = (v: Vec3, axis: number, value: number): [number, number, number] =>
  [0, 1, 2].map((i) => (i === axis ? value : v[i]!)) as [number, number, number];
const setMove = (axis: number, cm: number): void =>
  document.edit(
    changeObject(
      document.effect,
      props.object.id,
      { move: replaced(props.object.move, axis, cm / 100) },
      'Move',
    ),
    `move-${axis}`,
  );
const setTurn = (axis: number, degrees: number): void =>
  document.edit(
    changeObject(
      document.effect,
      props.object.id,
      { turn: replaced(props.object.turn, axis, degrees) },
      'Turn',
    ),
    `turn-${axis}`,
  );

const parent = computed(() => parentOf(document.effect, props.object));

/** Size in centimetres for cards; per cent for all others. */
const extent = computed<readonly number[]>(() =>
  props.object.kind === 'card' ? props.object.extent : [1, 1, 1],
);
const sizes = computed(() => extent.value.map((e, i) => e * props.object.scale[i]! * 100));
const setSize = (axis: number, cm: number): void => {
  const factor = cm / 100 / extent.value[axis]!;
  const { scale } = props.object;
  const k = scale[axis] === 0 ? 1 : factor / scale[axis]!;
  const next: [number, number, number] = chained.value
    ? [scale[0] * k, scale[1] * k, scale[2] * k]
    : replaced(scale, axis, factor);
  document.edit(changeObject(document.effect, props.object.id, { scale: next }, 'Size'), `size-${axis}`);
};
/** Where each kind stands when it is new. */
const REST: Record<EffectObject['kind'], [number, number, number]> = {
  card: [0, 0, 0.01],
  group: [0, 0, 0.01],
  model: [...HEAD_SEAT],
  occluder: [0, 0, 0],
};
const reset = (): void =>
  document.edit(
    changeObject(
      document.effect,
      props.object.id,
      { move: REST[props.object.kind], turn: [0, 0, 0], scale: [1, 1, 1] },
      'Reset',
    ),
  );

const occluder = computed(() =>
  Object.values(document.effect.objects).find(
    (o) => o.kind === 'occluder' && o.anchor.face === props.object.anchor.face,
  ),
);
const toggleOccluder = (): void => {
  if (occluder.value) document.edit(removeObject(document.effect, occluder.value.id));
  else {
    const last = Math.max(...Object.values(document.effect.objects).map((o) => o.order));
    document.edit(addObject(newOccluder(newObjectId(), last + 1)));
  }
};
</script>

<template>
  <div class="fields">
    <AssetField v-if="isShowing(object)" :object="object" />
    <label v-if="object.kind !== 'occluder' && !parent" class="line">
      <span>Sticks to</span>
      <a-select
        v-name="'Sticks to'"
        class="wide"
        size="small"
        :value="object.anchor.point"
        :options="points"
        @change="(v: unknown) => stickTo(v as FeaturePoint)"
      />
    </label>
    <div class="line" role="group" aria-label="Move, in centimetres">
      <span>Move</span>
      <NumberField
        v-for="(axis, i) in AXES"
        :key="axis"
        :value="object.move[i]! * 100"
        :label="`Move ${axis}, cm`"
        :mark="axis"
        :step="0.5"
        :digits="2"
        @change="(v) => setMove(i, v)"
        @done="document.endGesture()"
      />
    </div>
    <div class="line" role="group" aria-label="Turn, in degrees">
      <span>Turn</span>
      <NumberField
        v-for="(axis, i) in AXES"
        :key="axis"
        :value="object.turn[i]!"
        :label="`Turn ${axis}, degrees`"
        :mark="axis"
        unit="°"
        :step="5"
        :digits="1"
        @change="(v) => setTurn(i, v)"
        @done="document.endGesture()"
      />
    </div>
    <div
      class="line"
      role="group"
      :aria-label="object.kind === 'card' ? 'Size, in centimetres' : 'Size, in per cent'"
    >
      <span>Size</span>
      <NumberField
        v-for="(size, i) in sizes"
        :key="i"
        :value="size"
        :label="object.kind === 'card' ? `${i === 0 ? 'Width' : 'Height'}, cm` : `Size ${AXES[i]}, per cent`"
        :mark="object.kind === 'card' ? ['w', 'h'][i]! : AXES[i]!"
        :unit="object.kind === 'card' ? '' : '%'"
        :step="0.5"
        :digits="2"
        @change="(v) => setSize(i, v)"
        @done="document.endGesture()"
      />
      <button
        v-if="object.kind === 'card'"
        class="icon-button"
        type="button"
        :aria-pressed="chained"
        :aria-label="chained ? 'Width and height grow together' : 'Width and height on their own'"
        :title="chained ? 'Width and height grow together' : 'Width and height on their own'"
        @click="chained = !chained"
      >
        <Link2 v-if="chained" :size="14" /><Link2Off v-else :size="14" />
      </button>
    </div>
    <div class="chips">
      <button
        v-if="object.kind !== 'occluder'"
        class="chip"
        type="button"
        :aria-pressed="Boolean(occluder)"
        @click="toggleOccluder"
      >
        Hidden behind head
      </button>
      <button class="chip" type="button" @click="reset">Reset</button>
    </div>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 5px;
  margin-top: 4px;
}
.line {
  display: grid;
  grid-template-columns: 56px 1fr 1fr 1fr;
  gap: 5px;
  align-items: center;
  color: var(--soft);
}
.wide {
  grid-column: 2 / -1;
}
.chips {
  display: flex;
  gap: 5px;
  margin-top: 4px;
}
</style>
