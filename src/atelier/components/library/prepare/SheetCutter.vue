<script setup lang="ts">
/** Cuts a sprite sheet into frames: the guessed grid on the picture, corrected by hand, playing beside. */
import { computed, onBeforeUnmount, onMounted, reactive, ref, shallowRef, watch } from 'vue';
import { cellBox } from '../../../../core/assets/frames/sheets';
import { guessGrid, type GridGuess } from '../../../../core/assets/frames/guess-grid';
import { cutSheet } from '../../../../core/edits/asset-edits';
import { sentence } from '../../../../core/errors';
import type { Asset, PictureAsset } from '../../../../core/document/schema';
import { newAssetId } from '../../../api/ids';
import { keepDraft } from '../../../intake/keep-draft';
import { useAssetsStore } from '../../../stores/assets';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { useImportsStore } from '../../../stores/imports';
import { usePreparingStore } from '../../../stores/preparing';
import InlineNotice from '../../common/InlineNotice.vue';
import NumberField from '../../common/NumberField.vue';
import './controls.css';

const props = defineProps<{ asset: PictureAsset; guess: GridGuess | null }>();
const emit = defineEmits<{ done: [] }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const assets = useAssetsStore();
const imports = useImportsStore();
const preparing = usePreparingStore();

const picture = shallowRef<ImageBitmap | null>(null);
const grid = reactive({ columns: 1, rows: 1, margin: 0, gap: 0 });
const frames = ref(1);
const rate = ref(12);
const busy = ref(false);
const error = ref<string | null>(null);
const guessed = ref<GridGuess | null>(props.guess);
const take = (guess: GridGuess): void => {
  guessed.value = guess;
  Object.assign(grid, guess.grid);
  frames.value = guess.frames;
};
onMounted(async () => {
  try {
    const file = props.asset.files[0]!;
    picture.value = await createImageBitmap(await assets.source(file));
    if (props.guess) return take(props.guess);
    const { width, height } = picture.value;
    const small = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
    small.drawImage(picture.value, 0, 0);
    take(guessGrid({ width, height, data: small.getImageData(0, 0, width, height).data }, props.asset.name));
  } catch (cause) {
    error.value = sentence(cause);
  }
});
const set = (change: Partial<typeof grid>): void => {
  const whole = grid.columns * grid.rows;
  Object.assign(grid, change);
  // All cells stay in use unless some were left out before.
  if (frames.value === whole || frames.value > grid.columns * grid.rows)
    frames.value = grid.columns * grid.rows;
};
const sheet = computed(() => [props.asset.width, props.asset.height] as const);
const cells = computed(() =>
  Array.from({ length: Math.min(grid.columns * grid.rows, 1024) }, (_, i) => cellBox(grid, sheet.value, i)),
);
const possible = computed(() => (cells.value[0]?.width ?? 0) >= 1 && (cells.value[0]?.height ?? 0) >= 1);

const player = ref<HTMLCanvasElement | null>(null);
let loop = 0;
const tick = (now: number): void => {
  loop = requestAnimationFrame(tick);
  const canvas = player.value;
  if (!canvas || !picture.value || !possible.value) return;
  const box =
    cells.value[
      Math.floor((now / 1000) * rate.value) % Math.max(1, Math.min(frames.value, cells.value.length))
    ]!;
  const [w, h] = [Math.max(1, Math.round(box.width)), Math.max(1, Math.round(box.height))];
  if (canvas.width !== w || canvas.height !== h) [canvas.width, canvas.height] = [w, h];
  const context = canvas.getContext('2d')!;
  context.clearRect(0, 0, w, h);
  context.drawImage(picture.value, box.left, box.top, box.width, box.height, 0, 0, w, h);
};
onMounted(() => (loop = requestAnimationFrame(tick)));
onBeforeUnmount(() => {
  cancelAnimationFrame(loop);
  picture.value?.close();
});
watch(frames, (n) => (frames.value = Math.min(Math.max(1, Math.round(n)), grid.columns * grid.rows)));

const cut = async (): Promise<void> => {
  busy.value = true;
  error.value = null;
  try {
    const bytes = await assets.bytesOf(props.asset.files[0]!);
    const draft = await preparing.client.cut(bytes, props.asset.name, { ...grid }, frames.value);
    const kept = await keepDraft(
      { ...draft, name: imports.freeAssetName(props.asset.name.replace(/\.[^.]+$/, '')) },
      newAssetId(),
    );
    const sequence = (kept.kind === 'sequence' ? { ...kept, rate: rate.value } : kept) as Asset;
    effectStore.edit(cutSheet(effectStore.effect, props.asset.id, sequence));
    desk.library.selected = [sequence.id];
    emit('done');
  } catch (cause) {
    error.value = sentence(cause);
  } finally {
    busy.value = false;
  }
};
</script>

<template>
  <section class="cutter" :aria-label="`Cut ${asset.name} into frames`">
    <header class="row">
      <h3 class="cut">Cut {{ asset.name }} into frames</h3>
      <span class="soft">
        {{
          guessed && guessed.confidence >= 0.5
            ? `${guessed.grid.columns} x ${guessed.grid.rows} was read off the picture.`
            : 'No grid can be read off the picture: set it by hand.'
        }}
      </span>
      <span class="grow" />
      <a-button size="small" @click="emit('done')">Cancel</a-button>
      <a-button size="small" type="primary" :disabled="!possible || !picture" :loading="busy" @click="cut"
        >Make a sequence of {{ frames }}</a-button
      >
    </header>
    <InlineNotice v-if="error" closable @close="error = null">{{ error }}</InlineNotice>
    <div class="work">
      <div class="controls">
        <div class="line">
          <span>Columns</span
          ><NumberField
            :value="grid.columns"
            label="Columns"
            :digits="0"
            :min="1"
            :max="256"
            @change="(v) => set({ columns: Math.max(1, Math.round(v)) })"
          />
        </div>
        <div class="line">
          <span>Rows</span
          ><NumberField
            :value="grid.rows"
            label="Rows"
            :digits="0"
            :min="1"
            :max="256"
            @change="(v) => set({ rows: Math.max(1, Math.round(v)) })"
          />
        </div>
        <div class="line">
          <span>Edge, px</span
          ><NumberField
            :value="grid.margin"
            label="Edge around the sheet, pixels"
            :digits="0"
            :min="0"
            :max="4096"
            @change="(v) => set({ margin: Math.max(0, Math.round(v)) })"
          />
        </div>
        <div class="line">
          <span>Gap, px</span
          ><NumberField
            :value="grid.gap"
            label="Gap between cells, pixels"
            :digits="0"
            :min="0"
            :max="4096"
            @change="(v) => set({ gap: Math.max(0, Math.round(v)) })"
          />
        </div>
        <div class="line">
          <span>Frames</span
          ><NumberField
            :value="frames"
            label="Frames in use"
            :digits="0"
            :min="1"
            :max="grid.columns * grid.rows"
            @change="(v) => (frames = v)"
          />
        </div>
        <div class="line">
          <span>A second</span
          ><NumberField
            :value="rate"
            label="Frames a second"
            :min="0.1"
            :max="120"
            @change="(v) => (rate = v)"
          />
        </div>
        <div class="window"><canvas ref="player" role="img" aria-label="The frames as they play" /></div>
        <p v-if="!possible" class="bad">
          These gaps leave nothing of the cells. Use fewer cells or smaller gaps.
        </p>
      </div>
      <div class="sheet">
        <svg
          :viewBox="`0 0 ${asset.width} ${asset.height}`"
          role="img"
          :aria-label="`${grid.columns} columns and ${grid.rows} rows on ${asset.name}`"
        >
          <image
            v-if="picture"
            :href="`/api/files/${asset.files[0]!.sha256}`"
            :width="asset.width"
            :height="asset.height"
          />
          <rect
            v-for="(box, i) in cells"
            :key="i"
            :x="box.left"
            :y="box.top"
            :width="Math.max(0, box.width)"
            :height="Math.max(0, box.height)"
            :class="{ out: i >= frames }"
          />
        </svg>
      </div>
    </div>
  </section>
</template>

<style scoped>
.cutter {
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
  min-height: 0;
}
header {
  padding: 10px 14px;
  border-bottom: 1px solid var(--line2);
}
h3 {
  font-size: 14px;
}
.work {
  grid-row: 3;
  display: grid;
  grid-template-columns: 210px minmax(0, 1fr);
  min-height: 0;
}
.controls {
  overflow: auto;
  padding: 12px 14px;
  border-right: 1px solid var(--line2);
}
.window {
  display: grid;
  place-items: center;
  height: 170px;
  margin-top: 8px;
  border-radius: 8px;
  overflow: hidden;
  background: var(--grey);
}
canvas {
  width: 100%;
  height: 100%;
  min-height: 0;
  object-fit: contain;
}
.sheet {
  min-height: 0;
  padding: 14px;
}
svg {
  width: 100%;
  height: 100%;
  background: var(--grey);
  border-radius: 8px;
}
rect {
  fill: none;
  stroke: #fff;
  stroke-width: 1.5px;
  vector-effect: non-scaling-stroke;
  paint-order: stroke;
}
rect.out {
  fill: #1d2327a0;
  stroke-dasharray: 4 4;
}
</style>
