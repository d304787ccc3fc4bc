/** Keeps "after" in step with the controls: the newest wish wins, and what is nearly done is not thrown away. */
import { onBeforeUnmount, ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue';
import { useDebounceFn } from '@vueuse/core';
import { sentence } from '../../../../core/errors';
import type { Asset } from '../../../../core/document/schema';
import { Cancelled } from '../../../../intake/intake-client';
import type { PreparedDraft } from '../../../../intake/drafts';
import { usePreparingStore, type PrepOf } from '../../../stores/preparing';

export interface Preparation {
  readonly after: ShallowRef<PreparedDraft | null>;
  readonly progress: Ref<number | null>;
  readonly error: Ref<string | null>;
  /** True while `after` does not yet show what the controls say. */
  readonly stale: Ref<boolean>;
}

/** Work that has been going on for longer is ended for a newer wish: starting the worker anew costs less. */
const PATIENCE = 2500;

export const usePreparation = (asset: () => Asset, prep: () => PrepOf): Preparation => {
  const preparing = usePreparingStore();
  const after = shallowRef<PreparedDraft | null>(null);
  const progress = ref<number | null>(null);
  const error = ref<string | null>(null);
  const stale = ref(true);
  let abort: AbortController | null = null;
  let startedAt = 0;
  /** The controls have changed since the work began. */
  let again = false;

  const run = async (): Promise<void> => {
    if (abort) {
      again = true;
      if (performance.now() - startedAt > PATIENCE) abort.abort();
      return;
    }
    const mine = (abort = new AbortController());
    startedAt = performance.now();
    again = false;
    error.value = null;
    progress.value = 0;
    try {
      const made = await preparing.preview(asset(), prep(), {
        signal: mine.signal,
        progress: (share) => (progress.value = share),
      });
      if (!again) {
        after.value = made;
        stale.value = false;
      }
    } catch (cause) {
      if (!(cause instanceof Cancelled) && !again) error.value = sentence(cause);
    } finally {
      abort = null;
      progress.value = null;
    }
    if (again && !closed) await run();
  };
  let closed = false;
  const soon = useDebounceFn(run, 200);
  watch(
    [() => JSON.stringify(prep()), () => JSON.stringify(asset())],
    () => {
      stale.value = true;
      if (abort) again = true;
      void soon();
    },
    { immediate: true },
  );
  onBeforeUnmount(() => {
    closed = true;
    abort?.abort();
  });
  return { after, progress, error, stale };
};
