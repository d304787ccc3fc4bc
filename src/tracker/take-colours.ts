/** Reads the colours of all pictures of a take, one after the other, and lets the page breathe between them. */
import { colourBytes, type TakeColours } from '../core/takes/take-colours';
import { CLIP_RATE } from '../core/takes/clip';
import type { Take } from '../core/takes/take';
import { ColourReader } from './colour-reader';
import type { TakeDrawing } from './take-tracker';

/** Pictures a second of a take that is drawn: colours change more slowly than faces move. */
const RATE = 10;
/** A take has no edges; as much of it is read as the widest view shows. */
const DRAWN_ASPECT = 1;
/** It is drawn twice as fine as it is read, so that a patch is the mean of what it covers. */
export const DRAWN_SIZE = [64, 64] as const;

export interface ReadOptions {
  readonly signal?: AbortSignal;
  /** How much of it is read. */
  readonly onShare?: (share: number) => void;
}
type Read = Pick<TakeColours, 'aspect' | 'rate' | 'count'>;

const readAll = async (
  { aspect, rate, count }: Read,
  pictures: AsyncIterable<CanvasImageSource> | Iterable<CanvasImageSource>,
  { signal, onShare }: ReadOptions,
): Promise<TakeColours | null> => {
  const reader = new ColourReader();
  const bytes = colourBytes(aspect);
  const rgb = new Uint8Array(count * bytes);
  let done = 0;
  for await (const picture of pictures) {
    if (signal?.aborted) return null;
    rgb.set(reader.read(picture, aspect).rgb, done * bytes);
    onShare?.(++done / count);
    await new Promise((next) => setTimeout(next));
  }
  return signal?.aborted ? null : { aspect, rate, count, rgb };
};

/** Of a take that Iconia draws; `drawing` is as large as `DRAWN_SIZE`, and is let go at the end. Null where it was cancelled. */
export const readTakeColours = async (
  take: Take,
  drawing: TakeDrawing,
  options: ReadOptions = {},
): Promise<TakeColours | null> => {
  const count = Math.max(1, Math.ceil(take.duration * RATE - 1e-6));
  const drawn = function* () {
    for (let i = 0; i < count; i++) yield drawing.draw(take.frameAt(i / RATE));
  };
  try {
    await drawing.prepare?.(take.frameAt(0));
    return await readAll({ aspect: DRAWN_ASPECT, rate: RATE, count }, drawn(), options);
  } finally {
    drawing.dispose();
  }
};

/** Of a clip of one's own, picture by picture. Null where it was cancelled. Throws what its pictures throw. */
export const readClipColours = (
  clip: {
    readonly width: number;
    readonly height: number;
    readonly frames: readonly unknown[];
  },
  pictures: AsyncIterable<CanvasImageSource>,
  options: ReadOptions,
): Promise<TakeColours | null> =>
  readAll(
    { aspect: clip.width / clip.height, rate: CLIP_RATE, count: clip.frames.length },
    pictures,
    options,
  );
