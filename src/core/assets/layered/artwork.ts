/** Layered artwork, whatever file it comes from: each layer becomes a card. */
import type { BlendMode } from '../../maths/blend';
import type { Pixels, Unit } from '../../units';
import { MOST_LAYER_PIXELS, MOST_LAYERS, MOST_SIDE } from '../limits';
import { crop, opaqueBox, type Raster } from '../raster';
import { refuse } from '../refuse';
import { cutText } from '../../text';

/** What a layer shows and where its top left corner lies on the canvas. */
export interface LayerPixels {
  readonly left: number;
  readonly top: number;
  readonly raster: Raster;
}

export interface ArtworkLayer {
  /** Stays the same when the file is changed and read again. */
  readonly key: string;
  readonly name: string;
  readonly opacity: Unit;
  readonly blend: BlendMode;
  readonly visible: boolean;
  /** Decoded when asked for, so that not all layers are in memory at once; null when nothing is painted. */
  pixels(): LayerPixels | null;
}

export interface Artwork {
  readonly width: Pixels;
  readonly height: Pixels;
  /** The topmost first. */
  readonly layers: readonly ArtworkLayer[];
  /** Sentences on what could not be kept as it was. */
  readonly notes: readonly string[];
}

/** Refuses layered artwork that a browser cannot take. Throws `IconiaError` `artwork.*`; sizes in pixels. */
export const checkArtwork = (
  { width, height, layers, pixels }: { width: number; height: number; layers: number; pixels: number },
  name: string,
): void => {
  if (width < 1 || height < 1 || width > 30_000 || height > 30_000)
    refuse('artwork.broken', `${name} is damaged: its canvas is ${width} x ${height} pixels. Save it again.`);
  if (layers > MOST_LAYERS)
    refuse(
      'artwork.layers',
      `${name} has ${layers} layers; up to ${MOST_LAYERS} become cards. Merge those that never move apart.`,
    );
  if (pixels > MOST_LAYER_PIXELS)
    refuse(
      'artwork.too-large',
      `${name} holds ${Math.round(pixels / 1e6)} million pixels in its layers, more than a browser can take. Make the canvas smaller: 2000 pixels on the longer side are plenty for a face.`,
    );
};

/** Cut to what is painted; null when nothing is. */
export const trimmed = (layer: LayerPixels): LayerPixels | null => {
  const box = opaqueBox(layer.raster);
  if (!box) return null;
  if (Math.max(box.width, box.height) > MOST_SIDE) return null;
  return { left: layer.left + box.left, top: layer.top + box.top, raster: crop(layer.raster, box) };
};

/** Keys that tell layers of the same name apart: "Kelp", "Kelp (2)". */
export class LayerKeys {
  private readonly seen = new Map<string, number>();

  next(path: string): string {
    const count = (this.seen.get(path) ?? 0) + 1;
    this.seen.set(path, count);
    return cutText(count === 1 ? path : `${path} (${count})`, 300);
  }
}

/** "Glow" and "Kelp", "Glow", "Kelp" and 3 more. */
export const listed = (names: readonly string[], most = 4): string => {
  const quoted = names.slice(0, most).map((n) => `“${n}”`);
  if (names.length > most) return `${quoted.join(', ')} and ${names.length - most} more`;
  return quoted.length < 2 ? quoted.join('') : `${quoted.slice(0, -1).join(', ')} and ${quoted.at(-1)!}`;
};
