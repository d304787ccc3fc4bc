<script setup lang="ts">
/** Where an object is: what it sticks to, move and size in centimetres, turn in degrees, its pivot. */
import { computed, ref } from 'vue';
import { Link2, Link2Off } from '@lucide/vue';
import { addObject, changeObject, removeObject, reshape } from '../../../core/edits/object-edits';
import {
  isHandOccluder,
  isPeopleOccluder,
  newHandOccluder,
  newOccluder,
  newPeopleOccluder,
  type Occluder,
} from '../../../core/kinds/objects/occluder';
import { formulaAt, formulaPlace, sizePlace, type FormulaPlace } from '../../../core/edits/formula-edits';
import { anchorOf, isHeadOccluder, isShowing, orderAtBottom, parentOf } from '../../../core/document/queries';
import { isOnFace, isPlaceOnly, propertiesOf } from '../../../core/kinds/objects/objects';
import type { EffectObject } from '../../../core/document/schema';
import { layeringOf } from '../../../core/placing/anchors';
import { fitOf } from '../../../core/placing/fit';
import { LARGEST, SMALLEST } from '../../../core/schema/limits';
import { boxOf } from '../../../core/placing/bounds';
import { sizeOf } from '../../../core/maths/box';
import { clamp } from '../../../core/maths/scalar';
import type { Vec3 } from '../../../core/maths/vec3';
import { newObjectId } from '../../api/ids';
import {
  copyPlace,
  fitToTarget,
  hasCopiedPlace,
  pastePlace,
  resetPlace,
  setPivot,
} from '../../commands/place-commands';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import DrivableNumber from '../common/formula/DrivableNumber.vue';
import NumberField from '../common/NumberField.vue';
import PropertyInput from '../common/PropertyInput.vue';
import AnchorField from './AnchorField.vue';
import AssetField from './AssetField.vue';
import LengthField from './LengthField.vue';
import KindFields from './KindFields.vue';
import ViewerFields from './ViewerFields.vue';
import ChipButton from '../common/ChipButton.vue';
import IconButton from '../common/IconButton.vue';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const AXES = ['x', 'y', 'z'] as const;
/** Width and height grow together unless the chain is opened. */
const chained = ref(true);
const described = computed(() => propertiesOf(props.object));

const parent = computed(() => parentOf(effectStore.effect, props.object));
const anchor = computed(() => anchorOf(effectStore.effect, props.object));
const isLayer = computed(() => isOnFace(props.object));
/** How it fills the screen; what fills it is not moved, and only tiles keep their size. */
const fit = computed(() => fitOf(props.object, layeringOf(anchor.value.kind)));
const hasSize = computed(
  () => !isLayer.value && !isPlaceOnly(props.object) && (!fit.value || fit.value === 'tile'),
);
/** Light from all sides has no place, and most light looks the same from wherever it is turned or stands. */
const light = computed(() => (props.object.kind === 'light' ? props.object.light : null));
const hasMove = computed(() => !fit.value && light.value !== 'ambient' && light.value !== 'surroundings');
const hasTurn = computed(() => !fit.value && light.value !== 'ambient' && light.value !== 'point');
const isHead = computed(() => props.object.kind === 'occluder' && props.object.asset === null);

const replaced = (v: Vec3, axis: number, value: number): [number, number, number] =>
  [0, 1, 2].map((i) => (i === axis ? value : v[i]!)) as [number, number, number];
const change = (what: 'move' | 'turn' | 'pivot', axis: number, value: number, label: string): void => {
  effectStore.edit(
    changeObject(
      effectStore.effect,
      props.object.id,
      { [what]: replaced(props.object[what], axis, value) },
      label,
    ),
    `${what}-${axis}`,
  );
};

/** In centimetres where the size of the thing itself is known, else in per cent. */
const extent = computed<Vec3 | null>(() => {
  const { object } = props;
  // A head has the size of its wearer, a text that of its letters: theirs is given in per cent.
  const box =
    object.kind === 'text' || object.kind === 'group' || isHead.value
      ? null
      : boxOf(effectStore.effect, object);
  const size = box && !isPlaceOnly(object) ? sizeOf(box) : null;
  return size && size[0] > 0 && size[1] >= 0 ? size : null;
});
/** The axes that have a size of their own: a card has two. */
const sized = computed(() =>
  [0, 1, 2].filter(
    (i) => (extent.value ? extent.value[i]! > 1e-9 : true) && !(props.object.kind === 'text' && i === 2),
  ),
);
const sizeAt = (axis: number): number =>
  Math.abs(props.object.scale[axis]!) * (extent.value?.[axis] ?? 1) * 100;
/** Between which a size lies, as it is shown. */
const sizeEnds = computed(() =>
  extent.value ? ([SMALLEST * 100, LARGEST * 100] as const) : ([0.01, 1_000_000] as const),
);
const setSize = (axis: number, wanted: number): void => {
  const shown = clamp(wanted, ...sizeEnds.value);
  const { scale } = props.object;
  const sign = scale[axis]! < 0 ? -1 : 1;
  const factor = (sign * shown) / 100 / (extent.value?.[axis] ?? 1);
  const k = scale[axis] === 0 ? 1 : factor / scale[axis]!;
  const next: [number, number, number] = chained.value
    ? [scale[0] * k, scale[1] * k, scale[2] * k]
    : replaced(scale, axis, factor);
  effectStore.edit(
    changeObject(effectStore.effect, props.object.id, { scale: next }, 'Size'),
    `size-${axis}`,
  );
};
/** Where a formula is written for a size: a formula that is there stays where it is, whether the chain is opened or closed. */
const placeOfSize = (axis: 0 | 1 | 2): FormulaPlace => {
  const place = (together: boolean): FormulaPlace =>
    sizePlace([props.object], axis, extent.value ? extent.value[axis] : null, together);
  const other = place(!chained.value);
  return formulaAt(effectStore.effect, other) ? other : place(chained.value);
};
const marks = computed(() => (props.object.kind === 'card' ? ['w', 'h', 'd'] : AXES));
const sizeLabel = (axis: number): string =>
  extent.value ? `${['Width', 'Height', 'Depth'][axis]}, cm` : `Size ${AXES[axis]}, per cent`;

/** The face whose head may hide it. */
const face = computed(() =>
  anchor.value.kind === 'head' && !isPlaceOnly(props.object) ? anchor.value.face : null,
);
/** It stands in a room, or on a printed picture: people before it may hide it. */
const inRoom = computed(
  () => (anchor.value.kind === 'world' || anchor.value.kind === 'picture') && !isPlaceOnly(props.object),
);
/** It is on a hand, which may hide it. */
const onHand = computed(() => anchor.value.kind === 'hand' && !isPlaceOnly(props.object));
const occluder = computed((): Occluder | undefined => {
  const all = Object.values(effectStore.effect.objects);
  if (onHand.value) return all.find(isHandOccluder) as Occluder | undefined;
  if (inRoom.value) return all.find(isPeopleOccluder) as Occluder | undefined;
  return face.value === null ? undefined : all.find((o) => isHeadOccluder(o, face.value!));
});
const toggleOccluder = (): void => {
  const { effect } = effectStore;
  if (occluder.value) return void effectStore.edit(removeObject(effect, occluder.value.id));
  const [id, order] = [newObjectId(), orderAtBottom(effect)];
  if (onHand.value) effectStore.edit(addObject(newHandOccluder(id, order)));
  else if (inRoom.value) effectStore.edit(addObject(newPeopleOccluder(id, order, anchor.value)));
  else if (face.value !== null) effectStore.edit(addObject(newOccluder(id, order, face.value)));
};
/** What of the wearer hides beside the head. */
const HIDES_TOO = [
  {
    path: 'hair',
    word: 'and behind hair',
    help: 'Hair, as it is seen in the picture, hides what is behind the head',
  },
  { path: 'neck', word: 'and behind the neck', help: 'The neck hides what is behind it' },
] as const;
const hideToo = (path: 'hair' | 'neck'): void => {
  if (occluder.value)
    effectStore.edit(
      reshape(effectStore.effect, occluder.value.id, 'occluder', { [path]: !occluder.value[path] }),
    );
};
const pivots = [
  { key: 'origin', label: 'At its origin' },
  { key: 'middle', label: 'In its middle' },
  { key: 'base', label: 'In the middle of its base' },
  { key: 'top', label: 'In the middle of its top' },
] as const;
const lengthOpen = ref(false);
const pivotOpen = ref(false);
/** The next click in Space or the Viewfinder says where it is. */
const pickPivot = (): void => {
  desk.pivotFor = desk.pivotFor === props.object.id ? null : props.object.id;
};
const hasPivot = computed(() => props.object.pivot.some((p) => p !== 0));
</script>

<template>
  <p v-if="object.kind === 'grade'" class="soft note">
    A grade lies over the whole picture, so it has no place of its own. Its steps are in
    <router-link class="word" :to="{ params: { ...$route.params, stage: 'style' } }">Style</router-link>.
  </p>
  <div v-else class="fields">
    <AssetField v-if="isShowing(object)" :object="object" />
    <KindFields :object="object" />
    <AnchorField v-if="!parent" :object="object" />
    <template v-if="!isLayer">
      <div v-if="hasMove" class="line" role="group" aria-label="Move, in centimetres">
        <span>Move</span>
        <PropertyInput
          v-for="(axis, i) in AXES"
          :key="axis"
          :property="described[`move.${i}`]!"
          :value="object.move[i]"
          :place="formulaPlace(object, `move.${i}`)"
          @change="(to) => change('move', i, to as number, 'Move')"
          @done="effectStore.endGesture()"
        />
      </div>
      <p v-if="fit" class="soft note">It fills the screen. To move it, let it fill <i>As it is placed</i>.</p>
      <div v-if="hasTurn" class="line" role="group" aria-label="Turn, in degrees">
        <span>Turn</span>
        <PropertyInput
          v-for="(axis, i) in AXES"
          :key="axis"
          :property="described[`turn.${i}`]!"
          :value="object.turn[i]"
          :place="formulaPlace(object, `turn.${i}`)"
          @change="(to) => change('turn', i, to as number, 'Turn')"
          @done="effectStore.endGesture()"
        />
      </div>
      <div
        v-if="hasSize"
        class="line"
        role="group"
        :aria-label="extent ? 'Size, in centimetres' : 'Size, in per cent'"
      >
        <span class="chain"
          >Size
          <IconButton
            :aria-pressed="chained"
            :aria-label="chained ? 'Width and height grow together' : 'Width and height on their own'"
            :title="chained ? 'Width and height grow together' : 'Width and height on their own'"
            @click="chained = !chained"
          >
            <Link2 v-if="chained" :size="13" /><Link2Off v-else :size="13" /></IconButton
        ></span>
        <DrivableNumber
          v-for="i in sized"
          :key="i"
          :place="placeOfSize(i as 0 | 1 | 2)"
          :label="sizeLabel(i)"
          @number="(n) => (setSize(i, n * 100), effectStore.endGesture())"
        >
          <template #default="{ begin }">
            <NumberField
              :value="sizeAt(i)"
              :label="sizeLabel(i)"
              :mark="marks[i]!"
              :unit="extent ? '' : '%'"
              :step="extent ? 0.5 : 5"
              :digits="2"
              :min="sizeEnds[0]"
              :max="sizeEnds[1]"
              formulas
              @change="(v) => setSize(i, v)"
              @done="effectStore.endGesture()"
              @formula="begin"
            />
          </template>
        </DrivableNumber>
      </div>
      <LengthField v-if="lengthOpen" :ids="[object.id]" />
      <div
        v-if="pivotOpen && !fit"
        class="line"
        role="group"
        aria-label="Pivot, in centimetres of its own space"
      >
        <span>Pivot</span>
        <PropertyInput
          v-for="(axis, i) in AXES"
          :key="axis"
          :property="described[`pivot.${i}`]!"
          :value="object.pivot[i]"
          :place="formulaPlace(object, `pivot.${i}`)"
          @change="(to) => change('pivot', i, to as number, 'Set the pivot of')"
          @done="effectStore.endGesture()"
        />
        <span class="wide chips">
          <ChipButton v-for="p in pivots" :key="p.key" @click="setPivot(object, p.key)">
            {{ p.label }}
          </ChipButton>
          <ChipButton :aria-pressed="desk.pivotFor === object.id" @click="pickPivot"
            >Where I click</ChipButton
          >
        </span>
      </div>
      <div v-if="!fit" class="chips">
        <ChipButton
          v-if="(face !== null || onHand || inRoom) && object.kind !== 'occluder'"
          :aria-pressed="Boolean(occluder)"
          @click="toggleOccluder"
        >
          Hidden behind {{ onHand ? 'the hand' : inRoom ? 'people' : 'head' }}
        </ChipButton>
        <template v-if="occluder && face !== null && object.kind !== 'occluder'">
          <ChipButton
            v-for="more in HIDES_TOO"
            :key="more.path"
            :aria-pressed="occluder[more.path]"
            :title="more.help"
            @click="hideToo(more.path)"
          >
            {{ more.word }}
          </ChipButton>
        </template>
        <ChipButton v-if="anchor.kind === 'picture'" @click="fitToTarget(object)">
          Fit to the picture
        </ChipButton>
        <ChipButton
          v-if="
            extent && layeringOf(anchor.kind) === 'space' && anchor.kind !== 'head' && anchor.kind !== 'skin'
          "
          :aria-expanded="lengthOpen"
          @click="lengthOpen = !lengthOpen"
        >
          Fit to a length
        </ChipButton>
        <ChipButton :aria-expanded="pivotOpen" :class="{ on: hasPivot }" @click="pivotOpen = !pivotOpen">
          Pivot
        </ChipButton>
        <ChipButton title="Copy move, turn, size and pivot" @click="copyPlace"> Copy place </ChipButton>
        <ChipButton v-if="hasCopiedPlace()" @click="pastePlace">Paste place</ChipButton>
        <ChipButton @click="resetPlace">Reset</ChipButton>
      </div>
      <ViewerFields :object="object" />
    </template>
  </div>
</template>

<style scoped src="./fields.css"></style>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 5px;
  margin-top: 4px;
}
.chain {
  display: flex;
  align-items: center;
  gap: 1px;
}
.chain .icon-button {
  width: 22px;
  height: 22px;
}
</style>
