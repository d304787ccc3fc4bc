<script setup lang="ts">
/** Signals over the whole take at once, cues as bars beneath them, and another take to compare with. */
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { line, scaleLinear } from 'd3';
import { Trash2 } from '@lucide/vue';
import { rangeOf, valueAt } from '../../../../../core/behave/chronicle';
import { SHIPPED_TAKES } from '../../../../../core/takes/library';
import { cueOrder } from '../../../../../core/document/queries';
import type { Signal } from '../../../../../core/document/schema';
import { portPlaceWords } from '../../../../circuit-words';
import { cueName, signalWords } from '../../../../behave-words';
import { useChronicleStore } from '../../../../stores/chronicle';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { usePlaybackStore } from '../../../../stores/playback';
import ChoiceField from '../../../common/ChoiceField.vue';
import TakeMenu from '../../../takes/TakeMenu.vue';
import SignalFields from '../SignalFields.vue';
import IconButton from '../../../common/IconButton.vue';
import WordButton from '../../../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const playback = usePlaybackStore();
const store = useChronicleStore();

if (store.signals.length === 0) {
  // What triggers look at is what is asked about first.
  const watched = cueOrder(effectStore.effect).flatMap((c) =>
    c.triggers.flatMap((t) => (t.kind === 'level' ? [t.signal] : [])),
  );
  const first: Signal[] = watched.length > 0 ? watched : [{ kind: 'expression', face: 1, name: 'jawOpen' }];
  const seen = new Set<string>();
  store.signals = first
    .filter((s) => !seen.has(JSON.stringify(s)) && seen.add(JSON.stringify(s)))
    .slice(0, 4);
}

const box = ref<HTMLElement | null>(null);
const width = ref(480);
let watching: ResizeObserver | null = null;
onMounted(() => {
  watching = new ResizeObserver(() => (width.value = Math.max(200, box.value?.clientWidth ?? 480)));
  watching.observe(box.value!);
});
onBeforeUnmount(() => watching?.disconnect());

const HEIGHT = 72;
/** Above and below the line: the values of its ends stand there. */
const MARGIN = 14;
const duration = computed(() => Math.max(playback.take.duration, store.other?.duration ?? 0));
const x = computed(() => scaleLinear([0, duration.value], [0, width.value]));
const ticks = computed(() => x.value.ticks(6));

interface Drawn {
  readonly signal: Signal;
  readonly range: readonly [number, number] | null;
  readonly path: string;
  readonly otherPath: string;
}
/** As fine as the screen is: more points than pixels say nothing. */
const pathOf = (rate: number, values: Float32Array | undefined, range: readonly [number, number]): string => {
  if (!values) return '';
  const y = scaleLinear(range, [HEIGHT - MARGIN, MARGIN]);
  const every = Math.max(1, Math.floor(values.length / width.value));
  const points: [number, number][] = [];
  for (let k = 0; k < values.length; k += every) points.push([k / rate, values[k]!]);
  return (
    line<[number, number]>()
      .defined(([, v]) => !Number.isNaN(v))
      .x(([t]) => x.value(t))
      .y(([, v]) => y(v))(points) ?? ''
  );
};
const padded = ([low, high]: readonly [number, number]): readonly [number, number] =>
  high - low < 1e-9 ? [low - 0.5, high + 0.5] : [low, high];
const lines = computed<Drawn[]>(() =>
  store.signals.map((signal, i) => {
    const here = store.chronicle.lines[i];
    const there = store.otherChronicle?.lines[i];
    const ranges = [here && rangeOf(here), there && rangeOf(there)].filter((r) => r != null);
    if (ranges.length === 0) return { signal, range: null, path: '', otherPath: '' };
    const range = padded([Math.min(...ranges.map((r) => r[0])), Math.max(...ranges.map((r) => r[1]))]);
    return {
      signal,
      range,
      path: pathOf(store.chronicle.rate, here, range),
      otherPath: pathOf(store.otherChronicle?.rate ?? 1, there, range),
    };
  }),
);
/** Outputs of nodes, put here from their board. */
const portLines = computed(() =>
  store.ports.map((place) => {
    const values = store.lineOf(place);
    const found = values && rangeOf(values);
    const range = found ? padded(found) : null;
    return {
      place,
      words: portPlaceWords(effectStore.effect, place),
      range,
      path: range ? pathOf(store.chronicle.rate, values, range) : '',
      at: (seconds: number) => values?.[Math.round(seconds * store.chronicle.rate)] ?? NaN,
    };
  }),
);
/** Bars of each cue that fired, in the order of the sheet. */
const bars = computed(() =>
  cueOrder(effectStore.effect)
    .map((cue) => ({
      cue,
      bars: store.chronicle.bars.filter((b) => b.cue === cue.id),
      other: store.otherChronicle?.bars.filter((b) => b.cue === cue.id) ?? [],
    }))
    .filter((row) => row.cue.enabled),
);
const barStyle = (from: number, to: number) => ({
  left: `${x.value(from)}px`,
  width: `${Math.max(3, x.value(Math.min(duration.value, to)) - x.value(from))}px`,
});

/** Where the cursor is; null is where the take is. */
const pointed = ref<number | null>(null);
const time = computed(() => pointed.value ?? playback.time);
const point = (event: PointerEvent): void => {
  const at = x.value.invert(event.clientX - box.value!.getBoundingClientRect().left);
  pointed.value = Math.min(duration.value, Math.max(0, at));
};
const shown = (n: number): string => (Number.isNaN(n) ? '-' : String(Math.round(n * 1000) / 1000));
const set = (i: number, signal: Signal): void => {
  store.signals = store.signals.map((s, n) => (n === i ? signal : s));
};
const add = (): void => {
  store.signals = [
    ...store.signals,
    desk.selected
      ? { kind: 'object', object: desk.selected, of: 'opacity' }
      : { kind: 'expression', face: 1, name: 'mouthPucker' },
  ];
};
const takes = [
  { value: '', label: 'no other take' },
  ...SHIPPED_TAKES.map((t) => ({ value: t.id, label: t.name })),
];
const compare = (id: string): void => {
  store.other = SHIPPED_TAKES.find((t) => t.id === id) ?? null;
};
const editing = ref<number | null>(null);
</script>

<template>
  <section class="scope" aria-label="Scope">
    <div class="row wrap">
      <h2 class="cut">
        Scope
        <span class="faint small" role="status"
          ><template v-if="store.running">running ahead</template><TakeMenu v-else
        /></span>
      </h2>
      <span class="soft">beside</span>
      <ChoiceField
        label="Compared with which take"
        :needed="false"
        :value="store.other?.id ?? ''"
        :options="takes"
        @change="compare"
      />
      <WordButton :disabled="store.signals.length >= 20" @click="add">+ Signal</WordButton>
    </div>
    <div
      ref="box"
      class="board"
      @pointermove="point"
      @pointerleave="pointed = null"
      @click="playback.seek(time)"
    >
      <div v-for="(drawn, i) in lines" :key="i" class="lane">
        <div class="row said" @click.stop>
          <WordButton class="cut" :aria-expanded="editing === i" @click="editing = editing === i ? null : i">
            {{ signalWords(effectStore.effect, drawn.signal) }}
          </WordButton>
          <span
            class="num value"
            :aria-label="`${signalWords(effectStore.effect, drawn.signal)} at ${time.toFixed(2)} seconds`"
            >{{ shown(valueAt(store.chronicle, i, time)) }}</span
          >
          <span v-if="store.otherChronicle" class="num faint"
            >beside: {{ shown(valueAt(store.otherChronicle, i, time)) }}</span
          >
          <span class="grow" />
          <IconButton
            aria-label="Remove this signal"
            @click="store.signals = store.signals.filter((_, n) => n !== i)"
          >
            <Trash2 :size="12" />
          </IconButton>
        </div>
        <div v-if="editing === i" class="edit" @click.stop>
          <SignalFields :signal="drawn.signal" @change="(signal) => set(i, signal)" />
        </div>
        <svg
          :width="width"
          :height="HEIGHT"
          role="img"
          :aria-label="`${signalWords(effectStore.effect, drawn.signal)} over the take`"
        >
          <line
            v-for="tick in ticks"
            :key="tick"
            class="tick"
            :x1="x(tick)"
            :x2="x(tick)"
            y1="0"
            :y2="HEIGHT"
          />
          <path class="other" :d="drawn.otherPath" />
          <path class="own" :d="drawn.path" />
          <template v-if="drawn.range">
            <text x="2" y="10">{{ shown(drawn.range[1]) }}</text>
            <text x="2" :y="HEIGHT - 3">{{ shown(drawn.range[0]) }}</text>
          </template>
          <text v-else x="6" :y="HEIGHT / 2">no value on this take</text>
          <line class="needle" :x1="x(time)" :x2="x(time)" y1="0" :y2="HEIGHT" />
        </svg>
      </div>
      <div v-for="(drawn, i) in portLines" :key="`port ${i}`" class="lane">
        <div class="row said" @click.stop>
          <span class="cut">{{ drawn.words }}</span>
          <span class="num value" :aria-label="`${drawn.words} at ${time.toFixed(2)} seconds`">{{
            shown(drawn.at(time))
          }}</span>
          <span class="grow" />
          <IconButton aria-label="Remove this output" @click="store.toScope(drawn.place)">
            <Trash2 :size="12" />
          </IconButton>
        </div>
        <svg :width="width" :height="HEIGHT" role="img" :aria-label="`${drawn.words} over the take`">
          <path class="own" :d="drawn.path" />
          <template v-if="drawn.range">
            <text x="2" y="10">{{ shown(drawn.range[1]) }}</text>
            <text x="2" :y="HEIGHT - 3">{{ shown(drawn.range[0]) }}</text>
          </template>
          <text v-else x="6" :y="HEIGHT / 2">no value on this take</text>
          <line class="needle" :x1="x(time)" :x2="x(time)" y1="0" :y2="HEIGHT" />
        </svg>
      </div>
      <div v-for="row in bars" :key="row.cue.id" class="bars" :class="{ two: store.other }">
        <i
          v-for="(bar, k) in row.bars"
          :key="k"
          class="bar"
          :style="barStyle(bar.from, bar.to)"
          :title="`${cueName(effectStore.effect, row.cue.id)}: from ${bar.from.toFixed(2)} s`"
        />
        <i
          v-for="(bar, k) in row.other"
          :key="`o${k}`"
          class="bar beside"
          :style="barStyle(bar.from, bar.to)"
        />
        <span class="cut"
          >{{ cueName(effectStore.effect, row.cue.id)
          }}{{ row.bars.length === 0 ? ' (not fired)' : '' }}</span
        >
        <b class="needle-bar" :style="{ left: `${x(time)}px` }" />
      </div>
      <div class="axis" aria-hidden="true">
        <span v-for="tick in ticks" :key="tick" class="num" :style="{ left: `${x(tick)}px` }"
          >{{ tick }} s</span
        >
      </div>
    </div>
    <p class="soft small">
      The effect runs ahead without being drawn. Move over the lines to read values, click to go there. What
      was tapped and set on this take counts; the take beside has only its own taps.
    </p>
  </section>
</template>

<style scoped>
.scope {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
.small {
  font-size: 11.5px;
}
.wrap {
  flex-wrap: wrap;
}
/* One line, whatever it says: what stands below must not move under the pointer. */
h2 {
  flex: 1 1 120px;
  min-width: 0;
}
.board {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  cursor: crosshair;
}
.lane svg {
  display: block;
  background: var(--sheet);
  border: 1px solid var(--line2);
  border-radius: 5px;
}
.said {
  font-size: 12px;
  cursor: default;
}
.value {
  font-weight: 600;
}
.edit {
  padding: 6px;
  background: var(--bench);
  cursor: default;
}
.tick {
  stroke: var(--line2);
}
.own,
.other {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.5;
}
.other {
  stroke: var(--ochre, #b7791f);
  stroke-dasharray: 4 3;
}
.needle {
  stroke: var(--madder);
}
text {
  font: 10px var(--mono, monospace);
  fill: var(--soft);
}
.bars {
  position: relative;
  height: 20px;
  border-bottom: 1px solid var(--line2);
  font-size: 11px;
}
.bars.two {
  height: 26px;
}
.bars .cut {
  position: absolute;
  left: 4px;
  top: 2px;
  right: 4px;
  pointer-events: none;
}
.bar {
  position: absolute;
  top: 3px;
  height: 14px;
  border-radius: 3px;
  background: color-mix(in srgb, var(--accent) 30%, var(--sheet));
}
.bar.beside {
  top: 18px;
  height: 5px;
  background: color-mix(in srgb, var(--ochre, #b7791f) 55%, var(--sheet));
}
.needle-bar {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--madder);
}
.axis {
  position: relative;
  height: 14px;
  font-size: 10px;
  color: var(--soft);
}
.axis span {
  position: absolute;
  white-space: nowrap;
}
.axis span:last-child {
  transform: translateX(-100%);
}
</style>
