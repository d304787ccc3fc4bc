<script setup lang="ts">
/** A phone that has the effect open: what it shows, how fast, what it finds, what goes wrong there. */
import { computed, ref } from 'vue';
import { Smartphone } from '@lucide/vue';
import type { Phone } from '../../../../../core/contract/try-contract';
import { useClipsStore } from '../../../../stores/clips';
import { useDeskStore } from '../../../../stores/desk';
import { usePhonesStore } from '../../../../stores/phones';
import { usePlaybackStore } from '../../../../stores/playback';
import { sizeWords } from '../../../../words';
import InlineNotice from '../../../common/InlineNotice.vue';
import WordButton from '../../../common/WordButton.vue';
import { hereWords, rateWords, screenWords, seenWords } from './phone-words';

const props = defineProps<{ phone: Phone; now: number }>();
const phones = usePhonesStore();
const clips = useClipsStore();
const playback = usePlaybackStore();
const desk = useDeskStore();
const title = computed(() => `Phone ${props.phone.number}`);
const link = computed(() => phones.links.find(({ id }) => id === props.phone.link)?.name ?? null);
const picture = computed(() => phones.pictureUrl(props.phone));
const bringing = ref(false);
/** Its clip becomes the take that the effect is tried on. */
const takeClip = async (): Promise<void> => {
  bringing.value = true;
  const take = await phones.takeClip(props.phone, `From ${title.value.toLowerCase()}`);
  bringing.value = false;
  if (!take) return;
  playback.chooseTake(take);
  desk.trySection = 'take';
};
</script>

<template>
  <section class="phone" :class="{ away: !phone.here }" :aria-label="title">
    <div class="screen">
      <img v-if="picture" :src="picture" :alt="`What ${title.toLowerCase()} showed`" />
      <Smartphone v-else :size="28" aria-hidden="true" />
    </div>
    <div class="facts">
      <div class="row">
        <b>{{ title }}</b>
        <span class="soft cut grow">{{ phone.device }}{{ link ? `, ${link}` : '' }}</span>
        <span class="state" :class="{ on: phone.here }">{{ hereWords(phone, now) }}</span>
      </div>
      <template v-if="phone.report">
        <span class="num">{{ rateWords(phone.report) }}</span>
        <span>{{ seenWords(phone.report) }}</span>
        <span class="soft num">{{ screenWords(phone.report) }}</span>
        <InlineNotice v-for="fault in phone.report.faults" :key="fault" kind="warning">{{
          fault
        }}</InlineNotice>
      </template>
      <span v-else class="soft">It has not said anything yet.</span>
      <div class="row">
        <WordButton v-if="!phone.asked" :disabled="!phone.here" @click="void phones.askPicture(phone)">{{
          picture ? 'Ask for another picture' : 'Ask for a picture'
        }}</WordButton>
        <span v-else class="soft">A picture is asked for</span>
        <WordButton v-if="phone.clip && !bringing" :disabled="clips.coming !== null" @click="takeClip"
          >Bring its clip in as a take ({{ sizeWords(phone.clip.bytes) }})</WordButton
        >
        <span v-else-if="bringing" class="soft">Its clip is being tracked</span>
      </div>
    </div>
  </section>
</template>

<style scoped>
.phone {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 12px;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
}
.screen {
  display: grid;
  place-items: center;
  height: 150px;
  border-radius: 8px;
  background: var(--line2);
  overflow: hidden;
  color: var(--soft);
}
.screen img {
  width: 100%;
  height: 100%;
  object-fit: contain;
  background: #14181b;
}
.away .screen img {
  opacity: 0.55;
}
.facts {
  display: grid;
  gap: 4px;
  align-content: start;
  min-width: 0;
}
.state {
  white-space: nowrap;
  color: var(--soft);
}
.state.on {
  color: var(--accent);
  font-weight: 600;
}
</style>
