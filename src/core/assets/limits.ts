/** Bounds of everything that is read. What is beyond is refused with a sentence, before work is put into it. */
import type { Seconds } from '../units';

const MB = 1024 * 1024;

/** Largest file that is opened at all: layered artwork and zips may be large. */
export const MOST_FILE_BYTES = 256 * MB;
/** Largest file that is kept and sent to a viewer. */
export const MOST_KEPT_BYTES = 64 * MB;
/** Largest picture, in pixels and in bytes. */
export const MOST_PIXELS = 32_000_000;
export const MOST_PICTURE_BYTES = 20 * MB;
/** Longest side of any picture: what browsers decode. */
export const MOST_SIDE = 16_384;

/** A zip: entries, unpacked size, and how many times larger than packed. */
export const MOST_ENTRIES = 5000;
export const MOST_UNPACKED = 512 * MB;
export const MOST_RATIO = 250;

/** Layered artwork. */
export const MOST_LAYERS = 500;
export const MOST_LAYER_PIXELS = 400_000_000;

/** Frames of a sequence, and their pixels together: of numbered pictures, which are read one by one... */
export const MOST_FRAMES = 1000;
export const MOST_FRAME_PIXELS = 400_000_000;
/** ...and of animated pictures, which are decoded in one go. */
export const MOST_ANIMATED_PIXELS = 120_000_000;
/** Every WebGL 2 device takes textures of this side (WebGL 2, MAX_TEXTURE_SIZE). */
export const SHEET_SIDE = 2048;

/** Models. */
export const MOST_SURFACE_NODES = 20_000;
export const MOST_TRIANGLES = 3_000_000;
export const MOST_VERTICES = 6_000_000;

/** Seconds of a sound or video. */
export const MOST_SOUND_SECONDS = 600;
export const MOST_VIDEO_SECONDS = 600;

/** Files in one drop. */
export const MOST_DROPPED = 5000;
/** How long a file may take to be read before it is given up. */
export interface ReadBounds {
  readonly file: Seconds;
  /** An SVG: a few lines of it can ask for an hour's work. */
  readonly drawing: Seconds;
}
export const READ_SECONDS: ReadBounds = { file: 120, drawing: 30 };
