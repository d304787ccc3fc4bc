/** The codec of tests and scripts: sharp does what the browser does in the pages. */
import sharp from 'sharp';
import { isTransparent, type PictureCodec } from '../src/core/assets/raster';

export const sharpCodec: PictureCodec = {
  decode: async (bytes) => {
    const { data, info } = await sharp(bytes)
      .rotate()
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    return { width: info.width, height: info.height, data: new Uint8Array(data) };
  },
  encode: async (raster, format, quality) => {
    const raw = sharp(Buffer.from(raster.data), {
      raw: { width: raster.width, height: raster.height, channels: 4 },
    });
    const picture = isTransparent(raster) ? raw : raw.removeAlpha();
    const out =
      format === 'png'
        ? picture.png()
        : format === 'jpeg'
          ? picture.flatten().jpeg({ quality })
          : picture.webp(quality === 100 ? { lossless: true } : { quality });
    return new Uint8Array(await out.toBuffer());
  },
};
