/** Pictures decoded and encoded by the browser; PNG exactly, by numbers. */
import { encode as encodePng } from 'fast-png';
import { decodePng } from '../core/assets/pictures/decode-png';
import { readPngHead } from '../core/assets/pictures/png';
import { isTransparent, type PictureCodec, type Raster } from '../core/assets/raster';
import { sniff } from '../core/assets/sniff';
import { IconiaError } from '../core/errors';

const canvasFor = (width: number, height: number): OffscreenCanvasRenderingContext2D => {
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!context)
    throw new IconiaError(
      'browser.canvas',
      'This browser gives no memory for the picture. Close other tabs and try again.',
    );
  return context;
};

export const rasterOf = (picture: CanvasImageSource & { width: number; height: number }): Raster => {
  const { width, height } = picture;
  const context = canvasFor(width, height);
  context.drawImage(picture, 0, 0);
  return { width, height, data: context.getImageData(0, 0, width, height).data };
};

export const browserCodec: PictureCodec = {
  decode: async (bytes, mime) => {
    // A canvas multiplies colour by opacity; where there is any, the exact way is taken.
    if (sniff(bytes) === 'png' && readPngHead(bytes, 'The picture').alpha)
      return decodePng(bytes, 'The picture');
    const bitmap = await createImageBitmap(new Blob([bytes as BlobPart], { type: mime }));
    try {
      return rasterOf(bitmap);
    } finally {
      bitmap.close();
    }
  },
  encode: async (raster, format, quality) => {
    const { width, height, data } = raster;
    if (format === 'png') {
      if (isTransparent(raster))
        return encodePng({ width, height, data, channels: 4 }, { zlib: { level: 9 } });
      const rgb = new Uint8Array(width * height * 3);
      for (let i = 0; i < width * height; i++) rgb.set(data.subarray(i * 4, i * 4 + 3), i * 3);
      return encodePng({ width, height, data: rgb, channels: 3 }, { zlib: { level: 9 } });
    }
    const context = canvasFor(width, height);
    if (format === 'jpeg') {
      context.fillStyle = '#fff';
      context.fillRect(0, 0, width, height);
      const picture = await createImageBitmap(new ImageData(new Uint8ClampedArray(data), width, height));
      context.drawImage(picture, 0, 0);
    } else context.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
    const blob = await context.canvas.convertToBlob({ type: `image/${format}`, quality: quality / 100 });
    if (blob.type !== `image/${format}`)
      throw new IconiaError(
        'browser.encode',
        `This browser cannot write ${format === 'webp' ? 'WebP' : 'JPEG'} pictures. Choose PNG instead.`,
      );
    return new Uint8Array(await blob.arrayBuffer());
  },
};
