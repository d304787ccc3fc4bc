<script setup lang="ts">
/** Where hair is dyed: a part of it, and a picture laid over the head as its mask. */
import { computed } from 'vue';
import { reshape } from '../../../core/edits/object-edits';
import type { AssetId, Hair } from '../../../core/document/schema';
import type { DropSpot } from '../../intake/drop-spots';
import { useEffectStore } from '../../stores/effect';
import PropertyField from '../common/PropertyField.vue';
import SelectField from '../common/SelectField.vue';

const props = defineProps<{ object: Hair }>();
const effectStore = useEffectStore();
const setMask = (mask: AssetId | null): void =>
  void effectStore.edit(reshape(effectStore.effect, props.object.id, 'hair', { mask }, 'Mask'));
const spot: DropSpot = {
  kinds: ['picture'],
  says: 'It becomes the mask of the dyed hair: laid over the head from the front, light is dyed.',
  put: ([picture]) => setMask(picture!.id),
};
const masks = computed(() => [
  { value: '', label: 'no mask' },
  ...Object.values(effectStore.effect.assets)
    .filter((a) => a.kind === 'picture')
    .map((a) => ({ value: a.id as string, label: a.name })),
  // One that was deleted is seen to be missing.
  ...(props.object.mask && !effectStore.effect.assets[props.object.mask]
    ? [{ value: props.object.mask as string, label: 'its picture was deleted' }]
    : []),
]);
</script>

<template>
  <div class="line">
    <span>Where</span>
    <PropertyField class="wide" :object="object" path="part" />
  </div>
  <div v-if="object.part !== 'all'" class="edge">
    <PropertyField :object="object" path="edge" as="row" />
  </div>
  <div
    v-takes="spot"
    class="line"
    title="A picture laid over the head from the front: where it is light, hair is dyed. Drop one here."
  >
    <span>Mask</span>
    <SelectField
      name="Mask of the dyed hair"
      class="wide"
      :value="object.mask ?? ''"
      :options="masks"
      @change="(v: unknown) => setMask((v as AssetId) || null)"
    />
  </div>
</template>

<style scoped src="./fields.css"></style>
<style scoped>
.edge :deep(.slider-field) {
  --label: 66px;
  gap: 5px;
}
</style>
