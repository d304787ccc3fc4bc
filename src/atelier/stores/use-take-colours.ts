/** The colours of the take's pictures, read once an effect asks for them; what was read of a take is kept. */
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue';
import { sentence } from '../../core/errors';
import { requirementsOf } from '../../core/requirements/requirements';
import type { Take } from '../../core/takes/take';
import type { TakeColours } from '../../core/takes/take-colours';
import { readColours } from '../takes/read-colours';
import { useDeskStore } from './desk';
import { useEffectStore } from './effect';
import { usePrintsStore } from './prints';

/** `take` is null while there is something more urgent to be drawn. */
export const useTakeColours = (take: () => Take | null) => {
  const effectStore = useEffectStore();
  const prints = usePrintsStore();
  const desk = useDeskStore();
  const colours = shallowRef<TakeColours | null>(null);
  /** How much of the take is read; null when nothing is under way. */
  const coloursShare = ref<number | null>(null);
  const coloursProblem = ref<string | null>(null);

  const wanted = computed(() => requirementsOf(effectStore.effect).colours);
  /** What is seen in the pictures besides the take itself. */
  const look = computed(() => ({ people: desk.people, pictures: prints.images }));
  const kept = new WeakMap<Take, { readonly look: object; readonly colours: TakeColours }>();

  let abort: AbortController | null = null;
  const stop = (): void => abort?.abort();
  watch(
    () => [wanted.value ? take() : null, look.value] as const,
    async ([of, now]) => {
      stop();
      coloursShare.value = coloursProblem.value = colours.value = null;
      if (!of) return;
      const known = kept.get(of);
      if (known?.look === now) {
        colours.value = known.colours;
        return;
      }
      const mine = (abort = new AbortController());
      const { signal } = mine;
      coloursShare.value = 0;
      try {
        const found = await readColours(of, look.value, {
          signal,
          onShare: (share) => (coloursShare.value = share),
        });
        if (!found) return;
        kept.set(of, { look: now, colours: found });
        colours.value = found;
      } catch (cause) {
        if (!signal.aborted)
          coloursProblem.value = `The colours of ${of.name} could not be read: ${sentence(cause)}`;
      } finally {
        if (abort === mine) coloursShare.value = null;
      }
    },
    { immediate: true },
  );
  onScopeDispose(stop);
  return { colours, coloursShare, coloursProblem };
};
