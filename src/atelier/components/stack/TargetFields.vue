<script setup lang="ts">
/** A printed picture: which one, how wide it is printed, and what is seen while it is not. */
import { computed, ref } from 'vue';
import { Printer } from '@lucide/vue';
import { changeTarget, removeTarget } from '../../../core/edits/scene-edits';
import { targetSchema, type AssetId, type Target } from '../../../core/document/schema';
import { sentence } from '../../../core/errors';
import { givePrintSheet } from '../../commands/print-commands';
import type { DropSpot } from '../../intake/drop-spots';
import { useEffectStore } from '../../stores/effect';
import { propertiesIn } from '../../../core/schema/properties';
import PropertyInput from '../common/PropertyInput.vue';
import SelectField from '../common/SelectField.vue';
import TargetStrength from './TargetStrength.vue';
import { cutText } from '../../../core/text';
import TextField from '../common/TextField.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ target: Target }>();
const emit = defineEmits<{ close: [] }>();
const effectStore = useEffectStore();
const pictures = computed(() =>
  Object.values(effectStore.effect.assets)
    .filter((a) => a.kind === 'picture')
    .map((a) => ({ value: a.id as string, label: a.name })),
);
const asset = computed(() =>
  props.target.asset ? effectStore.effect.assets[props.target.asset] : undefined,
);
const height = computed(() => {
  const picture = asset.value;
  return picture?.kind === 'picture' ? (props.target.width * picture.height) / picture.width : null;
});
const set = (change: Partial<Target>, gesture: string | null = null): void => {
  effectStore.edit(changeTarget(effectStore.effect, props.target.id, change), gesture);
};
const DESCRIBED = propertiesIn(targetSchema, {});
const put = (change: Record<string, unknown>, gesture: string | null = null): void =>
  set(change as Partial<Target>, gesture);
/** All of these settings take the picture: whichever line it is dropped on. */
const spot: DropSpot = {
  kinds: ['picture'],
  says: 'It becomes the picture that is printed.',
  put: ([picture]) => set({ asset: picture!.id }),
};
const rename = (text: string): void => {
  const name = text.trim();
  if (name && name !== props.target.name) set({ name: cutText(name, 80) });
};
const printing = ref(false);
const print = async (): Promise<void> => {
  printing.value = true;
  try {
    await givePrintSheet(props.target);
  } catch (cause) {
    effectStore.notice = sentence(cause);
  } finally {
    printing.value = false;
  }
};
const remove = (): void => {
  effectStore.edit(removeTarget(effectStore.effect, props.target.id));
  emit('close');
};
</script>

<template>
  <div v-takes="spot" class="fields">
    <div class="line">
      <span>Name</span>
      <TextField
        class="wide"
        label="Name of the printed picture"
        :value="target.name"
        :most="80"
        @change="rename"
      />
    </div>
    <div class="line">
      <span>Picture</span>
      <SelectField
        name="Which picture is printed"
        class="wide"
        :value="target.asset ?? undefined"
        :options="pictures"
        placeholder="Choose the picture"
        not-found-content="Bring the picture in first: drop it on the assets"
        @change="(v: unknown) => set({ asset: v as AssetId })"
      />
    </div>
    <div class="line">
      <span>Printed</span>
      <PropertyInput
        :property="DESCRIBED['width']!"
        :value="target.width"
        @change="(width) => put({ width }, `target-width-${target.id}`)"
        @done="effectStore.endGesture()"
      />
      <span class="two">wide{{ height ? `, ${(height * 100).toFixed(1)} cm high` : '' }}</span>
    </div>
    <div v-if="asset" class="line">
      <span />
      <WordButton class="wide start" :disabled="printing" @click="print"
        ><Printer :size="13" /> Sheet to print, in true size</WordButton
      >
    </div>
    <TargetStrength :target="target" />
    <div class="line">
      <span>Before</span>
      <PropertyInput
        class="wide"
        :property="DESCRIBED['beforeFound']!"
        :value="target.beforeFound"
        @change="(beforeFound) => put({ beforeFound })"
      />
    </div>
    <div class="line">
      <span>When lost</span>
      <PropertyInput
        class="wide"
        :property="DESCRIBED['afterLost']!"
        :value="target.afterLost"
        @change="(afterLost) => put({ afterLost })"
      />
    </div>
    <WordButton class="bad" @click="remove">Delete it and what lies on it</WordButton>
  </div>
</template>

<style scoped src="./fields.css"></style>

<style scoped>
.fields {
  --label: 62px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 5px;
  margin: 0 10px 6px;
  padding: 8px 12px;
  border: 1.5px solid var(--accent);
  border-radius: 8px;
  background: var(--paper);
}
.start {
  justify-self: start;
}
.bad {
  justify-self: start;
  color: var(--madder);
}
</style>
