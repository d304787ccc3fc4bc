<script setup lang="ts">
/** The effect on several takes at once, playing in step with the strip. */
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import type { Recorded } from '../../../../../core/behave/recorded';
import { LEAST_TILES } from '../../../../../core/takes/library/wall-sets';
import type { Take } from '../../../../../core/takes/take';
import { pictureKeys } from '../../../../../tracker/camera-needs';
import { WallPainter } from '../../../../drawing/wall-painter';
import { WallRounds } from '../../../../drawing/wall-rounds';
import { keptRecorded } from '../../../../saving/kept-tries';
import { useAssetsStore } from '../../../../stores/assets';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { usePlaybackStore } from '../../../../stores/playback';
import { usePrintsStore } from '../../../../stores/prints';
import { useWallStore } from '../../../../stores/wall';
import { printedTake } from '../../../../takes/printed-take';
import WallChooser from './WallChooser.vue';
import WallTile from './WallTile.vue';

/** Slower than this a wall does not move: its tiles take turns, and that is said. */
const IN_TURNS = 250;
/** While it plays, a slow wall is drawn at a part of its size. */
const SMALLER = 0.6;

const desk = useDeskStore();
const effectStore = useEffectStore();
const playback = usePlaybackStore();
const prints = usePrintsStore();
const wall = useWallStore();

const keys = computed<readonly string[]>((before) => {
  const now = pictureKeys(effectStore.effect);
  return before?.join() === now.join() ? before : now;
});
const takes = computed(() => wall.takes.map((take) => printedTake(take, prints.aspects, keys.value)));
/** Columns, and how wide a tile is at most: so that all of them are in sight on a usual screen. */
const LAYOUTS: readonly { readonly upTo: number; readonly columns: number; readonly width: number }[] = [
  { upTo: 2, columns: 2, width: 250 },
  { upTo: 3, columns: 3, width: 168 },
  { upTo: 4, columns: 4, width: 124 },
  { upTo: 6, columns: 3, width: 130 },
  { upTo: 8, columns: 4, width: 124 },
  { upTo: 12, columns: 4, width: 88 },
];
const layout = computed(() => LAYOUTS.find(({ upTo }) => takes.value.length <= upTo) ?? LAYOUTS.at(-1)!);
/** By the id of the take. */
const tiles = new Map<string, InstanceType<typeof WallTile>>();
const hold = (take: string, tile: unknown): void => {
  if (tile) tiles.set(take, tile as InstanceType<typeof WallTile>);
  else tiles.delete(take);
};
/** What is shown of each take: nothing yet, the effect, or why not. */
const drawn = shallowRef<ReadonlyMap<string, string | null>>(new Map());
/** Milliseconds a round takes; null before the second: in the first people are made. */
const pace = ref<number | null>(null);
let isFirstRound = true;
/** The take that is being drawn: the wall may show others when that is done. */
let underWay: Take | null = null;
const isSlow = computed(() => pace.value !== null && pace.value > IN_TURNS);

const painter = new WallPainter(useAssetsStore().source);
/** What is recorded on the other takes is not changed meanwhile. */
const recordedElsewhere = new Map<string, readonly Recorded[]>();
watch([() => effectStore.id, () => playback.take.id], () => recordedElsewhere.clear());
const recordedOn = computed(() => {
  const { take: shown } = playback;
  const played = playback.options.recorded;
  return (take: Take): readonly Recorded[] => {
    if (take.id === shown.id) return played;
    const kept = recordedElsewhere.get(take.id) ?? (effectStore.id ? keptRecorded(effectStore.id, take) : []);
    recordedElsewhere.set(take.id, kept);
    return kept;
  };
});
const state = computed(() => ({
  recordedOn: recordedOn.value,
  effect: effectStore.shown,
  scene: playback.options.scene,
  people: desk.people,
  pictures: prints.images,
}));
const rounds = new WallRounds({
  draw: async (i, moment) => {
    const take = takes.value[i];
    underWay = null;
    const canvas = take && tiles.get(take.id)?.canvas;
    if (!take || !canvas) return;
    underWay = take;
    const scale = devicePixelRatio * (playback.playing && isSlow.value ? SMALLER : 1);
    const size = (css: number): number => Math.max(1, Math.round(css * scale));
    await painter.paint(
      canvas,
      take,
      state.value,
      moment,
      size(canvas.clientWidth),
      size(canvas.clientHeight),
    );
  },
  moment: () => playback.time,
  pause: () => new Promise((goOn) => requestAnimationFrame(() => setTimeout(goOn, 0))),
  now: () => performance.now(),
  onRound: (took) => {
    if (!isFirstRound) pace.value = took;
    isFirstRound = false;
  },
  onTile: (_, trouble) => {
    const take = underWay;
    if (take && takes.value.includes(take)) drawn.value = new Map(drawn.value).set(take.id, trouble);
  },
});
const wake = (): void => {
  // What the creator looks at comes first.
  if (playback.pictured) rounds.wake(takes.value.length);
};
onMounted(wake);
watch(takes, async (now) => {
  isFirstRound = true;
  painter.keepOnly(now);
  drawn.value = new Map([...drawn.value].filter(([id]) => now.some((take) => take.id === id)));
  await nextTick();
  wake();
});
watch([state, () => playback.time, () => playback.playing, () => playback.pictured], wake);
onBeforeUnmount(() => {
  rounds.stop();
  painter.dispose();
});

const enlarge = (take: Take): void => {
  const moment = playback.time;
  playback.chooseTake(take);
  // The same moment: the wall goes on as it was.
  playback.seek(take.duration > 0 ? moment % take.duration : 0);
};
const turns = computed(() => `${((pace.value ?? 0) / 1000).toFixed(1)} s`);
</script>

<template>
  <div class="wall">
    <WallChooser />
    <div
      class="tiles"
      :style="{ '--columns': layout.columns, '--tile': `${layout.width}px` }"
      role="group"
      aria-label="Wall of takes"
    >
      <WallTile
        v-for="take in takes"
        :key="take.id"
        :ref="(tile) => hold(take.id, tile)"
        :take="take"
        :is-large="playback.source !== 'camera' && playback.take.id === take.id"
        :is-drawn="drawn.has(take.id)"
        :trouble="drawn.get(take.id) ?? null"
        :can-go="takes.length > LEAST_TILES"
        @enlarge="enlarge(take)"
        @remove="wall.remove(take.id)"
      />
    </div>
    <p class="soft" role="status">
      <template v-if="isSlow"
        >This machine draws one take after the other: all of them show the same moment, a new one every
        {{ turns }}.</template
      >
      <template v-else>Click a take to see it large. All of them play in step with the strip.</template>
    </p>
  </div>
</template>

<style scoped>
.wall {
  display: grid;
  gap: 10px;
}
.tiles {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, var(--tile)));
  gap: 8px;
}
p {
  margin: 0;
}
</style>
