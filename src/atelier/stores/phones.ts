/** Try links of the open effect, and the phones that have one open. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { Door, Phone, TryLink } from '../../core/contract/try-contract';
import type { Take } from '../../core/takes/take';
import { sentence } from '../../core/errors';
import { api } from '../api/client';
import { useClipsStore } from './clips';
import { useEffectStore } from './effect';

export interface NewLink {
  readonly name: string;
  readonly minutes: 60 | 1440 | 10_080 | 43_200;
  readonly oneDevice: boolean;
}

export const usePhonesStore = defineStore('phones', () => {
  const effectStore = useEffectStore();
  const clips = useClipsStore();
  const links = shallowRef<readonly TryLink[]>([]);
  const doors = shallowRef<readonly Door[]>([]);
  const phones = shallowRef<readonly Phone[]>([]);
  const trouble = ref<string | null>(null);
  /** False while nothing is heard of phones. */
  const isListening = ref(false);
  const isLoaded = ref(false);
  /** Of the door that addresses begin with. */
  const chosen = ref<string | null>(null);
  const door = computed(() => doors.value.find((d) => d.base === chosen.value) ?? doors.value[0] ?? null);
  const addressOf = ({ secret }: TryLink): string => `${door.value?.base ?? location.origin}/try/${secret}`;

  const attempt = async <T>(work: () => Promise<T>): Promise<T | null> => {
    trouble.value = null;
    try {
      return await work();
    } catch (cause) {
      trouble.value = sentence(cause);
      return null;
    }
  };

  /** What is asked for one effect is not taken for another. */
  const ofNow = async <T>(work: (id: string) => Promise<T>, take: (got: T) => void): Promise<void> => {
    const { id } = effectStore;
    if (id === null) return;
    await attempt(async () => {
      const got = await work(id);
      if (effectStore.id === id) take(got);
    });
  };

  const load = (): Promise<void> =>
    ofNow(api.tryLinks, (got) => {
      links.value = got.links;
      doors.value = got.doors;
      isLoaded.value = true;
    });
  const add = (link: NewLink): Promise<void> =>
    ofNow(
      (id) => api.createTryLink(id, link),
      (made) => (links.value = [made, ...links.value]),
    );
  /** Whoever has it open is sent away at once. */
  const revoke = (link: TryLink): Promise<void> =>
    ofNow(
      (id) => api.removeTryLink(id, link.id),
      () => (links.value = links.value.filter(({ id }) => id !== link.id)),
    );
  const askPicture = (phone: Phone): Promise<void> =>
    ofNow(
      (id) => api.askPicture(id, phone.id),
      () => {},
    );
  const pictureUrl = (phone: Phone): string | null =>
    phone.picture > 0 && effectStore.id ? api.phonePictureUrl(effectStore.id, phone.id, phone.picture) : null;

  /** Brings a phone's clip in as a take of the creator's own. Null when it could not be: then `trouble` says why, here or of clips. */
  const takeClip = async (phone: Phone, called: string): Promise<Take | null> => {
    const { id } = effectStore;
    if (id === null) return null;
    const clip = await attempt(() => api.phoneClip(id, phone.id));
    if (!clip) return null;
    const take = await clips.add(clip, called);
    if (take) await attempt(() => api.dropPhoneClip(id, phone.id));
    return take;
  };

  let source: EventSource | null = null;
  const close = (): void => {
    source?.close();
    source = null;
    isListening.value = false;
  };
  /** Listens to the phones of the open effect until it is closed. */
  const open = (): void => {
    close();
    const { id } = effectStore;
    if (id === null) return;
    void load();
    source = api.watchPhones(id, {
      onPhones: (all) => {
        phones.value = all;
        isListening.value = true;
      },
      onAway: () => (isListening.value = false),
    });
  };
  watch(
    () => effectStore.id,
    () => {
      links.value = [];
      phones.value = [];
      isLoaded.value = false;
      trouble.value = null;
      if (source) open();
    },
  );

  return {
    links,
    doors,
    door,
    chosen,
    phones,
    trouble,
    isListening,
    isLoaded,
    addressOf,
    add,
    revoke,
    askPicture,
    pictureUrl,
    takeClip,
    open,
    close,
  };
});
