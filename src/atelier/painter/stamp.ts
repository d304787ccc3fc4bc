/** Text and stickers laid on the layout: drawn where they are placed until they are set. */
import { paste } from '../../core/painter/areas';
import { SHEET_SIZE, type Rect, type Sheet } from '../../core/painter/sheet';
import type { Degrees, Hex, Unit } from '../../core/units';

export interface Stamp {
  readonly kind: 'text' | 'sticker';
  text: string;
  /** A CSS font family that is loaded. */
  family: string;
  colour: Hex;
  /** What a sticker shows. */
  picture: ImageBitmap | null;
  /** Its middle on the layout. */
  at: readonly [Unit, Unit];
  /** Height of the text's line, or the longer side of the sticker, as a share of the layout. */
  size: Unit;
  turn: Degrees;
  opacity: Unit;
}

const draw = (context: OffscreenCanvasRenderingContext2D, stamp: Stamp, mirrored: boolean): void => {
  const [u, v] = stamp.at;
  context.save();
  context.translate((mirrored ? 1 - u : u) * SHEET_SIZE, v * SHEET_SIZE);
  context.rotate(((mirrored ? -1 : 1) * stamp.turn * Math.PI) / 180);
  context.globalAlpha = stamp.opacity;
  const px = stamp.size * SHEET_SIZE;
  if (stamp.kind === 'text') {
    context.font = `600 ${px}px ${stamp.family}, sans-serif`;
    context.textAlign = 'center';
    context.textBaseline = 'middle';
    context.fillStyle = stamp.colour;
    stamp.text.split('\n').forEach((line, i, all) => {
      context.fillText(line, 0, (i - (all.length - 1) / 2) * px * 1.15);
    });
  } else if (stamp.picture) {
    // A sticker is turned around on the other side, words are not.
    if (mirrored) context.scale(-1, 1);
    const { width, height } = stamp.picture;
    const k = px / Math.max(width, height);
    context.drawImage(stamp.picture, (-width * k) / 2, (-height * k) / 2, width * k, height * k);
  }
  context.restore();
};

/** Lays the stamp on the sheet, on both halves when it is mirrored; gives what was changed. */
export const lay = (sheet: Sheet, stamp: Stamp, mirrored: boolean): Rect => {
  const canvas = new OffscreenCanvas(SHEET_SIZE, SHEET_SIZE);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'high';
  draw(context, stamp, false);
  if (mirrored) draw(context, stamp, true);
  const whole: Rect = [0, 0, SHEET_SIZE, SHEET_SIZE];
  return paste(sheet, context.getImageData(0, 0, SHEET_SIZE, SHEET_SIZE).data, whole);
};
