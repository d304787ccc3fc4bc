<script setup lang="ts">
/** The takes to try an effect on: what each shows and what it is good for. */
import { onMounted } from 'vue';
import type { Take } from '../../../core/takes/take';
import { useTakesStore } from '../../stores/takes';
import ClipAdder from './ClipAdder.vue';
import TakeFilm from './TakeFilm.vue';
import TakeFilters from './TakeFilters.vue';
import { useTakeFilter } from './use-take-filter';
import WordButton from '../common/WordButton.vue';

/** `told`: see `ClipAdder`. */
defineProps<{ current: string | null; told?: boolean }>();
const emit = defineEmits<{ choose: [take: Take] }>();
const takes = useTakesStore();
const { sort, happens, shown } = useTakeFilter(() => takes.all);
onMounted(() => {
  if (!takes.loaded) void takes.load();
});
</script>

<template>
  <div class="picker">
    <ClipAdder :told="told" @choose="(take) => emit('choose', take)" />
    <TakeFilters v-model:sort="sort" v-model:happens="happens" :takes="takes.all" />
    <p v-if="takes.error" class="soft">
      Your own takes could not be loaded: {{ takes.error }}
      <WordButton @click="takes.load()">Try again</WordButton>
    </p>
    <p v-if="shown.length === 0" class="soft">No take shows that. Choose another filter.</p>
    <ul>
      <li v-for="take in shown" :key="take.id">
        <button type="button" class="take" :aria-pressed="take.id === current" @click="emit('choose', take)">
          <TakeFilm :take="take" class="film" />
          <span>
            <b>{{ take.name }}</b>
            <small class="soft">{{ take.goodFor || take.about }}</small>
          </span>
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.picker {
  display: grid;
  gap: 10px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 6px;
}
.take {
  display: grid;
  grid-template-columns: 40px 1fr;
  gap: 10px;
  align-items: center;
  width: 100%;
  padding: 5px;
  border: 1.5px solid transparent;
  border-radius: 8px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.take:hover {
  background: var(--sheet);
}
.take[aria-pressed='true'] {
  border-color: var(--accent);
  background: var(--wash);
}
.film {
  width: 40px;
}
b,
small {
  display: block;
}
small {
  font-size: 11.5px;
  line-height: 1.3;
}
</style>
