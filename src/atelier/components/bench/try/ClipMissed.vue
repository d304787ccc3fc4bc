<script setup lang="ts">
/** What the effect needs to know of an own clip and nobody has looked for: it can be tracked again. */
import { computed } from 'vue';
import { missedIn } from '../../../../core/takes/clip';
import { cameraNeeds } from '../../../../tracker/camera-needs';
import { fetchFile } from '../../../api/client';
import { useClipsStore } from '../../../stores/clips';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import InlineNotice from '../../common/InlineNotice.vue';
import WordButton from '../../common/WordButton.vue';

const playback = usePlaybackStore();
const effectStore = useEffectStore();
const clips = useClipsStore();
const missed = computed(() => {
  const { clip } = playback.take;
  if (!clip || playback.source === 'camera') return null;
  const { people, pictures } = missedIn(clip, cameraNeeds(effectStore.effect, fetchFile));
  const all = [...(people ? ['the people in it'] : []), ...pictures.map((name) => `the picture ${name}`)];
  return all.length > 0 ? { clip, all } : null;
});
const again = async (): Promise<void> => {
  if (!missed.value) return;
  const take = await clips.again(missed.value.clip);
  // Unless the creator has gone on to another take meanwhile.
  if (take && playback.take.id === take.id && playback.source === 'take') playback.chooseTake(take);
};
</script>

<template>
  <InlineNotice v-if="missed && !clips.coming" kind="note">
    {{ missed.clip.name }} was tracked before this effect needed to know {{ missed.all.join(', ') }}.
    <WordButton @click="again">Track it again</WordButton>
  </InlineNotice>
</template>
