/** The creator's own clips, kept in this browser: nothing of them is ever sent anywhere. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { IconiaError } from '../../core/errors';
import type { Clip } from '../../core/takes/clip-data';
import { ClipPicture } from '../../stage/clip-picture';

interface Kept extends DBSchema {
  clips: { key: string; value: Clip };
  /** By the clip and the number of the picture: JPEG. */
  pictures: { key: [string, number]; value: Blob };
}

let opening: Promise<IDBPDatabase<Kept>> | null = null;
const database = (): Promise<IDBPDatabase<Kept>> =>
  (opening ??= openDB<Kept>('iconia-clips', 1, {
    upgrade: (db) => {
      db.createObjectStore('clips', { keyPath: 'id' });
      db.createObjectStore('pictures');
    },
    terminated: () => (opening = null),
  }).catch((cause: unknown) => {
    // Asked again it may be there.
    opening = null;
    throw cause;
  }));

const notKept = (cause: unknown): IconiaError =>
  new IconiaError(
    'clip.not-kept',
    (cause as { name?: string }).name === 'QuotaExceededError'
      ? 'This browser has no room for the clip. Delete a clip that you do not need, or bring in a shorter one.'
      : 'This browser does not let Iconia keep clips. Leave its private mode, or use another browser.',
    { cause },
  );

/** All clips, without their pictures. Throws `IconiaError` `clip.not-kept`. */
export const keptClips = async (): Promise<readonly Clip[]> => {
  try {
    return await (await database()).getAll('clips');
  } catch (cause) {
    throw notKept(cause);
  }
};

/** Keeps a clip whole, or not at all. Throws `IconiaError` `clip.not-kept`. */
export const keepClip = async (clip: Clip, pictures: readonly Blob[]): Promise<void> => {
  try {
    const work = (await database()).transaction(['clips', 'pictures'], 'readwrite');
    await Promise.all([
      ...pictures.map((picture, i) => work.objectStore('pictures').put(picture, [clip.id, i])),
      work.objectStore('clips').put(clip),
      work.done,
    ]);
  } catch (cause) {
    throw notKept(cause);
  }
};

export const pictureOfClip = async (clip: string, picture: number): Promise<Blob | null> =>
  (await (await database()).get('pictures', [clip, picture])) ?? null;

/** Throws `IconiaError` `clip.not-kept`. */
export const forgetClip = async (id: string): Promise<void> => {
  try {
    const work = (await database()).transaction(['clips', 'pictures'], 'readwrite');
    await Promise.all([
      work.objectStore('clips').delete(id),
      work.objectStore('pictures').delete(IDBKeyRange.bound([id, 0], [id, Infinity])),
      work.done,
    ]);
  } catch (cause) {
    throw notKept(cause);
  }
};

/** The clip's pictures, to be drawn; `onArrive` is told when one that was wanted has come. */
export const clipPictureOf = (clip: Clip, onArrive?: () => void): ClipPicture =>
  new ClipPicture(clip, {
    load: (picture) => pictureOfClip(clip.id, picture),
    ...(onArrive ? { onArrive } : {}),
  });
