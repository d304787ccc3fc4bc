/** What a painted mask holds, so that only that part of the layout is flattened. */
import type { Texture } from 'three';
import { maskBounds, type Bounds } from '../../core/face/region-mask';

const WHOLE: Bounds = [0, 0, 1, 1];
/** Cells that a mask is looked at in; what is found is grown by one cell. */
const CELLS = 64;
const known = new WeakMap<Texture, Bounds>();

/** Bounds of a mask that was loaded; of one that is being painted they are kept by whoever paints. */
export const paintedBounds = (texture: Texture): Bounds => {
  const own = texture.userData.bounds as Bounds | undefined;
  if (own) return own;
  const kept = known.get(texture);
  if (kept) return kept;
  const found = measured(texture.image as CanvasImageSource);
  known.set(texture, found);
  return found;
};

const measured = (image: CanvasImageSource): Bounds => {
  const canvas = new OffscreenCanvas(CELLS, CELLS);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(image, 0, 0, CELLS, CELLS);
  const { data } = context.getImageData(0, 0, CELLS, CELLS);
  const there = new Uint8Array(CELLS * CELLS);
  for (let i = 0; i < there.length; i++) there[i] = data[4 * i + 3]! > 0 && maxOf(data, 4 * i) > 0 ? 1 : 0;
  const found = maskBounds(there, CELLS);
  if (!found) return WHOLE;
  const grown = (x: number, by: number) => Math.min(1, Math.max(0, x + by / CELLS));
  return [grown(found[0], -1), grown(found[1], -1), grown(found[2], 1), grown(found[3], 1)];
};
const maxOf = (data: Uint8ClampedArray, i: number): number => Math.max(data[i]!, data[i + 1]!, data[i + 2]!);
