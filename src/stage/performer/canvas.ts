/** Small helpers for painting textures; seeded, so that every machine paints the same. */
import { CanvasTexture, Color, SRGBColorSpace } from 'three';
import type { Hex } from '../../core/units';

export type Context = OffscreenCanvasRenderingContext2D;

export const paintCanvas = (width: number, height: number): { canvas: OffscreenCanvas; context: Context } => {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('This browser gives no 2D canvas.');
  return { canvas, context };
};

/**
 * Paints with a soft edge: all of it sharp on a sheet of its own, blurred once. A filter on each stroke would
 * blur the whole sheet each time.
 */
export const softly = (g: Context, blur: number, paint: (sheet: Context) => void): void => {
  const { width, height } = g.canvas;
  const sheet = paintCanvas(width, height);
  sheet.context.setTransform(g.getTransform());
  sheet.context.lineCap = sheet.context.lineJoin = 'round';
  paint(sheet.context);
  g.save();
  g.filter = `blur(${blur}px)`;
  g.setTransform(1, 0, 0, 1, 0, 0);
  g.drawImage(sheet.canvas, 0, 0);
  g.restore();
};

export const textureOf = (canvas: OffscreenCanvas): CanvasTexture<OffscreenCanvas> => {
  const texture = new CanvasTexture(canvas);
  texture.colorSpace = SRGBColorSpace;
  texture.anisotropy = 1;
  return texture;
};

/** A colour scaled channel by channel, as CSS with opacity. */
export const css = (hex: Hex, by: readonly [number, number, number] = [1, 1, 1], opacity = 1): string => {
  const value = parseInt(hex.slice(1), 16);
  const channel = (shift: number, k: number) => Math.min(255, Math.round(((value >> shift) & 255) * k));
  return `rgba(${channel(16, by[0])},${channel(8, by[1])},${channel(0, by[2])},${opacity})`;
};

/** A soft elliptic spot. */
export const spot = (
  g: Context,
  x: number,
  y: number,
  rx: number,
  ry: number,
  colour: (opacity: number) => string,
  opacity: number,
): void => {
  g.save();
  g.translate(x, y);
  g.scale(1, ry / rx);
  const fill = g.createRadialGradient(0, 0, 0, 0, 0, rx);
  fill.addColorStop(0, colour(opacity));
  fill.addColorStop(0.45, colour(opacity * 0.62));
  fill.addColorStop(1, colour(0));
  g.fillStyle = fill;
  g.fillRect(-rx, -rx, 2 * rx, 2 * rx);
  g.restore();
};

export const linear = (hex: Hex): Color => new Color(hex);
