<script setup lang="ts">
/** A model before and after its repairs, turned together; the red cross is the pivot. */
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { notesOn } from '../../../../core/assets/notes';
import { ModelCompare } from '../../../../stage/model-compare';
import { wornAs } from '../../../../core/kinds/objects/model';
import type { WornAs } from '../../../../core/schema/worn-as';
import type { ModelAsset } from '../../../../core/document/schema';
import { sentence } from '../../../../core/errors';
import type { AssetDraft } from '../../../../intake/drafts';
import { FrameLoop } from '../../../drawing/frame-loop';
import { useAssetsStore } from '../../../stores/assets';
import { useDeskStore } from '../../../stores/desk';
import InlineNotice from '../../common/InlineNotice.vue';
import ChipButton from '../../common/ChipButton.vue';

const props = defineProps<{ asset: ModelAsset; draft: AssetDraft | null }>();
const assets = useAssetsStore();
const desk = useDeskStore();
const box = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
/** A head stands there while the size is the question; what is no head piece would only be hidden by it. */
const head = ref(
  props.asset.prep?.size.kind === 'head' ||
    notesOn(props.asset).some((note) => note.mends.some((mend) => mend.code === 'fit-head')),
);
/** As it is fitted now, else as its shape tells. */
const worn = (): WornAs => {
  const facts = props.draft?.facts;
  return wornAs(facts?.kind === 'model' ? facts : props.asset) ?? 'crown';
};
const failure = ref<string | null>(null);
/** Counts what is on screen, for whoever waits for it. */
const shown = ref(0);

let view: ModelCompare | null = null;
const loop = new FrameLoop(() => {
  view?.draw();
  return false;
});
let observer: ResizeObserver | null = null;
const showAfter = async (draft: AssetDraft | null): Promise<void> => {
  if (!view || !draft) return;
  try {
    view.setWorn(worn());
    await view.show(1, draft.files[0]!.bytes);
    shown.value++;
  } catch (error) {
    failure.value = sentence(error);
  }
};
onMounted(async () => {
  try {
    view = new ModelCompare(canvas.value!, () => loop.wake());
  } catch (error) {
    failure.value = sentence(error);
    return;
  }
  view.setDark(desk.dark);
  view.setHead(head.value);
  view.setWorn(worn());
  observer = new ResizeObserver(([entry]) => {
    const { width, height } = entry!.contentRect;
    if (width > 0 && height > 0) view?.setSize(width, height, Math.min(devicePixelRatio, 2));
  });
  observer.observe(box.value!);
  loop.wake();
  try {
    const [original] = await assets.originalsOf(props.asset);
    await view.show(0, original!.bytes);
  } catch (error) {
    failure.value = sentence(error);
  }
  await showAfter(props.draft);
});
watch(
  () => props.draft,
  (draft) => void showAfter(draft),
);
watch(head, (on) => view?.setHead(on));
watch(
  () => desk.dark,
  (dark) => view?.setDark(dark),
);
onBeforeUnmount(() => {
  loop.stop();
  observer?.disconnect();
  view?.dispose();
});
</script>

<template>
  <div class="compare">
    <div ref="box" class="box">
      <canvas
        ref="canvas"
        role="img"
        aria-label="The model before and after. Drag to turn both"
        :data-shown="shown"
      />
      <span class="label before">Before</span>
      <span class="label after">After</span>
      <i class="seam" aria-hidden="true" />
    </div>
    <div class="row foot">
      <ChipButton :aria-pressed="head" @click="head = !head">A head for scale</ChipButton>
      <span class="soft"
        >Drag to turn. The red cross is the pivot: what it sticks to, turns and grows about.</span
      >
    </div>
    <InlineNotice v-if="failure" closable @close="failure = null">{{ failure }}</InlineNotice>
  </div>
</template>

<style scoped>
.compare {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto auto;
  gap: 8px;
  min-height: 0;
  padding: 12px 14px;
}
.box {
  position: relative;
  min-height: 0;
  border-radius: 8px;
  overflow: hidden;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  touch-action: none;
}
.label {
  position: absolute;
  top: 8px;
  padding: 2px 9px;
  border-radius: 20px;
  background: var(--sheet);
  font: 600 11.5px var(--text);
}
.before {
  left: 8px;
}
.after {
  left: calc(50% + 8px);
}
.seam {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 50%;
  width: 1px;
  background: var(--line);
}
</style>
