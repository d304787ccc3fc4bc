<script setup lang="ts">
/** What irises, lashes, dyed hair and retouch have of their own. */
import type { Hair, Iris, Lashes, Retouch } from '../../../core/document/schema';
import { usePlaybackStore } from '../../stores/playback';
import PropertyField from '../common/PropertyField.vue';
import HairWhere from './HairWhere.vue';
import LimitFields from './LimitFields.vue';

defineProps<{ object: Iris | Lashes | Hair | Retouch }>();
const playback = usePlaybackStore();
</script>

<template>
  <div v-if="object.kind === 'iris' || object.kind === 'lashes'" class="line">
    <span>Eyes</span>
    <PropertyField class="wide" :object="object" path="eyes" />
  </div>
  <template v-if="object.kind === 'iris'">
    <PropertyField :object="object" path="pupil" as="row" />
    <PropertyField :object="object" path="glint" as="row" />
  </template>
  <template v-if="object.kind === 'lashes'">
    <PropertyField :object="object" path="length" as="row" />
    <PropertyField :object="object" path="curl" as="row" />
    <PropertyField :object="object" path="density" as="row" />
    <PropertyField :object="object" path="lower" />
  </template>
  <LimitFields v-if="object.kind === 'iris' || object.kind === 'lashes'" :object="object" />
  <template v-if="object.kind === 'hair'">
    <PropertyField :object="object" path="roots" as="row" />
    <PropertyField :object="object" path="tips" as="row" />
    <PropertyField :object="object" path="tipsReach" as="row" />
    <PropertyField :object="object" path="streaks" as="row" />
    <HairWhere :object="object" />
    <p v-if="playback.source === 'camera'" class="soft">
      On your camera hair is told by how it looks over the forehead: very short or white hair may keep its
      colour. On takes it is known exactly.
    </p>
  </template>
  <template v-if="object.kind === 'retouch'">
    <PropertyField :object="object" path="smooth.on" />
    <template v-if="object.smooth.on">
      <PropertyField :object="object" path="smooth.strength" as="row" />
      <PropertyField :object="object" path="smooth.detail" as="row" />
    </template>
    <template v-for="part in ['underEyes', 'eyes', 'teeth'] as const" :key="part">
      <PropertyField :object="object" :path="`${part}.on`" />
      <PropertyField v-if="object[part].on" :object="object" :path="`${part}.amount`" as="row" />
    </template>
  </template>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 56px 1fr 72px;
  gap: 5px;
  align-items: center;
  color: var(--soft);
}
.wide {
  grid-column: 2 / -1;
}
.chip {
  justify-self: start;
}
:deep(.colour-field),
.colour-field {
  --label: 56px;
  gap: 5px;
}
:deep(.slider-field),
.slider-field {
  --label: 66px;
  gap: 5px;
}
</style>
