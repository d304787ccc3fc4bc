/** The creator's own clips, kept in this browser: nothing of them is ever sent anywhere. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { IconiaError } from '../../core/errors';
import { CLIP_RATE, clipPicture } from '../../core/takes/clip';
import type { Clip } from '../../core/takes/clip-data';
import { ClipPicture } from '../../stage/clip-picture';
import type { ClipSource } from '../../tracker/track-clip';

interface Kept extends DBSchema {
  clips: { key: string; value: Clip };
  /** By the clip and the number of the picture: JPEG. */
  pictures: { key: [string, number]; value: Blob };
  /** Where people are in them: JPEG in grey. */
  people: { key: [string, number]; value: Blob };
  /** By the clip: WAV. */
  sounds: { key: string; value: Blob };
}

/** What is kept of a clip besides what was tracked. */
export interface ClipFiles {
  readonly pictures: readonly Blob[];
  readonly people: readonly Blob[] | null;
  readonly sound: Blob | null;
}
const EVERY = ['clips', 'pictures', 'people', 'sounds'] as const;
const allOf = (id: string): IDBKeyRange => IDBKeyRange.bound([id, 0], [id, Infinity]);

let opening: Promise<IDBPDatabase<Kept>> | null = null;
const database = (): Promise<IDBPDatabase<Kept>> =>
  (opening ??= openDB<Kept>('iconia-clips', 2, {
    upgrade: (db, from) => {
      if (from < 1) {
        db.createObjectStore('clips', { keyPath: 'id' });
        db.createObjectStore('pictures');
      }
      db.createObjectStore('people');
      db.createObjectStore('sounds');
    },
    // A window with an older page lets go, so that a newer one opens.
    blocking: (_from, _to, event) => (event.target as IDBDatabase).close(),
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

/** Keeps a clip whole, or not at all; what was kept of it before is gone. Throws `IconiaError` `clip.not-kept`. */
export const keepClip = async (clip: Clip, { pictures, people, sound }: ClipFiles): Promise<void> => {
  try {
    const work = (await database()).transaction(EVERY, 'readwrite');
    await Promise.all([
      work.objectStore('pictures').delete(allOf(clip.id)),
      work.objectStore('people').delete(allOf(clip.id)),
      work.objectStore('sounds').delete(clip.id),
      ...pictures.map((picture, i) => work.objectStore('pictures').put(picture, [clip.id, i])),
      ...(people ?? []).map((mask, i) => work.objectStore('people').put(mask, [clip.id, i])),
      ...(sound ? [work.objectStore('sounds').put(sound, clip.id)] : []),
      work.objectStore('clips').put(clip),
      work.done,
    ]);
  } catch (cause) {
    throw notKept(cause);
  }
};

/** Keeps what was found in a clip anew; its pictures stay. Throws `IconiaError` `clip.not-kept`. */
export const keepFrames = async (clip: Clip): Promise<void> => {
  try {
    await (await database()).put('clips', clip);
  } catch (cause) {
    throw notKept(cause);
  }
};

export const pictureOfClip = async (clip: string, picture: number): Promise<Blob | null> =>
  (await (await database()).get('pictures', [clip, picture])) ?? null;
const peopleOfClip = async (clip: string, picture: number): Promise<Blob | null> =>
  (await (await database()).get('people', [clip, picture])) ?? null;
export const soundOfClip = async (clip: string): Promise<Blob | null> =>
  (await (await database()).get('sounds', clip)) ?? null;

/** Throws `IconiaError` `clip.not-kept`. */
export const forgetClip = async (id: string): Promise<void> => {
  try {
    const work = (await database()).transaction(EVERY, 'readwrite');
    await Promise.all([
      work.objectStore('clips').delete(id),
      work.objectStore('pictures').delete(allOf(id)),
      work.objectStore('people').delete(allOf(id)),
      work.objectStore('sounds').delete(id),
      work.done,
    ]);
  } catch (cause) {
    throw notKept(cause);
  }
};

/** A kept clip, to be tracked again: its own pictures, as they were tracked the first time. */
export const keptClipSource = (clip: Clip): ClipSource => ({
  width: clip.width,
  height: clip.height,
  duration: clip.frames.length / CLIP_RATE,
  pictures: async function* (times) {
    const canvas = new OffscreenCanvas(clip.width, clip.height);
    const g = canvas.getContext('2d')!;
    for (const time of times) {
      const blob = await pictureOfClip(clip.id, clipPicture(clip, time));
      if (!blob) throw new IconiaError('clip.lost', `${clip.name} is not whole any more. Bring it in again.`);
      const image = await createImageBitmap(blob);
      g.drawImage(image, 0, 0, clip.width, clip.height);
      image.close();
      yield canvas;
    }
  },
});

/** The clip's pictures, to be drawn; `onArrive` is told when one that was wanted has come. */
export const clipPictureOf = (clip: Clip, onArrive?: () => void): ClipPicture =>
  new ClipPicture(clip, {
    load: (picture) => pictureOfClip(clip.id, picture),
    ...(clip.hasPeople ? { loadPeople: (picture: number) => peopleOfClip(clip.id, picture) } : {}),
    ...(onArrive ? { onArrive } : {}),
  });
