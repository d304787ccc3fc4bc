/** Moving thumbnails of effects: frames in a row, kept with the effect. */

/** Moments that show what the take is about, as shares of it: front, both turns, mouth open, pucker, smile. */
export const FILM_MOMENTS = [0.4, 1.9, 4.1, 6.1, 8.1, 11].map((t) => t / 12);
export const FRAME_WIDTH = 150;
export const FRAME_HEIGHT = 200;
const QUALITY = 0.82;

/** Frames that are all there, side by side as one WebP. Rejects where the browser cannot draw or write it. */
export const joinFrames = async (frames: readonly string[]): Promise<Blob> => {
  const canvas = document.createElement('canvas');
  canvas.width = FRAME_WIDTH * frames.length;
  canvas.height = FRAME_HEIGHT;
  const context = canvas.getContext('2d');
  if (!context) throw new Error('This browser draws no pictures.');
  const images = await Promise.all(
    frames.map(async (url) => {
      const image = new Image();
      image.src = url;
      await image.decode();
      return image;
    }),
  );
  images.forEach((image, i) => context.drawImage(image, i * FRAME_WIDTH, 0, FRAME_WIDTH, FRAME_HEIGHT));
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/webp', QUALITY));
  if (blob?.type !== 'image/webp') throw new Error('This browser writes no WebP.');
  return blob;
};
