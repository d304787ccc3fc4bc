<script setup lang="ts">
/** What only this kind of object has: words, shape, size, light, shadow, parts, when it starts. */
import { reshape } from '../../../core/edits/object-edits';
import type { AssetId, EffectObject } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import PropertyField from '../common/PropertyField.vue';
import FlatFields from './FlatFields.vue';
import FountainFields from './FountainFields.vue';
import LightFields from './LightFields.vue';
import PartTree from './PartTree.vue';
import ShapeFields from './ShapeFields.vue';
import SoundFields from './SoundFields.vue';
import TextFields from './TextFields.vue';
import SelectField from '../common/SelectField.vue';
import { useMadeOf } from './use-made-of';

const props = defineProps<{ object: EffectObject }>();
const document = useEffectStore();
const made = useMadeOf(() => props.object);
const setShape = (asset: string): void => {
  const change = { asset: (asset || null) as AssetId | null };
  document.edit(reshape(document.effect, props.object.id, 'occluder', change));
};
</script>

<template>
  <FlatFields
    v-if="
      object.kind === 'card' || object.kind === 'live' || object.kind === 'cutout' || object.kind === 'fill'
    "
    :object="object"
  />
  <TextFields v-if="object.kind === 'text'" :object="object" />
  <ShapeFields v-if="object.kind === 'solid' || object.kind === 'shadowCatcher'" :object="object" />
  <LightFields v-if="object.kind === 'light'" :object="object" />
  <FountainFields v-if="object.kind === 'fountain'" :object="object" />
  <SoundFields v-if="object.kind === 'sound'" :object="object" />
  <div v-if="object.kind === 'occluder' && made.length > 0" class="line">
    <span>Shape</span>
    <SelectField
      name="Shape of the occluder"
      class="wide"
      :value="object.asset ?? ''"
      :options="[{ value: '', label: 'The head' }, ...made]"
      @change="(v: unknown) => setShape(v as string)"
    />
  </div>

  <div
    v-if="
      (object.kind === 'card' || object.kind === 'model') &&
      'startDelay' in object &&
      playsByItself(document.effect, object)
    "
    class="line"
  >
    <span>Starts</span>
    <PropertyField class="two" :object="object" path="startDelay" />
  </div>
  <PartTree v-if="object.kind === 'model'" :object="object" />
</template>

<script lang="ts">
import type { Effect } from '../../../core/document/schema';

/** Whether the object shows something that runs: a sequence, a video, a clip. */
export const playsByItself = (effect: Effect, object: EffectObject): boolean => {
  if (object.kind === 'model') return object.clip !== null;
  const asset = object.kind === 'card' ? effect.assets[object.asset] : undefined;
  return asset?.kind === 'sequence' || asset?.kind === 'video';
};
</script>

<style scoped src="./fields.css"></style>
