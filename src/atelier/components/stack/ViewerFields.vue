<script setup lang="ts">
/** How an object meets the viewer: looking at them, being dragged and pinched, where a touch counts, depth. */
import { computed, ref } from 'vue';
import { changeObject, type Common } from '../../../core/edits/object-edits';
import { anchorOf } from '../../../core/document/queries';
import type { EffectObject, LookAt, TouchArea } from '../../../core/document/schema';
import { kindOf } from '../../../core/kinds/objects/objects';
import { HANDLED } from '../../../core/placing/handled';
import { boxOf } from '../../../core/placing/bounds';
import { middleOf, sizeOf } from '../../../core/maths/box';
import { useEffectStore } from '../../stores/effect';
import PropertyField from '../common/PropertyField.vue';
import ChipButton from '../common/ChipButton.vue';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();

const set = (change: Common, label: string): void => {
  effectStore.edit(changeObject(effectStore.effect, props.object.id, change, label));
};

const space = computed(
  () => !['screen', 'backdrop'].includes(anchorOf(effectStore.effect, props.object).kind),
);
const drawn = computed(() => kindOf(props.object).drawn);
const isGroup = computed(() => props.object.kind === 'group');
const canLook = computed(
  () => space.value && (isGroup.value || drawn.value === 'flat' || drawn.value === 'solid'),
);
/** A layer of make-up lies where the face is, but it can be touched. */
const canTouch = computed(
  () => isGroup.value || kindOf(props.object).isTouched || props.object.kind === 'layer',
);
const hasDepth = computed(() => space.value && drawn.value !== 'otherwise');

const LOOK: LookAt = { front: '+z', about: 'any' };
const toggleLook = (): void => set({ lookAt: props.object.lookAt ? null : LOOK }, 'Look at the viewer with');

const toggleHandled = (): void =>
  set({ byViewer: props.object.byViewer ? null : HANDLED }, props.object.byViewer ? 'Hold' : 'Hand over');

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
    <PropertyField :object="object" path="lookAt.front" does="Look with" />
    <PropertyField class="two" :object="object" path="lookAt.about" does="Look with" />
  </div>
  <template v-if="object.byViewer">
    <div class="line">
      <span>May be</span>
      <PropertyField
        v-for="what in ['drag', 'pinch', 'twist']"
        :key="what"
        :object="object"
        :path="`byViewer.${what}`"
        does="Hand over"
      />
    </div>
    <div class="line">
      <span>Limits</span>
      <PropertyField
        v-for="what in ['reach', 'least', 'most']"
        :key="what"
        :object="object"
        :path="`byViewer.${what}`"
        does="Hand over"
      />
    </div>
  </template>
  <template v-if="more">
    <div class="chips">
      <ChipButton v-if="canTouch" :aria-pressed="object.touchArea !== null" @click="toggleArea">
        Touch area of its own
      </ChipButton>
      <template v-if="hasDepth">
        <PropertyField :object="object" path="depthTest" does="Depth of" />
        <PropertyField :object="object" path="depthWrite" does="Depth of" />
      </template>
    </div>
    <template v-if="object.touchArea">
      <div class="line">
        <span>Touch</span>
        <PropertyField class="wide" :object="object" path="touchArea.shape" does="Touch area of" />
      </div>
      <div v-for="what in ['centre', 'size']" :key="what" class="line">
        <span>{{ what === 'centre' ? 'at' : 'size' }}</span>
        <PropertyField
          v-for="i in 3"
          :key="i"
          :object="object"
          :path="`touchArea.${what}.${i - 1}`"
          does="Touch area of"
        />
      </div>
    </template>
  </template>
</template>

<style scoped src="./fields.css"></style>
