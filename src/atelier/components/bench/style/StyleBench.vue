<script setup lang="ts">
/** How things look: what they are made of, their blend modes, what is behind the people, the light, the grade. */
import { computed, watch } from 'vue';
import { anchorOf } from '../../../../core/document/queries';
import { isOnFace, kindOf } from '../../../../core/kinds/objects/objects';
import type { Anchor } from '../../../../core/document/schema';
import { useDeskStore, type StyleSection } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { usePainterStore } from '../../../stores/painter';
import SectionTabs from '../../common/SectionTabs.vue';
import BackdropSection from './BackdropSection.vue';
import BlendSection from './BlendSection.vue';
import CircuitSection from './circuit/CircuitSection.vue';
import GradeSection from './grade/GradeSection.vue';
import FaceRow from './face/FaceRow.vue';
import FaceSection from './face/FaceSection.vue';
import LightSection from './LightSection.vue';
import MaterialSection from './material/MaterialSection.vue';

const SECTIONS: readonly { readonly id: StyleSection; readonly label: string }[] = [
  { id: 'face', label: 'Face' },
  { id: 'material', label: 'Material' },
  { id: 'circuit', label: 'Circuit' },
  { id: 'blend', label: 'Blend' },
  { id: 'backdrop', label: 'Backdrop' },
  { id: 'light', label: 'Light' },
  { id: 'grade', label: 'Grade' },
];
const emit = defineEmits<{ choose: [on: Anchor] }>();
const desk = useDeskStore();
const effectStore = useEffectStore();
const painter = usePainterStore();
const object = computed(() => (desk.selected ? (effectStore.effect.objects[desk.selected] ?? null) : null));
// The bench follows what is picked in the Stack.
watch(
  () => object.value?.id,
  () => {
    if (!object.value) return;
    const { section } = desk.style;
    if (object.value.kind === 'grade') desk.style.section = 'grade';
    else if (isOnFace(object.value) || object.value?.kind === 'cutout') desk.style.section = 'face';
    else if (object.value.kind === 'light' || object.value.kind === 'shadowCatcher')
      desk.style.section = 'light';
    // Whoever is at materials stays there.
    else if (section === 'material' || section === 'circuit') return;
    else if (kindOf(object.value).drawn === 'solid') desk.style.section = 'material';
    else if (anchorOf(effectStore.effect, object.value).kind === 'backdrop') desk.style.section = 'backdrop';
    else if ('blend' in object.value) desk.style.section = 'blend';
  },
  { immediate: true },
);
</script>

<template>
  <section
    class="bench"
    :class="{ board: desk.style.section === 'circuit' || (desk.style.section === 'face' && painter.on) }"
    aria-label="Style bench"
  >
    <div class="work">
      <SectionTabs
        class="sections"
        label="What is styled"
        :sections="SECTIONS"
        :open="desk.style.section"
        @open="(section) => (desk.style.section = section)"
      />
      <FaceSection v-if="desk.style.section === 'face'" />
      <MaterialSection v-else-if="desk.style.section === 'material'" />
      <CircuitSection v-else-if="desk.style.section === 'circuit'" />
      <BlendSection v-else-if="desk.style.section === 'blend'" />
      <BackdropSection v-else-if="desk.style.section === 'backdrop'" @choose="(on) => emit('choose', on)" />
      <LightSection v-else-if="desk.style.section === 'light'" />
      <GradeSection v-else />
    </div>
    <FaceRow v-if="desk.style.section === 'face' && !painter.on" />
  </section>
</template>

<style scoped>
.bench {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.work {
  flex: 1;
  min-height: 0;
  padding: 14px 16px;
  overflow: auto;
}
/* The board takes what is left of the height. */
.board .work {
  display: flex;
  flex-direction: column;
}
.sections {
  margin-bottom: 14px;
}
</style>
