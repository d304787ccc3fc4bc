/** The wall of takes: which set is on it, as it is or changed, and the creator's own sets. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { LEAST_TILES, MOST_TILES, WALL_SETS, wallSet } from '../../core/takes/library/wall-sets';
import type { Take } from '../../core/takes/take';
import { keepOwnSets, MOST_NAME, MOST_SETS, readOwnSets, type OwnSet } from '../takes/kept-walls';
import { useTakesStore } from './takes';

/** Ids of own sets tell of whom they are. */
const OWN = 'own:';

export const useWallStore = defineStore('wall', () => {
  const takesStore = useTakesStore();
  const own = shallowRef<readonly OwnSet[]>(readOwnSets());
  const chosen = ref<string>(WALL_SETS[0]!.id);
  /** The takes of the set as they were changed; null shows it as it is kept. */
  const changed = shallowRef<readonly string[] | null>(null);
  /** Why something could not be done. */
  const trouble = ref<string | null>(null);

  const set = computed(() => own.value.find(({ id }) => id === chosen.value) ?? wallSet(chosen.value)!);
  const isOwn = computed(() => chosen.value.startsWith(OWN));
  const ids = computed(() => changed.value ?? set.value.takes);
  /** Takes that somebody else plays are made when they are asked for: the same one each time. */
  const made = new Map<string, Take>();
  const takeOf = (id: string): Take | null => {
    const take = made.get(id) ?? takesStore.byId(id);
    if (take && id.includes('-as-')) made.set(id, take);
    return take;
  };
  const takes = computed(() => ids.value.flatMap((id) => takeOf(id) ?? []));
  /** How many of the set are not there any more. */
  const gone = computed(() => (takesStore.loaded ? ids.value.length - takes.value.length : 0));

  const choose = (id: string): void => {
    chosen.value = id;
    changed.value = null;
    trouble.value = null;
  };
  const add = (take: string): void => {
    if (ids.value.includes(take) || ids.value.length >= MOST_TILES) return;
    changed.value = [...ids.value, take];
  };
  /** A wall is never smaller than two. */
  const remove = (take: string): void => {
    if (takes.value.length > LEAST_TILES) changed.value = ids.value.filter((id) => id !== take);
  };
  const write = (sets: readonly OwnSet[]): void => {
    own.value = sets;
    trouble.value = keepOwnSets(sets)
      ? null
      : 'This browser keeps nothing: the set is there until the window is closed.';
  };
  /** Keeps what is on the wall as a set; one of the same name is written over. */
  const keep = (name: string): void => {
    const plain = name.trim().slice(0, MOST_NAME);
    if (!plain) return;
    if (takes.value.length < LEAST_TILES) {
      trouble.value = `A set has ${LEAST_TILES} takes at least. Add one first.`;
      return;
    }
    const before = own.value.find((one) => one.name === plain);
    if (!before && own.value.length >= MOST_SETS) {
      trouble.value = `There are ${MOST_SETS} sets of your own already. Delete one first.`;
      return;
    }
    const kept: OwnSet = {
      id: before?.id ?? `${OWN}${plain}`,
      name: plain,
      takes: takes.value.map(({ id }) => id),
    };
    write(before ? own.value.map((one) => (one === before ? kept : one)) : [...own.value, kept]);
    chosen.value = kept.id;
    changed.value = null;
  };
  const deleteSet = (): void => {
    if (!isOwn.value) return;
    write(own.value.filter(({ id }) => id !== chosen.value));
    choose(WALL_SETS[0]!.id);
  };
  return { own, chosen, set, isOwn, changed, takes, gone, trouble, choose, add, remove, keep, deleteSet };
});
