/** The colours of a take's pictures, read once: a step that is run again finds the same ones, although nothing is drawn for it. */
import { colourColumns, COLOUR_ROWS, type PictureColours } from '../tracking/picture-colours';
import type { TrackFrame } from '../tracking/track-frame';
import type { Seconds } from '../units';

export interface TakeColours {
  readonly aspect: number;
  /** Pictures a second. */
  readonly rate: number;
  readonly count: number;
  /** As in `PictureColours`, one picture after the other. */
  readonly rgb: Uint8Array;
}

/** Bytes of one picture. */
export const colourBytes = (aspect: number): number => 3 * COLOUR_ROWS * colourColumns(aspect);

/** Those of a moment; past the end the take begins again. */
export const coloursAt = ({ aspect, rate, count, rgb }: TakeColours, time: Seconds): PictureColours => {
  const picture = ((Math.floor(time * rate + 1e-6) % count) + count) % count;
  const bytes = colourBytes(aspect);
  return {
    columns: colourColumns(aspect),
    rows: COLOUR_ROWS,
    aspect,
    rgb: rgb.subarray(picture * bytes, (picture + 1) * bytes),
  };
};

/** A frame of the take with the colours of its picture; as it is while they are not known. */
export const withColours = (frame: TrackFrame, colours: TakeColours | null): TrackFrame =>
  colours ? { ...frame, colours: coloursAt(colours, frame.time) } : frame;
