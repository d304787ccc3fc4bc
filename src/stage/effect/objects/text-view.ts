/** A text: drawn with the browser's own letters into a texture, straight or bent. */
import { CanvasTexture, Group, LinearFilter, LinearMipmapLinearFilter, NoColorSpace } from 'three';
import type { TextObject } from '../../../core/document/schema';
import { blockOf, layOut, textExtent, type TextBlock } from '../../../core/kinds/objects/text-layout';
import { FlatMesh, WHOLE } from './flat';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

/** Pixels for the height of a line, and most pixels along one side. */
const SHARP = 160;
const MOST = 2048;

const drawn = (
  text: TextObject,
  family: string,
): { canvas: HTMLCanvasElement; block: TextBlock; low: readonly number[]; high: readonly number[] } => {
  const canvas = document.createElement('canvas');
  const context = canvas.getContext('2d')!;
  const block = blockOf(text);
  const font = (px: number): string => `600 ${px}px ${family}, sans-serif`;
  context.font = font(100);
  const advance = (letter: string): number => context.measureText(letter).width / 100;
  const letters = layOut(block, advance);
  const { low, high } = textExtent(block, advance);
  const [width, height] = [(high[0] - low[0]) / text.size, (high[1] - low[1]) / text.size];
  const px = Math.min(SHARP, MOST / Math.max(width, height));
  canvas.width = Math.max(2, Math.ceil(width * px));
  canvas.height = Math.max(2, Math.ceil(height * px));
  context.font = font(px);
  context.textAlign = 'center';
  context.textBaseline = 'middle';
  context.lineJoin = 'round';
  context.lineWidth = text.outline * px * 2;
  context.strokeStyle = text.outlineColour;
  context.fillStyle = text.colour;
  const place = (x: number, y: number, turn: number, paint: () => void): void => {
    context.save();
    context.translate((x - low[0]! / text.size) * px, (high[1]! / text.size - y) * px);
    context.rotate((-turn * Math.PI) / 180);
    paint();
    context.restore();
  };
  // All outlines first, so that none lies over a neighbour's letter.
  if (text.outline > 0)
    for (const { letter, x, y, turn } of letters) place(x, y, turn, () => context.strokeText(letter, 0, 0));
  for (const { letter, x, y, turn } of letters) place(x, y, turn, () => context.fillText(letter, 0, 0));
  return { canvas, block, low, high };
};

export class TextView implements ObjectView<TextObject> {
  readonly node = new Group();
  private readonly flat: FlatMesh;
  private texture: CanvasTexture | null = null;
  private shows = '';

  constructor(private readonly tools: ViewTools) {
    this.flat = new FlatMesh(tools);
    this.node.add(this.flat.mesh);
  }

  update({ object, effect, opacity, order }: ObjectNow<TextObject>): boolean {
    const asset = object.font === null ? null : effect.assets[object.font];
    const family = this.tools.stores.fonts.get(asset?.kind === 'font' ? asset : null);
    if (opacity === 0 || object.text.trim() === '' || family === null) return false;
    const { text, size, align, colour, outline, outlineColour, arc, spacing } = object;
    const wanted = JSON.stringify([text, size, align, colour, outline, outlineColour, arc, spacing, family]);
    if (wanted !== this.shows) {
      this.shows = wanted;
      this.texture?.dispose();
      const { canvas, low, high } = drawn(object, family);
      this.texture = new CanvasTexture(canvas);
      this.texture.colorSpace = NoColorSpace;
      this.texture.flipY = false;
      this.texture.magFilter = LinearFilter;
      this.texture.minFilter = LinearMipmapLinearFilter;
      this.texture.anisotropy = 4;
      this.flat.mesh.position.set((low[0]! + high[0]!) / 2, (low[1]! + high[1]!) / 2, 0);
      this.flat.mesh.scale.set(high[0]! - low[0]!, high[1]! - low[1]!, 1);
    }
    this.flat.style({ ...object, tint: '#ffffff', doubleSided: true }, this.texture, WHOLE, opacity);
    this.flat.mesh.renderOrder = order;
    return true;
  }

  dispose(): void {
    this.texture?.dispose();
    this.flat.dispose();
  }
}
