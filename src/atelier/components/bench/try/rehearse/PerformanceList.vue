<script setup lang="ts">
/** What viewers do, kept under names: recorded on one take, played on any. */
import { ref } from 'vue';
import { Trash2 } from '@lucide/vue';
import { countOf, marksOf } from '../../../../../core/behave/recorded-marks';
import type { ViewerPerformance } from '../../../../../core/document/schema';
import { removePerformance } from '../../../../../core/edits/rehearsal-edits';
import { useEffectStore } from '../../../../stores/effect';
import { usePlaybackStore } from '../../../../stores/playback';
import { useRehearsalsStore } from '../../../../stores/rehearsals';
import { useTakesStore } from '../../../../stores/takes';
import IconButton from '../../../common/IconButton.vue';
import TextField from '../../../common/TextField.vue';
import WordButton from '../../../common/WordButton.vue';

const rehearsals = useRehearsalsStore();
const effectStore = useEffectStore();
const playback = usePlaybackStore();
const takes = useTakesStore();
const naming = ref<string | null>(null);
const keep = (): void => {
  rehearsals.keepPerformance(naming.value ?? '');
  naming.value = null;
};
const about = ({ records, take, length }: ViewerPerformance): string => {
  const count = countOf(marksOf(records));
  const name = takes.byId(take)?.name ?? 'a take that is gone';
  const late = records.filter((r) => r.time > playback.take.duration).length;
  const beyond =
    late > 0
      ? `; ${late === 1 ? 'one of it lies' : `${late} lie`} beyond the end of ${playback.take.name}`
      : '';
  return `${count === 1 ? 'one thing' : `${count} things`} in ${length.toFixed(0)} s, recorded on ${name}${beyond}`;
};
</script>

<template>
  <section class="performances" aria-label="Performances">
    <h2>What viewers do</h2>
    <p v-if="rehearsals.performances.length === 0 && rehearsals.doneNow === 0" class="soft">
      Taps, drags, pinches, noise, controls, photos and recordings are recorded on the strip as you do them.
      Kept under a name, they can be played on any take.
    </p>
    <div v-for="performance in rehearsals.performances" :key="performance.id" class="row one">
      <span class="grow"
        ><b v-name>{{ performance.name }}</b> <small class="soft">{{ about(performance) }}</small></span
      >
      <WordButton @click="rehearsals.perform(performance)">Play it on this take</WordButton>
      <IconButton
        :aria-label="`Delete ${performance.name}`"
        @click="effectStore.edit(removePerformance(effectStore.effect, performance.id))"
      >
        <Trash2 :size="13" />
      </IconButton>
    </div>
    <div v-if="rehearsals.doneNow > 0" class="row">
      <template v-if="naming === null">
        <span class="soft grow"
          >{{ rehearsals.doneNow === 1 ? 'One thing is' : `${rehearsals.doneNow} things are` }} done on this
          take.</span
        >
        <WordButton @click="naming = rehearsals.doneWords">Keep under a name</WordButton>
      </template>
      <template v-else>
        <TextField
          class="grow"
          label="Name of the performance"
          live
          chosen
          :most="80"
          :value="naming"
          @change="(name: string) => (naming = name)"
        />
        <a-button size="small" type="primary" @click="keep">Keep</a-button>
        <WordButton @click="naming = null">Cancel</WordButton>
      </template>
    </div>
  </section>
</template>

<style scoped>
.performances {
  display: grid;
  gap: 6px;
}
h2,
p {
  margin: 0;
}
.one {
  align-items: baseline;
}
small {
  font-size: 11.5px;
}
</style>
