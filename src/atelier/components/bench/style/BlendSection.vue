<script setup lang="ts">
/** Compares the selected object in blend modes at this moment of the take; the chosen one is kept. */
import { computed, ref } from 'vue';
import { styleFlat } from '../../../../core/edits/object-edits';
import { BLEND_MODES, type BlendMode } from '../../../../core/document/schema';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import BlendChoice, { type Blending } from './BlendChoice.vue';
import WordButton from '../../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const playback = usePlaybackStore();
const object = computed<Blending | null>(() => {
  const found = desk.selected ? effectStore.effect.objects[desk.selected] : undefined;
  return found && 'blend' in found ? found : null;
});
const NOTES: Record<BlendMode, string> = {
  normal: 'covers what is beneath',
  multiply: 'darkens: paint, shadows, print',
  screen: 'lightens: glow, shimmer, light',
  overlay: 'more contrast, keeps light and dark',
  darken: 'the darker of both',
  lighten: 'the lighter of both',
  'color-dodge': 'burns light in',
  'color-burn': 'burns shadows in',
  'hard-light': 'like a hard lamp',
  'soft-light': 'like a soft lamp: skin, glaze',
  difference: 'how far they differ',
  exclusion: 'differs, but softly',
  hue: 'gives its hue only',
  saturation: 'gives its strength of colour only',
  color: 'gives hue and strength: dyeing',
  luminosity: 'gives its brightness only',
  'plus-lighter': 'adds light: sparks, lamps',
};
/** Asked for most; the others cost time to draw, so they are drawn when wanted. */
const USUAL: readonly BlendMode[] = ['normal', 'multiply', 'screen', 'plus-lighter'];
const all = ref(false);
const shown = computed(() =>
  all.value
    ? BLEND_MODES
    : object.value && !USUAL.includes(object.value.blend)
      ? [...USUAL, object.value.blend]
      : USUAL,
);
const choose = (blend: BlendMode): void => {
  if (object.value) effectStore.edit(styleFlat(effectStore.effect, object.value.id, { blend }));
};
</script>

<template>
  <section aria-label="Blend modes">
    <h2>Blend modes side by side</h2>
    <template v-if="object">
      <p class="soft">
        {{ object.name }} at {{ playback.time.toFixed(2) }} s, computed against the camera picture. Click the
        one that looks right; scrub the strip to judge it in other moments.
      </p>
      <div class="grid">
        <BlendChoice
          v-for="blend in shown"
          :key="blend"
          :object="object"
          :blend="blend"
          :note="NOTES[blend]"
          @choose="choose(blend)"
        />
      </div>
      <WordButton class="more" @click="all = !all">
        {{ all ? 'Only the usual ones' : `All ${BLEND_MODES.length} modes` }}
      </WordButton>
    </template>
    <p v-else class="soft">
      Select something in the Stack or in the Viewfinder. Its opacity, tint and blend mode open there; here it
      is shown in several blend modes at once. Groups, lights and occluders do not blend.
    </p>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
  gap: 12px;
  margin-top: 12px;
  max-width: 520px;
}
.more {
  margin: 12px 0 0;
}
</style>
