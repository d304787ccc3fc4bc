<script setup lang="ts">
/** Compares the selected card in blend modes at this moment of the take; the chosen one is kept. */
import { computed, ref } from 'vue';
import { styleCard } from '../../../../core/document/edits';
import { BLEND_MODES, type BlendMode, type Card } from '../../../../core/document/schema';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import BlendChoice from './BlendChoice.vue';

const document = useEffectStore();
const desk = useDeskStore();
const playback = usePlaybackStore();
const card = computed<Card | null>(() => {
  const object = desk.selected ? document.effect.objects[desk.selected] : undefined;
  return object?.kind === 'card' ? object : null;
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
    : card.value && !USUAL.includes(card.value.blend)
      ? [...USUAL, card.value.blend]
      : USUAL,
);
const choose = (blend: BlendMode): void => {
  if (card.value) document.edit(styleCard(document.effect, card.value.id, { blend }));
};
</script>

<template>
  <section aria-label="Blend modes">
    <h2>Blend modes side by side</h2>
    <template v-if="card">
      <p class="soft">
        {{ card.name }} at {{ playback.time.toFixed(2) }} s, computed against the camera picture. Click the
        one that looks right; scrub the strip to judge it in other moments.
      </p>
      <div class="grid">
        <BlendChoice
          v-for="blend in shown"
          :key="blend"
          :card="card"
          :blend="blend"
          :note="NOTES[blend]"
          @choose="choose(blend)"
        />
      </div>
      <button class="word more" type="button" @click="all = !all">
        {{ all ? 'Only the usual ones' : `All ${BLEND_MODES.length} modes` }}
      </button>
    </template>
    <p v-else class="soft">
      Select a card in the Stack or in the Viewfinder. Its opacity, tint and blend mode open there; here it is
      shown in several blend modes at once.
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
