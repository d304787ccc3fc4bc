<script setup lang="ts">
/** Make-up: which face it goes on, the kit, whole looks. Fields of a layer stand in the Stack. */
import { computed, ref, watch } from 'vue';
import { Brush, Copy } from '@lucide/vue';
import { sentence } from '../../../../../core/errors';
import { layersOn } from '../../../../../core/edits/look-edits';
import { anchorOf } from '../../../../../core/document/queries';
import { isOnFace } from '../../../../../core/kinds/objects/objects';
import type { FaceChoice } from '../../../../../core/document/schema';
import { addPainted, copyLookTo } from '../../../../commands/face-commands';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { usePainterStore } from '../../../../stores/painter';
import InlineNotice from '../../../common/InlineNotice.vue';
import CutoutPanel from './CutoutPanel.vue';
import LooksPanel from './LooksPanel.vue';
import MakeUpKit from './MakeUpKit.vue';
import MorphPanel from './MorphPanel.vue';
import PainterPanel from './PainterPanel.vue';
import ChipButton from '../../../common/ChipButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const painter = usePainterStore();
const FACES: readonly { readonly face: FaceChoice; readonly label: string }[] = [
  { face: 1, label: 'Face 1' },
  { face: 2, label: 'Face 2' },
  { face: 'every', label: 'Every face' },
];
const face = computed({ get: () => desk.style.face, set: (to) => (desk.style.face = to) });
// The kit works on the face whose layer was picked.
watch(
  () => desk.selected,
  (id) => {
    const object = id ? effectStore.effect.objects[id] : undefined;
    if (!object || !isOnFace(object)) return;
    const anchor = anchorOf(effectStore.effect, object);
    if ('face' in anchor) face.value = anchor.face;
  },
  { immediate: true },
);
/** What has a panel of its own while it is selected. */
const selected = computed(() => (desk.selected ? effectStore.effect.objects[desk.selected] : undefined));
const count = computed(() => layersOn(effectStore.effect, face.value).length);
const other = computed<FaceChoice>(() => (face.value === 1 ? 2 : 1));
const trouble = ref<string | null>(null);
const own = async (part: 'mask' | 'picture'): Promise<void> => {
  trouble.value = null;
  try {
    await addPainted(part, face.value);
  } catch (error) {
    trouble.value = sentence(error);
  }
};
const shown = computed(() =>
  FACES.some((f) => f.face === face.value)
    ? FACES
    : [...FACES, { face: face.value, label: face.value === 'any' ? 'Any face' : `Face ${face.value}` }],
);
</script>

<template>
  <PainterPanel v-if="painter.on" />
  <MorphPanel v-else-if="selected?.kind === 'morph'" :morph="selected" :face="face" />
  <CutoutPanel v-else-if="selected?.kind === 'cutout'" :cutout="selected" />
  <section v-else aria-label="Make-up">
    <div class="faces" role="group" aria-label="Face that make-up goes on">
      <ChipButton
        v-for="one in shown"
        :key="one.face"
        :aria-pressed="face === one.face"
        @click="face = one.face"
      >
        {{ one.label }}
      </ChipButton>
      <span class="grow" />
      <ChipButton v-if="count > 0 && face !== 'every'" @click="copyLookTo(face, other)">
        <Copy :size="13" /> Copy to face {{ other }}
      </ChipButton>
    </div>
    <MakeUpKit :face="face" />
    <section class="own" aria-label="Layers of your own">
      <ChipButton @click="own('mask')"><Brush :size="13" /> Paint a colour</ChipButton>
      <ChipButton @click="own('picture')"> <Brush :size="13" /> Paint a picture, write, stick on </ChipButton>
    </section>
    <InlineNotice v-if="trouble">{{ trouble }}</InlineNotice>
    <LooksPanel :face="face" />
  </section>
</template>

<style scoped>
.faces {
  display: flex;
  gap: 6px;
  margin-bottom: 10px;
}
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 10px;
}
.chip {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
</style>
