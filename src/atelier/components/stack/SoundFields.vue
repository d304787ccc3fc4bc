<script setup lang="ts">
/** A sound: which, how loud, how it begins and ends, and from how near it is loud. */
import { computed } from 'vue';
import { reshape } from '../../../core/edits/object-edits';
import { anchorOf } from '../../../core/document/queries';
import type { AssetId, SoundObject } from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import SoundPlayer from '../library/SoundPlayer.vue';
import PropertyField from '../common/PropertyField.vue';
import SelectField from '../common/SelectField.vue';
import { useMadeOf } from './use-made-of';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ object: SoundObject }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const made = useMadeOf(() => props.object);
const setSound = (asset: AssetId): void => {
  effectStore.edit(reshape(effectStore.effect, props.object.id, 'sound', { asset }));
};
const asset = computed(() =>
  props.object.asset ? effectStore.effect.assets[props.object.asset] : undefined,
);
const inRoom = computed(
  () => !['screen', 'backdrop'].includes(anchorOf(effectStore.effect, props.object).kind),
);
</script>

<template>
  <div class="line">
    <span>Sound</span>
    <SelectField
      name="Sound"
      class="wide"
      :value="(object.asset ?? null) as unknown as undefined"
      :options="made"
      placeholder="Choose a sound"
      :status="asset ? undefined : 'error'"
      not-found-content="None here yet: bring one in, or take one from the stock"
      @change="(v: unknown) => setSound(v as AssetId)"
    />
  </div>
  <div class="line">
    <span />
    <SoundPlayer v-if="asset?.kind === 'sound'" class="two" :asset="asset" />
    <WordButton v-else class="two" @click="desk.openLibrary({ tab: 'stock', from: object.id })">
      Sounds from the stock
    </WordButton>
  </div>
  <div class="line">
    <span>Volume</span>
    <PropertyField :object="object" path="opacity" />
    <PropertyField class="two" :object="object" path="pitch" />
  </div>
  <div v-if="inRoom" class="line">
    <span>Loudest</span>
    <PropertyField class="two" :object="object" path="near" />
  </div>
  <div class="line">
    <span>Fades</span>
    <PropertyField :object="object" path="fadeIn" />
    <PropertyField class="two" :object="object" path="fadeOut" />
  </div>
  <div class="line">
    <span />
    <div class="wide chips">
      <PropertyField :object="object" path="runs" as="switch" word="from the start" />
      <PropertyField :object="object" path="loop" as="switch" word="again and again" />
    </div>
  </div>
</template>

<style scoped src="./fields.css"></style>
