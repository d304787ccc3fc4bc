/** Pictures of a page as computer vision looks at them; for workers. */
import { Grey, greyOfRgba, sizeWithin } from '../core/vision/grey';

const canvas = new OffscreenCanvas(1, 1);

/** The picture at most `most` pixels large, in grey; the image is let go. */
export const greyOfImage = (image: ImageBitmap, most: number): Grey => {
  const { width, height } = sizeWithin(image, most);
  if (canvas.width !== width || canvas.height !== height) Object.assign(canvas, { width, height });
  const g = canvas.getContext('2d', { willReadFrequently: true })!;
  // What is clear is printed on white paper.
  g.fillStyle = '#fff';
  g.fillRect(0, 0, width, height);
  g.drawImage(image, 0, 0, width, height);
  image.close();
  return greyOfRgba(g.getImageData(0, 0, width, height).data, new Grey(width, height));
};
