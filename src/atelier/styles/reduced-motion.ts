/** Whether the system asks for little motion: follows the setting while the page is open. */
import { readonly, ref, watchEffect, type Ref } from 'vue';

const query = matchMedia('(prefers-reduced-motion: reduce)');
const reduced = ref(query.matches);
query.addEventListener('change', () => (reduced.value = query.matches));

export const reducedMotion = readonly(reduced);

/** How long one of several pictures is shown, in milliseconds. */
const TURN = 700;

/** Counts while pictures are shown in turn; stands still where little motion is asked for. */
export const useTurns = (): Readonly<Ref<number>> => {
  const turn = ref(0);
  watchEffect((onCleanup) => {
    if (reduced.value) return;
    const timer = setInterval(() => turn.value++, TURN);
    onCleanup(() => clearInterval(timer));
  });
  return readonly(turn);
};
