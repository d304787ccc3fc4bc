<script setup lang="ts">
/** Which of the effect's pictures are printed on the pictures of this take. */
import { computed } from 'vue';
import type { AssetId } from '../../../../core/document/schema';
import { usePlaybackStore } from '../../../stores/playback';
import { usePrintsStore } from '../../../stores/prints';
import SelectField from '../../common/SelectField.vue';

const playback = usePlaybackStore();
const prints = usePrintsStore();
/** How many pictures the take shows. */
const count = computed(() => playback.take.sceneAt(0).pictures.length);
const options = computed(() => [
  { value: '', label: 'A sheet that asks for a picture' },
  ...prints.choices.map((a) => ({ value: a.id as string, label: a.name })),
]);
</script>

<template>
  <section v-if="playback.source !== 'camera' && count > 0" class="prints">
    <h2>Printed on the picture{{ count > 1 ? 's' : '' }}</h2>
    <p v-if="prints.targets.length > 0" class="soft">
      {{ prints.targets.map((t) => t.name).join(', ') }}: as chosen in Place, in the Stack.
    </p>
    <p v-else-if="prints.choices.length === 0" class="soft">
      The effect has no picture yet. Bring one in in Place, then choose it here.
    </p>
    <label v-for="i in prints.targets.length > 0 ? 0 : count" :key="i" class="row">
      <span v-if="count > 1" class="soft">{{ i === 1 ? 'First' : 'Second' }}</span>
      <SelectField
        :name="`Picture ${i}`"
        class="grow"
        :value="prints.chosen[i - 1] ?? ''"
        :options="options"
        @change="(v: unknown) => prints.choose(i - 1, v ? (v as AssetId) : null)"
      />
    </label>
    <p v-if="prints.error" class="bad" role="alert">{{ prints.error }}</p>
  </section>
</template>

<style scoped>
.prints {
  display: grid;
  gap: 6px;
}
</style>
