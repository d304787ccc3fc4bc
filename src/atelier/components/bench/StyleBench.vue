<script setup lang="ts">
/** Compares the selected card in all blend modes at this moment of the take; the chosen one is kept. */
import { computed } from 'vue';
import { applyEdit, styleCard } from '../../../core/document/edits';
import { BLEND_MODES, type BlendMode, type Card } from '../../../core/document/schema';
import { useStills } from '../../drawing/use-stills';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { usePlaybackStore } from '../../stores/playback';
import { BLEND_WORDS } from '../../words';

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
  'plus-lighter': 'adds light: sparks, lamps',
};
const stillsFor = (blend: BlendMode) =>
  useStills(() => {
    if (!card.value || playback.playing) return null;
    // Shown even where a cue hides it just now: this is about its look.
    const edit = styleCard(document.effect, card.value.id, { blend });
    const { effect } = applyEdit(document.effect, {
      ...edit,
      change: (d) => {
        edit.change(d);
        d.objects[card.value!.id]!.visible = true;
      },
    });
    return {
      effect: { ...effect, cues: {} },
      take: playback.take,
      times: [playback.time],
      width: 198,
      height: 264,
    };
  }, 250);
const stills = {
  normal: stillsFor('normal'),
  multiply: stillsFor('multiply'),
  screen: stillsFor('screen'),
  'plus-lighter': stillsFor('plus-lighter'),
};
const choose = (blend: BlendMode): void => {
  if (card.value) document.edit(styleCard(document.effect, card.value.id, { blend }));
};
</script>

<template>
  <section class="bench" aria-label="Style bench">
    <h2>Blend modes side by side</h2>
    <template v-if="card">
      <p class="soft">
        {{ card.name }} at {{ playback.time.toFixed(2) }} s, computed against the camera picture. Click the
        one that looks right; scrub the strip to judge it in other moments.
      </p>
      <div class="grid">
        <button
          v-for="blend in BLEND_MODES"
          :key="blend"
          type="button"
          class="choice"
          :aria-pressed="card.blend === blend"
          @click="choose(blend)"
        >
          <span class="still"
            ><img v-if="stills[blend].value[0]" :src="stills[blend].value[0]!" alt=""
          /></span>
          <b>{{ BLEND_WORDS[blend] }}</b>
          <small class="soft">{{ NOTES[blend] }}</small>
        </button>
      </div>
    </template>
    <p v-else class="soft">
      Select a card in the Stack or in the Viewfinder. Its opacity, tint and blend mode open there; here it is
      shown in every blend mode at once.
    </p>
  </section>
</template>

<style scoped>
.bench {
  padding: 14px 16px;
  overflow: auto;
  height: 100%;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
  gap: 12px;
  margin-top: 12px;
  max-width: 460px;
}
.choice {
  display: grid;
  gap: 2px;
  padding: 6px 6px 8px;
  text-align: left;
  border: 1.5px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.choice[aria-pressed='true'] {
  border-color: var(--accent);
  background: var(--wash);
}
.still {
  display: block;
  aspect-ratio: 4 / 3;
  border-radius: 5px;
  overflow: hidden;
  background: var(--grey);
}
.still img {
  width: 100%;
  height: 100%;
  object-fit: cover;
  object-position: center 22%;
  display: block;
}
b {
  margin-top: 4px;
}
small {
  font-size: 11.5px;
}
</style>
