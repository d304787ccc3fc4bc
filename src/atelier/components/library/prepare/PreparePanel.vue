<script setup lang="ts">
/** Prepares an asset with before and after side by side: quality, size, repairs; or leaves it as it is. */
import { computed, ref } from 'vue';
import { AS_IT_IS } from '../../../../core/assets/models/as-it-is';
import { PICTURE_SIDE, SURROUNDINGS_WIDTH } from '../../../../core/assets/notes';
import type {
  Asset,
  ModelPrep,
  PicturePrep,
  SequencePrep,
  SoundPrep,
  SurroundingsPrep,
} from '../../../../core/document/schema';
import { sentence } from '../../../../core/errors';
import { usePreparingStore, type PrepOf } from '../../../stores/preparing';
import { sizeWords } from '../../../words';
import InlineNotice from '../../common/InlineNotice.vue';
import ModelCompareView from './ModelCompareView.vue';
import ModelControls from './ModelControls.vue';
import PictureCompare from './PictureCompare.vue';
import PictureControls from './PictureControls.vue';
import SequenceCompare from './SequenceCompare.vue';
import SequenceControls from './SequenceControls.vue';
import SoundWorkbench from './SoundWorkbench.vue';
import SurroundingsControls from './SurroundingsControls.vue';
import { usePreparation } from './use-preparation';

const props = defineProps<{ asset: Asset }>();
const emit = defineEmits<{ done: [] }>();
const preparing = usePreparingStore();

/** Where the controls begin: as it was prepared, or with what is usually right. */
const beginning = (asset: Asset): PrepOf => {
  switch (asset.kind) {
    case 'picture':
      return (
        asset.prep ?? {
          longest: Math.min(PICTURE_SIDE, Math.max(asset.width, asset.height)),
          format: 'webp',
          quality: 85,
        }
      );
    case 'sequence':
      return asset.prep ?? { longest: null, quality: 90, every: 1 };
    case 'model':
      return asset.prep ?? AS_IT_IS;
    case 'sound':
      return asset.prep ?? { start: 0, end: null, rate: 96, channels: asset.channels > 1 ? 2 : 1 };
    case 'surroundings':
      return asset.prep ?? { width: Math.min(SURROUNDINGS_WIDTH, asset.width) };
    default:
      return null;
  }
};
const prep = ref<PrepOf>(structuredClone(beginning(props.asset)));
/** Loops belong to the sound itself, so they are part of the asset that is prepared. */
const loop = ref(props.asset.kind === 'sound' ? props.asset.loop : null);
const subject = computed((): Asset =>
  props.asset.kind === 'sound' ? { ...props.asset, loop: loop.value } : props.asset,
);
const { after, progress, error, stale } = usePreparation(
  () => subject.value,
  () => prep.value,
);

const sum = (files: readonly { readonly bytes: number | Uint8Array }[]): number =>
  files.reduce((s, f) => s + (typeof f.bytes === 'number' ? f.bytes : f.bytes.length), 0);
const weightBefore = computed(() => sum(props.asset.original ?? props.asset.files));
const weightAfter = computed(() => (after.value ? sum(after.value.draft.files) : null));
const saving = computed(() =>
  weightAfter.value === null ? null : Math.round(100 * (1 - weightAfter.value / weightBefore.value)),
);
const savingWords = computed(() => {
  if (saving.value === null || saving.value === 0) return '';
  return saving.value > 0 ? ` (${saving.value} % less)` : ` (${-saving.value} % more)`;
});
const busy = ref(false);
const failure = ref<string | null>(null);
const use = async (): Promise<void> => {
  if (!after.value) return;
  busy.value = true;
  failure.value = null;
  try {
    await preparing.use(subject.value, after.value, 'Prepare');
    emit('done');
  } catch (cause) {
    failure.value = sentence(cause);
  } finally {
    busy.value = false;
  }
};
const leave = async (): Promise<void> => {
  busy.value = true;
  await preparing.apply(props.asset, null, 'Leave as it is:');
  busy.value = false;
  emit('done');
};
const isPrepared = computed(() => 'prep' in props.asset && props.asset.prep !== null);
</script>

<template>
  <section class="prepare" :aria-label="`Prepare ${asset.name}`">
    <header class="row">
      <h3 class="cut">Prepare {{ asset.name }}</h3>
      <span class="num weight" role="status" :data-stale="stale">
        {{ sizeWords(weightBefore) }} before<template v-if="weightAfter !== null"
          >, <b>{{ sizeWords(weightAfter) }} after</b>{{ savingWords }}</template
        >
      </span>
      <a-progress
        v-if="progress !== null"
        class="bar"
        :percent="progress * 100"
        :show-info="false"
        size="small"
        stroke-color="var(--accent)"
      />
      <span class="grow" />
      <a-button size="small" @click="emit('done')">Cancel</a-button>
      <a-button size="small" :disabled="busy || !isPrepared" @click="leave">Leave as it is</a-button>
      <a-button size="small" type="primary" :disabled="stale || !after" :loading="busy" @click="use"
        >Use this</a-button
      >
    </header>
    <InlineNotice v-if="error">{{ error }}</InlineNotice>
    <InlineNotice v-if="failure" closable @close="failure = null">{{ failure }}</InlineNotice>
    <div class="work">
      <template v-if="asset.kind === 'picture'">
        <PictureControls v-model="prep as PicturePrep" :asset="asset" />
        <PictureCompare :asset="asset" :draft="after?.draft ?? null" />
      </template>
      <template v-else-if="asset.kind === 'sequence'">
        <SequenceControls v-model="prep as SequencePrep" :asset="asset" />
        <SequenceCompare :asset="asset" :draft="after?.draft ?? null" />
      </template>
      <template v-else-if="asset.kind === 'model'">
        <ModelControls v-model="prep as ModelPrep" :asset="asset" :after="after" />
        <ModelCompareView :asset="asset" :draft="after?.draft ?? null" />
      </template>
      <SoundWorkbench
        v-else-if="asset.kind === 'sound'"
        v-model="prep as SoundPrep"
        v-model:loop="loop"
        :asset="asset"
        :draft="after?.draft ?? null"
      />
      <template v-else-if="asset.kind === 'surroundings'">
        <SurroundingsControls v-model="prep as SurroundingsPrep" :asset="asset" />
        <PictureCompare :asset="asset" :draft="after?.draft ?? null" />
      </template>
    </div>
  </section>
</template>

<style scoped>
.prepare {
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
  max-width: 260px;
}
.weight {
  color: var(--soft);
  white-space: nowrap;
}
.weight b {
  color: var(--ink);
}
.bar {
  width: 90px;
  margin: 0;
}
.work {
  grid-row: 3;
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  min-height: 0;
}
.work > :deep(.controls) {
  overflow: auto;
  padding: 12px 14px 24px;
  border-right: 1px solid var(--line2);
}
</style>
