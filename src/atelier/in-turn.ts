/** Large parts of a screen are mounted one a task, so that the page answers between two of them. */
import { onScopeDispose, ref, watch, type Ref } from 'vue';

/**
 * How many of `count` parts are to be there by now: none while `ready` is false, then one more in each task, so that
 * none of them waits for the one before it to be drawn.
 */
export const useInTurn = (ready: () => boolean, count: number): Readonly<Ref<number>> => {
  const shown = ref(0);
  let timer: ReturnType<typeof setTimeout> | undefined;
  const next = (): void => {
    shown.value++;
    timer = shown.value < count ? setTimeout(next) : undefined;
  };
  const stop = (): void => {
    clearTimeout(timer);
    shown.value = 0;
  };
  watch(ready, (is) => (is ? next() : stop()), { immediate: true });
  onScopeDispose(stop);
  return shown;
};
