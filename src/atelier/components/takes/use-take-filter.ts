import { computed, ref, type ComputedRef, type Ref } from 'vue';
import type { MarkKind, Take } from '../../../core/takes/take';
import { kindsOf, sortOf, type TakeSort } from '../../stores/takes';

/** What a list of takes is narrowed to, and what is left of it. */
export const useTakeFilter = (
  takes: () => readonly Take[],
): { sort: Ref<TakeSort | null>; happens: Ref<MarkKind | null>; shown: ComputedRef<readonly Take[]> } => {
  const sort = ref<TakeSort | null>(null);
  const happens = ref<MarkKind | null>(null);
  const shown = computed(() =>
    takes().filter(
      (t) =>
        (sort.value === null || sortOf(t) === sort.value) &&
        (happens.value === null || kindsOf(t).includes(happens.value)),
    ),
  );
  return { sort, happens, shown };
};
