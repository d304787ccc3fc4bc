<script setup lang="ts">
/** How things look: the selected object in its blend modes, what is behind the people, the grade of the picture. */
import { computed, watch } from 'vue';
import { anchorOf } from '../../../../core/document/queries';
import type { Anchor } from '../../../../core/document/schema';
import { useDeskStore, type StyleSection } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import BackdropSection from './BackdropSection.vue';
import BlendSection from './BlendSection.vue';
import GradeSection from './grade/GradeSection.vue';

const SECTIONS: readonly { readonly id: StyleSection; readonly label: string }[] = [
  { id: 'blend', label: 'Blend' },
  { id: 'backdrop', label: 'Backdrop' },
  { id: 'grade', label: 'Grade' },
];
const emit = defineEmits<{ choose: [on: Anchor] }>();
const desk = useDeskStore();
const document = useEffectStore();
const object = computed(() => (desk.selected ? (document.effect.objects[desk.selected] ?? null) : null));
// The bench follows what is picked in the Stack.
watch(
  () => object.value?.id,
  () => {
    if (!object.value) return;
    if (object.value.kind === 'grade') desk.style.section = 'grade';
    else if (anchorOf(document.effect, object.value).kind === 'backdrop') desk.style.section = 'backdrop';
    else if ('blend' in object.value) desk.style.section = 'blend';
  },
  { immediate: true },
);
</script>

<template>
  <section class="bench" aria-label="Style bench">
    <div class="sections" role="tablist" aria-label="What is styled">
      <button
        v-for="{ id, label } in SECTIONS"
        :key="id"
        class="chip"
        type="button"
        role="tab"
        :aria-selected="desk.style.section === id"
        @click="desk.style.section = id"
      >
        {{ label }}
      </button>
    </div>
    <BlendSection v-if="desk.style.section === 'blend'" />
    <BackdropSection v-else-if="desk.style.section === 'backdrop'" @choose="(on) => emit('choose', on)" />
    <GradeSection v-else />
  </section>
</template>

<style scoped>
.bench {
  padding: 14px 16px;
  overflow: auto;
  height: 100%;
}
.sections {
  display: flex;
  gap: 6px;
  margin-bottom: 14px;
}
</style>
