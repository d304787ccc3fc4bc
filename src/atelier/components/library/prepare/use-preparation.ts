/** Keeps "after" in step with the controls: each change prepares anew, the newest wins. */
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

export const usePreparation = (asset: () => Asset, prep: () => PrepOf): Preparation => {
  const preparing = usePreparingStore();
  const after = shallowRef<PreparedDraft | null>(null);
  const progress = ref<number | null>(null);
  const error = ref<string | null>(null);
  const stale = ref(true);
  let abort: AbortController | null = null;

  const run = async (): Promise<void> => {
    abort?.abort();
    const mine = (abort = new AbortController());
    error.value = null;
    progress.value = 0;
    try {
      const made = await preparing.preview(asset(), prep(), {
        signal: mine.signal,
        progress: (share) => mine === abort && (progress.value = share),
      });
      if (mine !== abort) return;
      after.value = made;
      stale.value = false;
    } catch (cause) {
      if (mine === abort && !(cause instanceof Cancelled)) error.value = sentence(cause);
    } finally {
      if (mine === abort) progress.value = null;
    }
  };
  const soon = useDebounceFn(run, 300);
  watch(
    [() => JSON.stringify(prep()), () => JSON.stringify(asset())],
    () => {
      stale.value = true;
      void soon();
    },
    { immediate: true },
  );
  onBeforeUnmount(() => abort?.abort());
  return { after, progress, error, stale };
};
