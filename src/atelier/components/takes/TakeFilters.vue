<script setup lang="ts">
/** Narrows a list of takes by what is before the camera and by what happens. */
import { computed } from 'vue';
import type { MarkKind, Take } from '../../../core/takes/take';
import { kindsOf, sortOf, TAKE_SORTS, type TakeSort } from '../../stores/takes';
import { MARK_WORDS, TAKE_SORT_WORDS } from '../../words';
import SelectField from '../common/SelectField.vue';
import ChipButton from '../common/ChipButton.vue';

const props = defineProps<{ takes: readonly Take[]; compact?: boolean }>();
const sort = defineModel<TakeSort | null>('sort', { required: true });
const happens = defineModel<MarkKind | null>('happens', { required: true });

const inSort = computed(() => props.takes.filter((t) => sort.value === null || sortOf(t) === sort.value));
const kinds = computed(() => [...new Set(inSort.value.flatMap((t) => kindsOf(t)))]);
const choose = (next: TakeSort | null): void => {
  sort.value = next;
  happens.value = null;
};
</script>

<template>
  <div class="filters">
    <div class="row chips" role="group" aria-label="What is before the camera">
      <ChipButton :aria-pressed="sort === null" @click="choose(null)">All</ChipButton>
      <ChipButton
        v-for="s in TAKE_SORTS"
        :key="s"
        :aria-pressed="sort === s"
        @click="choose(sort === s ? null : s)"
      >
        {{ TAKE_SORT_WORDS[s] }}
      </ChipButton>
      <SelectField
        name="What happens"
        class="happens"
        allow-clear
        placeholder="What happens"
        :value="happens ?? undefined"
        :options="kinds.map((value) => ({ value, label: MARK_WORDS[value] }))"
        @change="(v: unknown) => (happens = (v as MarkKind | undefined) ?? null)"
      />
    </div>
  </div>
</template>

<style scoped>
.chips {
  flex-wrap: wrap;
  gap: 6px;
}
.happens {
  min-width: 136px;
}
</style>
