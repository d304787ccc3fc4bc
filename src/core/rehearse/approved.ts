/** Approved pictures as the document keeps them: small PNGs in base64. */
import { encode } from 'fast-png';
import { decodePng } from '../assets/pictures/decode-png';
import type { Raster } from '../assets/raster';
import type { ApprovedPicture } from '../document/schema';

/** A picture of a take that is right, as it is kept. Opaque: what is behind a picture of a camera is nothing. */
export const approvedPicture = (take: string, { width, height, data }: Raster): ApprovedPicture => {
  const rgb = new Uint8Array(3 * width * height);
  for (let i = 0; i < width * height; i++) rgb.set(data.subarray(4 * i, 4 * i + 3), 3 * i);
  let text = '';
  for (const byte of encode({ width, height, data: rgb, channels: 3 })) text += String.fromCharCode(byte);
  return { take, width, height, png: btoa(text) };
};

/** The picture again; null when what was kept is damaged, or no picture of the size that it says. */
export const pictureOf = ({ png, width, height }: ApprovedPicture): Raster | null => {
  try {
    const raster = decodePng(
      Uint8Array.from(atob(png), (c) => c.charCodeAt(0)),
      'The approved picture',
    );
    return raster.width === width && raster.height === height ? raster : null;
  } catch {
    return null;
  }
};
