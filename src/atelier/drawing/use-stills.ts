/** Stills of an effect that follow what they are made of. */
import { onBeforeUnmount, shallowRef, watch, type ShallowRef } from 'vue';
import { useAssetsStore } from '../stores/assets';
import { useDeskStore } from '../stores/desk';
import { stillMaker, type StillRequest } from './still-maker';

/** `requests` is watched; a newer one replaces what is still being made. Gives one URL or null for each time. */
export const useStills = (
  requests: () => StillRequest | null,
  delay = 0,
): ShallowRef<readonly (string | null)[]> => {
  const stills = shallowRef<readonly (string | null)[]>([]);
  const assets = useAssetsStore();
  const desk = useDeskStore();
  let abort: AbortController | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const release = (urls: readonly (string | null)[]) =>
    urls.forEach((url) => url && URL.revokeObjectURL(url));

  const start = (request: StillRequest | null): void => {
    abort?.abort();
    if (!request) return;
    abort = new AbortController();
    const made: (string | null)[] =
      stills.value.length === request.times.length ? [...stills.value] : request.times.map(() => null);
    void stillMaker(assets.source)
      .make(request, abort.signal, (i, url) => {
        const old = made[i];
        made[i] = url;
        stills.value = [...made];
        if (old) URL.revokeObjectURL(old);
      })
      .catch(() => undefined);
  };
  watch(
    () => {
      const request = requests();
      return request && { ...request, people: desk.people };
    },
    (request) => {
      clearTimeout(timer);
      timer = setTimeout(() => start(request), delay);
    },
    { immediate: true },
  );
  onBeforeUnmount(() => {
    clearTimeout(timer);
    abort?.abort();
    release(stills.value);
  });
  return stills;
};
