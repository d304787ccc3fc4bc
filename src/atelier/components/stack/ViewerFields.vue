<script setup lang="ts">
/** How an object meets the viewer: looking at them, being dragged and pinched, where a touch counts, depth. */
import { computed, ref } from 'vue';
import { changeObject, type Common } from '../../../core/edits/object-edits';
import { anchorOf } from '../../../core/document/queries';
import {
  FRONTS,
  TURNS_ABOUT,
  type ByViewer,
  type EffectObject,
  type LookAt,
  type TouchArea,
} from '../../../core/document/schema';
import { HANDLED } from '../../../core/placing/handled';
import { boxOf } from '../../../core/placing/bounds';
import { middleOf, sizeOf } from '../../../core/maths/box';
import { useEffectStore } from '../../stores/effect';
import NumberField from '../common/NumberField.vue';
import SelectField from '../common/SelectField.vue';
import ChipButton from '../common/ChipButton.vue';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();

const set = (change: Common, label: string, gesture: string | null = null): void => {
  effectStore.edit(changeObject(effectStore.effect, props.object.id, change, label), gesture);
};
const done = (): void => effectStore.endGesture();

const space = computed(
  () => !['screen', 'backdrop'].includes(anchorOf(effectStore.effect, props.object).kind),
);
const canLook = computed(
  () => space.value && ['card', 'model', 'text', 'solid', 'group'].includes(props.object.kind),
);
const canTouch = computed(() =>
  ['card', 'model', 'text', 'solid', 'group', 'layer'].includes(props.object.kind),
);
const hasDepth = computed(
  () => space.value && ['card', 'model', 'text', 'solid', 'shadowCatcher'].includes(props.object.kind),
);

const LOOK: LookAt = { front: '+z', about: 'any' };
const toggleLook = (): void => set({ lookAt: props.object.lookAt ? null : LOOK }, 'Look at the viewer with');
const fronts = FRONTS.map((value) => ({ value, label: `front ${value.replace('-', '−')}` }));
const abouts = TURNS_ABOUT.map((value) => ({
  value,
  label: value === 'any' ? 'turns freely' : `about ${value}`,
}));

const toggleHandled = (): void =>
  set({ byViewer: props.object.byViewer ? null : HANDLED }, props.object.byViewer ? 'Hold' : 'Hand over');
const setHandled = (change: Partial<ByViewer>, gesture: string | null = null): void =>
  set({ byViewer: { ...props.object.byViewer!, ...change } }, 'Hand over', gesture);

const usualArea = (): TouchArea => {
  const box = boxOf(effectStore.effect, props.object) ?? {
    low: [-0.05, -0.05, -0.05],
    high: [0.05, 0.05, 0.05],
  };
  const size = sizeOf(box).map((s) => Math.max(0.01, s)) as [number, number, number];
  return { shape: 'box', centre: [...middleOf(box)], size };
};
const toggleArea = (): void =>
  set({ touchArea: props.object.touchArea ? null : usualArea() }, 'Touch area of');
const setArea = (change: Partial<TouchArea>, gesture: string | null = null): void =>
  set({ touchArea: { ...props.object.touchArea!, ...change } }, 'Touch area of', gesture);
const setAreaAxis = (what: 'centre' | 'size', axis: number, cm: number): void => {
  const next = [...props.object.touchArea![what]] as [number, number, number];
  next[axis] = cm / 100;
  setArea({ [what]: next }, `area-${what}-${axis}`);
};
const more = ref(false);
</script>

<template>
  <div v-if="canLook || canTouch || hasDepth" class="chips">
    <ChipButton v-if="canLook" :aria-pressed="object.lookAt !== null" @click="toggleLook">
      Looks at the viewer
    </ChipButton>
    <ChipButton v-if="canTouch" :aria-pressed="object.byViewer !== null" @click="toggleHandled">
      The viewer may move it
    </ChipButton>
    <ChipButton :aria-expanded="more" @click="more = !more">Touch and depth</ChipButton>
  </div>
  <div v-if="object.lookAt" class="line">
    <span>Looks</span>
    <SelectField
      name="Which side is its front"
      :value="object.lookAt.front"
      :options="fronts"
      :dropdown-match-select-width="false"
      @change="
        (v: unknown) => set({ lookAt: { ...object.lookAt!, front: v as LookAt['front'] } }, 'Look with')
      "
    />
    <SelectField
      name="What it may turn about"
      class="two"
      :value="object.lookAt.about"
      :options="abouts"
      @change="
        (v: unknown) => set({ lookAt: { ...object.lookAt!, about: v as LookAt['about'] } }, 'Look with')
      "
    />
  </div>
  <template v-if="object.byViewer">
    <div class="line">
      <span>May be</span>
      <ChipButton :aria-pressed="object.byViewer.drag" @click="setHandled({ drag: !object.byViewer!.drag })">
        dragged
      </ChipButton>
      <ChipButton
        :aria-pressed="object.byViewer.pinch"
        @click="setHandled({ pinch: !object.byViewer!.pinch })"
      >
        pinched
      </ChipButton>
      <ChipButton
        :aria-pressed="object.byViewer.twist"
        @click="setHandled({ twist: !object.byViewer!.twist })"
      >
        twisted
      </ChipButton>
    </div>
    <div class="line">
      <span>Limits</span>
      <NumberField
        :value="object.byViewer.reach * 100"
        label="How far it may be dragged, cm"
        mark="cm"
        :digits="0"
        :step="5"
        :min="1"
        :max="10000"
        @change="(v) => setHandled({ reach: v / 100 }, 'reach')"
        @done="done"
      />
      <NumberField
        :value="object.byViewer.least * 100"
        label="Smallest it may be pinched to, per cent"
        mark="min"
        unit="%"
        :digits="0"
        :step="5"
        :min="5"
        :max="100"
        @change="(v) => setHandled({ least: v / 100 }, 'least')"
        @done="done"
      />
      <NumberField
        :value="object.byViewer.most * 100"
        label="Largest it may be pinched to, per cent"
        mark="max"
        unit="%"
        :digits="0"
        :step="10"
        :min="100"
        :max="2000"
        @change="(v) => setHandled({ most: v / 100 }, 'most')"
        @done="done"
      />
    </div>
  </template>
  <template v-if="more">
    <div class="chips">
      <ChipButton v-if="canTouch" :aria-pressed="object.touchArea !== null" @click="toggleArea">
        Touch area of its own
      </ChipButton>
      <template v-if="hasDepth">
        <ChipButton
          :aria-pressed="object.depthTest"
          @click="set({ depthTest: !object.depthTest }, 'Depth of')"
        >
          Hidden by what is nearer
        </ChipButton>
        <ChipButton
          :aria-pressed="object.depthWrite"
          @click="set({ depthWrite: !object.depthWrite }, 'Depth of')"
        >
          Hides what is farther
        </ChipButton>
      </template>
    </div>
    <template v-if="object.touchArea">
      <div class="line">
        <span>Touch</span>
        <SelectField
          name="Shape of the touch area"
          class="wide"
          :value="object.touchArea.shape"
          :options="[
            { value: 'box', label: 'Box' },
            { value: 'ball', label: 'Ball' },
          ]"
          @change="(v: unknown) => setArea({ shape: v as 'box' })"
        />
      </div>
      <div v-for="what in ['centre', 'size'] as const" :key="what" class="line">
        <span>{{ what === 'centre' ? 'at' : 'size' }}</span>
        <NumberField
          v-for="(axis, i) in ['x', 'y', 'z']"
          :key="axis"
          :value="object.touchArea[what][i]! * 100"
          :label="`Touch area ${what} ${axis}, cm`"
          :mark="axis"
          :digits="2"
          :step="0.5"
          :min="what === 'size' ? 0.1 : -10000"
          :max="10000"
          @change="(v) => setAreaAxis(what, i, v)"
          @done="done"
        />
      </div>
    </template>
  </template>
</template>

<style scoped src="./fields.css"></style>
