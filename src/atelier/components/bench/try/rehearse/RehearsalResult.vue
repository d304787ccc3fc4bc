<script setup lang="ts">
/** What came of a rehearsal on one take: a filmstrip, a sentence for each expectation, traces, and where a picture differs. */
import { computed } from 'vue';
import { Check, X } from '@lucide/vue';
import type { Rehearsal } from '../../../../../core/document/schema';
import type { Verdict } from '../../../../../core/rehearse/judge';
import { signalsOf } from '../../../../../core/rehearse/judge';
import { hasPassed } from '../../../../../core/rehearse/outcome';
import { signalWords } from '../../../../behave-words';
import { useRehearsalsStore, type Shown } from '../../../../stores/rehearsals';
import WordButton from '../../../common/WordButton.vue';
import RasterPicture from './RasterPicture.vue';
import SignalTrace from './SignalTrace.vue';

const props = defineProps<{ rehearsal: Rehearsal; came: Shown; isOpen: boolean }>();
const rehearsals = useRehearsalsStore();
/** Shut, only what failed is said. */
const told = computed(() => props.came.verdicts.filter((v) => props.isOpen || !v.passed));
const failedAt = computed(() => props.came.verdicts.filter((v) => !v.passed).map((v) => v.at));
const isFailed = (time: number): boolean => failedAt.value.some((at) => Math.abs(at - time) < 0.011);
const traces = computed(() => {
  const { chronicle, of, rehearsalId } = props.came;
  const played = of.rehearsals[rehearsalId as Rehearsal['id']];
  return chronicle && played
    ? signalsOf(played.expectations).map((signal, i) => ({
        words: signalWords(of, signal),
        line: chronicle.lines[i]!,
        rate: chronicle.rate,
      }))
    : [];
});
const isApprovable = (verdict: Verdict): boolean => verdict.came !== undefined && !verdict.passed;
</script>

<template>
  <div class="result" role="group" :aria-label="`On ${came.take}`">
    <p class="soft">
      On {{ came.take }}<template v-if="came.trouble === null">, {{ came.took.toFixed(1) }} s</template>
      <template v-if="hasPassed(came)">: all as expected</template>
    </p>
    <p v-if="came.trouble" class="failed">{{ came.trouble }}</p>
    <div v-if="came.urls.length > 0 && (isOpen || !hasPassed(came))" class="film">
      <button
        v-for="{ time, url } in came.urls"
        :key="time"
        type="button"
        :class="{ bad: isFailed(time) }"
        :aria-label="`${time.toFixed(2)} seconds${isFailed(time) ? ', not as expected' : ''}: show it in the Viewfinder`"
        @click="rehearsals.show(came, time)"
      >
        <img :src="url" alt="" /><span class="num">{{ time.toFixed(1) }} s</span>
      </button>
    </div>
    <ul>
      <li v-for="verdict in told" :key="verdict.expectation" :class="{ failed: !verdict.passed }">
        <Check v-if="verdict.passed" :size="13" aria-label="as expected" />
        <X v-else :size="13" aria-label="not as expected" />
        <span
          >{{ verdict.sentence }}
          <WordButton v-if="!verdict.passed" @click="rehearsals.show(came, verdict.at)">Go there</WordButton>
          <WordButton
            v-if="isApprovable(verdict)"
            @click="rehearsals.approveCame(rehearsal.id, verdict.expectation, [came])"
            >Approve what came</WordButton
          >
        </span>
        <RasterPicture v-if="verdict.difference" :raster="verdict.difference" label="Where it differs" />
      </li>
    </ul>
    <template v-if="isOpen">
      <SignalTrace
        v-for="(trace, i) in traces"
        :key="i"
        :words="trace.words"
        :line="trace.line"
        :rate="trace.rate"
      />
    </template>
  </div>
</template>

<style scoped>
.result {
  display: grid;
  gap: 6px;
  padding: 2px 12px 10px 30px;
}
p,
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.film {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
}
li :deep(.word + .word) {
  margin-left: 10px;
}
.film button {
  flex: none;
  width: 46px;
  padding: 0;
  border: 2px solid transparent;
  border-radius: 5px;
  background: none;
  color: var(--soft);
  font-size: 10px;
  line-height: 14px;
  cursor: pointer;
}
.film .bad {
  border-color: var(--madder);
}
.film img {
  display: block;
  width: 100%;
  border-radius: 3px;
}
li {
  display: grid;
  grid-template-columns: 14px minmax(0, 1fr) auto;
  gap: 6px;
  align-items: start;
  font-size: 12.5px;
}
li svg {
  margin-top: 3px;
  color: var(--accent);
}
.failed svg {
  color: var(--madder);
}
</style>
