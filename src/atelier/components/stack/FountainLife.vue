<script setup lang="ts">
/** How particles look over their life: size, opacity and colour at two to eight ages. */
import { Plus, Trash2 } from '@lucide/vue';
import type { Fountain } from '../../../core/document/schema';
import PropertyField from '../common/PropertyField.vue';
import IconButton from '../common/IconButton.vue';

const props = defineProps<{ object: Fountain }>();
const emit = defineEmits<{ change: [over: Fountain['over']] }>();
const addStop = (): void => {
  const { over } = props.object;
  const [a, b] = [over.at(-2)!, over.at(-1)!];
  emit('change', [...over.slice(0, -1), { ...a, at: (a.at + b.at) / 2 }, b]);
};
</script>

<template>
  <div class="over" role="group" aria-label="Over the life of a particle">
    <p class="row">
      <span class="grow">Over its life</span>
      <IconButton aria-label="Another age" :disabled="object.over.length >= 8" @click="addStop">
        <Plus :size="12" />
      </IconButton>
    </p>
    <div
      v-for="(_, i) in object.over"
      :key="i"
      class="age"
      role="group"
      :aria-label="`Stop ${i + 1} of their life`"
    >
      <PropertyField
        v-for="what in ['at', 'size', 'opacity', 'colour']"
        :key="what"
        :object="object"
        :path="`over.${i}.${what}`"
        :label="what === 'colour' ? `Colour at age ${i + 1}` : undefined"
      />
      <IconButton
        :aria-label="`Remove age ${i + 1}`"
        :disabled="object.over.length <= 2"
        @click="
          emit(
            'change',
            object.over.filter((_, n) => n !== i),
          )
        "
      >
        <Trash2 :size="11" />
      </IconButton>
    </div>
  </div>
</template>

<style scoped src="./fields.css"></style>
<style scoped>
.over {
  display: grid;
  gap: 4px;
  color: var(--soft);
}
.age {
  display: grid;
  grid-template-columns: 1fr 1.3fr 1.3fr 28px 20px;
  gap: 4px;
  align-items: center;
}
</style>
