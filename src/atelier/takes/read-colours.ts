/** Reads the colours of a take's pictures, of one that is played as of a clip. */
import { CLIP_RATE } from '../../core/takes/clip';
import type { Take } from '../../core/takes/take';
import type { TakeColours } from '../../core/takes/take-colours';
import { makePeople } from '../../stage/performer/people-maker';
import type { PeopleDetail } from '../../stage/performer/person-view';
import type { PictureImage } from '../../stage/printed-pictures';
import { TakeDrawer } from '../../stage/take-drawer';
import { DRAWN_SIZE, readClipColours, readTakeColours, type ReadOptions } from '../../tracker/take-colours';
import { keptClipSource } from './clip-store';

/** What is seen in the pictures besides the take itself. */
export interface TakeLook {
  readonly people: PeopleDetail;
  readonly pictures: readonly PictureImage[];
}

/** Null when it was stopped. */
export const readColours = async (
  take: Take,
  { people, pictures }: TakeLook,
  options: ReadOptions & { readonly signal: AbortSignal },
): Promise<TakeColours | null> => {
  if (take.clip) {
    const times = take.clip.frames.map((_, i) => i / CLIP_RATE);
    return readClipColours(take.clip, keptClipSource(take.clip).pictures(times), options);
  }
  await makePeople(take.performers);
  if (options.signal.aborted) return null;
  return readTakeColours(take, new TakeDrawer(take, { people, pictures }, DRAWN_SIZE), options);
};
