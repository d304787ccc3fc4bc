<script setup lang="ts">
/** The painter: tools, the face layout, and what is done to all of it at once. */
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import {
  ArrowLeft,
  Blend,
  Brush,
  Camera,
  Droplets,
  Eraser,
  FlipHorizontal2,
  LassoSelect,
  Maximize2,
  Minimize2,
  Pointer,
  ZoomIn,
  ZoomOut,
} from '@lucide/vue';
import { isTyping } from '../../../../commands/keys';
import { saveFile } from '../../../../../stage/save-file';
import { sentence } from '../../../../../core/errors';
import { bring, type Brought, type Fitted } from '../../../../painter/sheet-files';
import { PAINT_WORDS } from '../../../../face-words';
import { useDeskStore } from '../../../../stores/desk';
import { LEAST_BRUSH, MOST_BRUSH, PAINT_TOOLS, type PaintTool } from '../../../../painter/kept-settings';
import { usePainterStore } from '../../../../stores/painter';
import ColourField from '../../../common/ColourField.vue';
import InlineNotice from '../../../common/InlineNotice.vue';
import SliderField from '../../../common/SliderField.vue';
import PainterCanvas from './PainterCanvas.vue';
import StampBar from './StampBar.vue';
import ChipButton from '../../../common/ChipButton.vue';
import IconButton from '../../../common/IconButton.vue';
import WordButton from '../../../common/WordButton.vue';

const painter = usePainterStore();
const desk = useDeskStore();
const ICONS: Record<PaintTool, unknown> = {
  paint: Brush,
  erase: Eraser,
  smudge: Pointer,
  blur: Droplets,
  gradient: Blend,
  lasso: LassoSelect,
};
const zoom = ref(1);
const ZOOMS = [1, 1.5, 2, 3, 4, 6] as const;
const zoomBy = (by: 1 | -1): void => {
  const at = ZOOMS.findIndex((z) => z >= zoom.value) + by;
  zoom.value = ZOOMS[Math.min(ZOOMS.length - 1, Math.max(0, at))]!;
};
/** Keys for the size of the brush, wherever the focus is but in a text. */
const onKey = (event: KeyboardEvent): void => {
  if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
  const steps = { J: -1, K: 1 }[event.key.toUpperCase()];
  if (steps === undefined) return;
  event.preventDefault();
  painter.resize(steps);
};
onMounted(() => window.addEventListener('keydown', onKey));
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));
const isMask = computed(() => painter.on?.part === 'mask');
const brushed = computed(() => !['gradient', 'lasso'].includes(painter.tool));
const colours = computed(() => !['erase', 'smudge', 'blur'].includes(painter.tool));

const files = ref<HTMLInputElement | null>(null);
const trouble = ref<string | null>(null);
/** A picture that is no square: asked how it is to lie. */
const asked = ref<Brought | null>(null);
const lie = async (brought: Brought, fitted: Fitted): Promise<void> => {
  asked.value = null;
  await painter.bringIn(brought.blob, fitted);
};
const chosen = async (): Promise<void> => {
  const file = files.value?.files?.[0];
  if (files.value) files.value.value = '';
  if (!file) return;
  trouble.value = null;
  try {
    const brought = await bring(file);
    if (brought.width === brought.height) await lie(brought, 'whole');
    else asked.value = brought;
  } catch (error) {
    trouble.value = sentence(error);
  }
};
const save = async (): Promise<void> => {
  const png = new Blob([(await painter.png()) as BlobPart], { type: 'image/png' });
  saveFile(png, `${painter.layer?.name ?? 'face'} ${painter.on?.part ?? ''}.png`);
};
</script>

<template>
  <section class="painter" aria-label="Painter">
    <header>
      <ChipButton @click="painter.close()"><ArrowLeft :size="13" /> Make-up</ChipButton>
      <b class="cut">{{ painter.layer?.name }}</b>
      <span class="soft">{{ isMask ? 'where it is seen' : 'its picture' }}</span>
      <span class="grow" />
      <IconButton
        :aria-pressed="desk.style.wide"
        :aria-label="desk.style.wide ? 'Show the Stack again' : 'Widen the painter over the Stack'"
        :title="desk.style.wide ? 'Show the Stack again' : 'Over the Stack'"
        @click="desk.style.wide = !desk.style.wide"
      >
        <Minimize2 v-if="desk.style.wide" :size="14" /><Maximize2 v-else :size="14" />
      </IconButton>
      <span class="soft" role="status">{{ painter.pending > 0 ? 'keeping' : '' }}</span>
    </header>
    <InlineNotice v-if="painter.error">
      {{ painter.error }}
      <WordButton @click="painter.retry()">Try again</WordButton>
    </InlineNotice>
    <InlineNotice v-if="trouble">{{ trouble }}</InlineNotice>
    <InlineNotice v-if="painter.noFace" closable @close="painter.noFace = false">
      No face is seen at this moment, so there is no photograph of one. Go to another moment of the take.
    </InlineNotice>
    <InlineNotice v-if="asked">
      {{ asked.name }} is {{ asked.width }} × {{ asked.height }} pixels; the face layout is a square.
      <WordButton @click="lie(asked!, 'whole')">Keep its shape</WordButton>
      <WordButton @click="lie(asked!, 'stretched')">Stretch it</WordButton>
      <WordButton @click="asked = null">Leave it</WordButton>
    </InlineNotice>
    <div class="row">
      <div class="tools" role="radiogroup" aria-label="Tool">
        <button
          v-for="one in PAINT_TOOLS"
          :key="one"
          class="tool"
          type="button"
          role="radio"
          :aria-checked="painter.tool === one"
          :title="PAINT_WORDS[one]"
          :aria-label="PAINT_WORDS[one]"
          @click="painter.tool = one"
        >
          <component :is="ICONS[one]" :size="16" />
        </button>
      </div>
      <ChipButton
        :aria-pressed="painter.mirrored"
        title="What is done on one half is done on the other"
        @click="painter.mirrored = !painter.mirrored"
      >
        <FlipHorizontal2 :size="13" /> Both halves
      </ChipButton>
      <span class="grow" />
      <IconButton aria-label="Smaller" :disabled="zoom === 1" @click="zoomBy(-1)">
        <ZoomOut :size="15" />
      </IconButton>
      <span class="zoom">{{ Math.round(zoom * 100) }} %</span>
      <IconButton aria-label="Larger" :disabled="zoom === 6" @click="zoomBy(1)">
        <ZoomIn :size="15" />
      </IconButton>
    </div>
    <div class="work">
      <PainterCanvas
        :net="painter.shown.net"
        :regions="painter.shown.regions"
        :zoom="zoom"
        :photo="painter.photo"
      />
      <div class="side">
        <SliderField
          v-if="brushed"
          name="Size"
          label="Size of the brush"
          :value="painter.brush.size"
          :min="LEAST_BRUSH"
          :max="MOST_BRUSH"
          @change="(v) => (painter.brush.size = v)"
        />
        <SliderField
          v-if="brushed"
          name="Hard"
          label="Hardness of the brush"
          unit="%"
          :value="painter.brush.hardness * 100"
          :min="0"
          :max="100"
          @change="(v) => (painter.brush.hardness = v / 100)"
        />
        <SliderField
          name="Flow"
          unit="%"
          :value="painter.brush.flow * 100"
          :min="1"
          :max="100"
          @change="(v) => (painter.brush.flow = v / 100)"
        />
        <ColourField
          v-if="colours"
          :name="isMask ? 'Grey' : 'Colour'"
          :value="painter.brush.colour"
          @change="(v) => (painter.brush.colour = v)"
        />
        <ChipButton
          v-if="!brushed"
          :aria-pressed="painter.takesAway"
          @click="painter.takesAway = !painter.takesAway"
        >
          Takes away
        </ChipButton>
        <h3>All of it</h3>
        <div class="chips">
          <ChipButton @click="painter.all('fill')">Fill</ChipButton>
          <ChipButton @click="painter.all('clear')">Clear</ChipButton>
          <ChipButton @click="painter.all('flip')">Flip</ChipButton>
          <ChipButton @click="painter.all('leftOver')">Left to right</ChipButton>
          <ChipButton @click="painter.all('rightOver')">Right to left</ChipButton>
        </div>
        <h3>Placed on it</h3>
        <StampBar />
        <h3>Beneath</h3>
        <div class="chips">
          <ChipButton
            :aria-pressed="painter.shown.regions"
            @click="painter.shown.regions = !painter.shown.regions"
          >
            Regions
          </ChipButton>
          <ChipButton :aria-pressed="painter.shown.net" @click="painter.shown.net = !painter.shown.net">
            Net
          </ChipButton>
          <ChipButton
            title="The face that is before the camera at this moment, laid flat: of any take, at any moment"
            :disabled="painter.photoAsked"
            @click="painter.photoAsked = true"
          >
            <Camera :size="13" /> {{ painter.photo ? 'This moment instead' : 'This face' }}
          </ChipButton>
          <ChipButton v-if="painter.photo" @click="painter.photo = null">No photograph</ChipButton>
        </div>
        <h3>File</h3>
        <div class="chips">
          <ChipButton @click="files?.click()">Bring in</ChipButton>
          <ChipButton @click="save">Save as PNG</ChipButton>
        </div>
        <input
          ref="files"
          type="file"
          accept="image/*"
          hidden
          aria-label="Picture to paint on"
          @change="chosen"
        />
        <p class="soft">
          {{ isMask ? 'White shows the layer, black and clear hide it.' : '' }} You can paint on the face in
          the Viewfinder too. Shift with the wheel, or the keys J and K make the brush smaller and larger.
        </p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.painter {
  display: flex;
  flex-direction: column;
  gap: 8px;
  height: 100%;
  min-height: 0;
}
header,
.row,
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.tools {
  display: flex;
  gap: 2px;
}
.tool {
  display: grid;
  place-items: center;
  width: 30px;
  height: 28px;
  border: 1px solid transparent;
  border-radius: 6px;
  background: none;
  color: var(--ink);
  cursor: pointer;
}
.tool:hover {
  border-color: var(--line);
}
.tool[aria-checked='true'] {
  background: var(--accent);
  color: #fff;
}
.zoom {
  min-width: 42px;
  font: 500 11.5px var(--mono);
  text-align: center;
}
.work {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 210px;
  gap: 12px;
  flex: 1;
  min-height: 0;
}
.side {
  display: grid;
  gap: 5px;
  align-content: start;
  overflow: auto;
  --label: 44px;
}
.side :deep(.slider-field) {
  grid-template-columns: 44px 1fr 58px;
  gap: 6px;
}
h3 {
  margin: 6px 0 0;
  font: 600 12px var(--text);
  color: var(--soft);
}
.chip {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
p {
  margin: 4px 0 0;
}
</style>
