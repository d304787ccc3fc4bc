/** Texts of surface circuits, as textures that hold the distance to their edge. */
import { DataTexture, DataUtils, HalfFloatType, LinearFilter, RedFormat } from 'three';
import { distanceField, type DistanceField } from '../../core/surface/distance-field';

/** Height of a line in pixels, and how far around the text distances are kept. */
const LINE = 64;
const AROUND = 40;
/** Longer texts are drawn smaller. */
const WIDEST = 2048;

export interface TextField {
  readonly texture: DataTexture;
  readonly field: DistanceField;
  /** Pixels of the field in the height of a line. */
  readonly line: number;
}

/** A text as a field of distances, in lines. Needs a canvas. */
const paint = (text: string, font: string): TextField => {
  const canvas = new OffscreenCanvas(8, 8);
  const measure = canvas.getContext('2d')!;
  measure.font = `600 ${LINE}px ${font}`;
  const wide = Math.max(1, measure.measureText(text).width);
  const line = Math.max(4, Math.min(LINE, Math.floor((LINE * (WIDEST - 2 * AROUND)) / wide)));
  const width = Math.ceil((wide * line) / LINE) + 2 * AROUND;
  const height = Math.ceil(1.3 * line) + 2 * AROUND;
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d')!;
  context.font = `600 ${line}px ${font}`;
  context.textAlign = 'center';
  context.textBaseline = 'middle';
  context.fillText(text, width / 2, height / 2);
  const { data } = context.getImageData(0, 0, width, height);
  const cover = new Float32Array(width * height);
  for (let i = 0; i < cover.length; i++) cover[i] = data[4 * i + 3]! / 255;
  const inPixels = distanceField(cover, width, height);
  const values = inPixels.values.map((d) => Math.max(-60, Math.min(60, d / line)));
  const texture = new DataTexture(
    Uint16Array.from(values, (d) => DataUtils.toHalfFloat(d)),
    width,
    height,
    RedFormat,
    HalfFloatType,
  );
  texture.minFilter = texture.magFilter = LinearFilter;
  texture.needsUpdate = true;
  return { texture, field: { width, height, values }, line };
};

export class TextFields {
  private readonly fields = new Map<string, TextField>();

  /** `fontReady` is the family to paint with once it has arrived. */
  get(text: string, fontReady: string | null): TextField | null {
    if (fontReady === null) return null;
    let field = this.fields.get(text);
    if (!field) {
      if (this.fields.size > 64) this.dispose();
      field = paint(text.trim() === '' ? ' ' : text, fontReady);
      this.fields.set(text, field);
    }
    return field;
  }

  dispose(): void {
    for (const { texture } of this.fields.values()) texture.dispose();
    this.fields.clear();
  }
}
