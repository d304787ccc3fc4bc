/** Reads which colours a picture has: it is drawn as small as its patches are. */
import { colourColumns, COLOUR_ROWS, type PictureColours } from '../core/tracking/picture-colours';

export class ColourReader {
  private readonly canvas = document.createElement('canvas');
  private readonly g = this.canvas.getContext('2d', { willReadFrequently: true, alpha: false })!;

  read(picture: CanvasImageSource, aspect: number): PictureColours {
    const [columns, rows] = [colourColumns(aspect), COLOUR_ROWS];
    if (this.canvas.width !== columns || this.canvas.height !== rows)
      Object.assign(this.canvas, { width: columns, height: rows });
    this.g.imageSmoothingQuality = 'medium';
    this.g.drawImage(picture, 0, 0, columns, rows);
    const { data } = this.g.getImageData(0, 0, columns, rows);
    const rgb = new Uint8Array(3 * columns * rows);
    for (let patch = 0; patch < columns * rows; patch++)
      for (let c = 0; c < 3; c++) rgb[3 * patch + c] = data[4 * patch + c]!;
    return { columns, rows, aspect, rgb };
  }
}
