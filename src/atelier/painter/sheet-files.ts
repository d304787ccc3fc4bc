/** Sheets of the painter as files: read, scaled, written as PNG. */
import { IconiaError } from '../../core/errors';
import type { FaceRegion } from '../../core/face/region-names';
import { regionMask } from '../../core/face/region-mask';
import { blankSheet, SHEET_SIZE, type Sheet } from '../../core/painter/sheet';

/** Regions are measured this fine and drawn larger: their edges are soft. */
const REGION_SIZE = 512;

const canvasOf = (): { canvas: OffscreenCanvas; context: OffscreenCanvasRenderingContext2D } => {
  const canvas = new OffscreenCanvas(SHEET_SIZE, SHEET_SIZE);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'high';
  return { canvas, context };
};
const sheetOf = (context: OffscreenCanvasRenderingContext2D): Sheet => {
  const sheet = blankSheet();
  sheet.data.set(context.getImageData(0, 0, SHEET_SIZE, SHEET_SIZE).data);
  return sheet;
};

/** How a picture that is no square lies on the square layout. */
export type Fitted = 'stretched' | 'whole';

export const sheetFrom = async (blob: Blob, fitted: Fitted = 'stretched'): Promise<Sheet> => {
  const picture = await createImageBitmap(blob);
  const { context } = canvasOf();
  const most = Math.max(picture.width, picture.height);
  const [width, height] =
    fitted === 'stretched'
      ? [SHEET_SIZE, SHEET_SIZE]
      : [(picture.width / most) * SHEET_SIZE, (picture.height / most) * SHEET_SIZE];
  context.drawImage(picture, (SHEET_SIZE - width) / 2, (SHEET_SIZE - height) / 2, width, height);
  picture.close();
  return sheetOf(context);
};

/** White where the region is. */
export const sheetOfRegion = (region: FaceRegion, softness: number): Sheet => {
  const mask = regionMask(region, REGION_SIZE, softness);
  const pixels = new ImageData(REGION_SIZE, REGION_SIZE);
  mask.forEach((m, i) => pixels.data.set([255, 255, 255, m], 4 * i));
  const small = new OffscreenCanvas(REGION_SIZE, REGION_SIZE);
  small.getContext('2d')!.putImageData(pixels, 0, 0);
  const { context } = canvasOf();
  context.drawImage(small, 0, 0, SHEET_SIZE, SHEET_SIZE);
  return sheetOf(context);
};

/** The sheet as a PNG. */
export const pngOf = async ({ size, data }: Sheet): Promise<Uint8Array> => {
  const canvas = new OffscreenCanvas(size, size);
  canvas.getContext('2d')!.putImageData(new ImageData(data.slice(), size, size), 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/png' });
  return new Uint8Array(await blob.arrayBuffer());
};

export interface Brought {
  readonly blob: Blob;
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

/** A picture brought to the painter. Throws a sentence when it is none, or has nothing to see on it. */
export const bring = async (file: File): Promise<Brought> => {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch (cause) {
    throw new IconiaError(
      'painter.no-picture',
      `${file.name} is not a picture that can be painted on. Bring in a PNG, a JPEG or a WebP.`,
      { cause },
    );
  }
  const { width, height } = picture;
  picture.close();
  if (width * height === 1)
    throw new IconiaError(
      'painter.one-pixel',
      `${file.name} is a single pixel: there is nothing on it to lie on a face. To cover all of the layout, use Fill.`,
    );
  return { blob: file, name: file.name, width, height };
};
