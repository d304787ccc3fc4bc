<script setup lang="ts">
/** The selected object in one blend mode, at this moment of the take. */
import { styleFlat } from '../../../../core/edits/object-edits';
import { applyEdit } from '../../../../core/document/edit';
import type { BlendMode, EffectObject } from '../../../../core/document/schema';
import { useStills } from '../../../drawing/use-stills';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import { BLEND_WORDS } from '../../../words';

const props = defineProps<{ object: Blending; blend: BlendMode; note: string }>();
defineEmits<{ choose: [] }>();
const effectStore = useEffectStore();
const playback = usePlaybackStore();
const stills = useStills(() => {
  if (playback.playing) return null;
  // Shown even where a cue hides it just now: this is about its look.
  const edit = styleFlat(effectStore.effect, props.object.id, { blend: props.blend });
  const { effect } = applyEdit(effectStore.effect, {
    ...edit,
    change: (d) => {
      edit.change(d);
      const draft = d.objects[props.object.id];
      if (draft) draft.visible = true;
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
</script>

<script lang="ts">
/** What can be blended. */
export type Blending = Extract<EffectObject, { blend: BlendMode }>;
</script>

<template>
  <button type="button" class="choice" :aria-pressed="object.blend === blend" @click="$emit('choose')">
    <span class="still"><img v-if="stills[0]" :src="stills[0]" alt="" /></span>
    <b>{{ BLEND_WORDS[blend] }}</b>
    <small class="soft">{{ note }}</small>
  </button>
</template>

<style scoped>
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
