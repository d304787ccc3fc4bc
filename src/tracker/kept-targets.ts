/** Targets that this browser has made: a camera that is opened again need not make them again. What cannot be kept is made. */
import { clear, createStore, get, keys, set, type UseStore } from 'idb-keyval';
import type { Grey } from '../core/vision/grey';
import { makePictureTarget, TARGETS_MADE, type PictureTarget } from '../core/vision/picture-target';
import { readTarget, writeTarget } from '../core/vision/target-file';

/** A hundred kilobytes each. */
const MOST_KEPT = 24;

let store: UseStore | null = null;
const opened = (): UseStore => (store ??= createStore('iconia-targets', 'targets'));

/** The target of a picture; `key` is the same for the same picture. */
export const keptTarget = async (key: string, grey: Grey): Promise<PictureTarget> => {
  // Targets of an older kind stay until there are too many.
  const name = `${TARGETS_MADE} ${key}`;
  try {
    const bytes = await get<Uint8Array>(name, opened());
    if (bytes) return readTarget(bytes, grey);
  } catch {
    // The browser keeps nothing, or not what was put there: it is made.
  }
  const target = makePictureTarget(grey);
  try {
    if ((await keys(opened())).length >= MOST_KEPT) await clear(opened());
    await set(name, writeTarget(target, grey), opened());
  } catch {
    // Made again next time.
  }
  return target;
};
