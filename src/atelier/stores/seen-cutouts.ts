/** What the cutouts of the effect show in the Viewfinder, for whoever shows them elsewhere. */
import { ref, shallowRef } from 'vue';
import { defineStore } from 'pinia';
import type { Milliseconds } from '../../core/units';
import type { SeenCutouts } from '../../stage/effect/seen-cutouts';

/** They are read back from the graphics card: not in every frame of a take that plays. */
const PACE: Milliseconds = 250;

export const useSeenCutoutsStore = defineStore('seen-cutouts', () => {
  const seen = shallowRef<SeenCutouts>(new Map());
  /** How many want them. */
  const wanted = ref(0);
  let at = -Infinity;

  /** Takes what `read` gives, if anybody wants it and it is time: at once where nothing moves. */
  const take = (read: () => SeenCutouts, now: Milliseconds, moves: boolean): void => {
    if (wanted.value === 0 || (moves && now - at < PACE)) return;
    at = now;
    const next = read();
    if (next.size > 0 || seen.value.size > 0) seen.value = next;
  };
  return { seen, wanted, take };
});
