/** Pictures of a page as computer vision looks at them; for workers. */
import { Grey, greyOfRgba } from '../core/vision/grey';

const canvas = new OffscreenCanvas(1, 1);

/** The picture at most `most` pixels large, in grey; the image is let go. Multiples of four across are the quickest to look at. */
export const greyOfImage = (image: ImageBitmap, most: number): Grey => {
  const scale = Math.min(1, most / Math.max(image.width, image.height));
  const width = Math.max(4, Math.round((image.width * scale) / 4) * 4);
  const height = Math.max(1, Math.round(image.height * scale));
  if (canvas.width !== width || canvas.height !== height) Object.assign(canvas, { width, height });
  const g = canvas.getContext('2d', { willReadFrequently: true })!;
  // What is clear is printed on white paper.
  g.fillStyle = '#fff';
  g.fillRect(0, 0, width, height);
  g.drawImage(image, 0, 0, width, height);
  image.close();
  return greyOfRgba(g.getImageData(0, 0, width, height).data, new Grey(width, height));
};

/** Of a printed picture more pixels are not needed: it is never seen so near. */
export const MOST_PRINTED = 1280;
