/** PSD and PSB artwork. Masks and clipping are worked into the pixels; what cannot be kept is said. */
import {
  getLayerImageData,
  getLayerMaskImageData,
  initializeCanvas,
  readPsd as parse,
  type Layer,
  type PixelData,
  type Psd,
} from 'ag-psd';
import type { BlendMode } from '../../maths/blend';
import { clamp } from '../../maths/scalar';
import type { Raster } from '../raster';
import { asRefusal, refuse } from '../refuse';
import { LayerKeys, listed, trimmed, type Artwork, type ArtworkLayer, type LayerPixels } from './artwork';
import { checkPsd } from './psd-structure';
import { cutText } from '../../text';

// The decoder works on plain numbers here, wherever it runs.
initializeCanvas(
  () => {
    throw new Error('Artwork is read without a canvas.');
  },
  (width, height) => ({ width, height, data: new Uint8ClampedArray(width * height * 4) }) as ImageData,
);

/** Modes that W3C blending has too, by what the file calls them. */
const BLENDS: Record<string, BlendMode> = {
  normal: 'normal',
  darken: 'darken',
  multiply: 'multiply',
  'color burn': 'color-burn',
  lighten: 'lighten',
  screen: 'screen',
  'color dodge': 'color-dodge',
  'linear dodge': 'plus-lighter',
  overlay: 'overlay',
  'soft light': 'soft-light',
  'hard light': 'hard-light',
  difference: 'difference',
  exclusion: 'exclusion',
  hue: 'hue',
  saturation: 'saturation',
  color: 'color',
  luminosity: 'luminosity',
};
/** The nearest mode for those it has not. */
const NEAREST: Record<string, BlendMode> = {
  dissolve: 'normal',
  'linear burn': 'multiply',
  'darker color': 'darken',
  'lighter color': 'lighten',
  'vivid light': 'hard-light',
  'linear light': 'hard-light',
  'pin light': 'hard-light',
  'hard mix': 'hard-light',
  subtract: 'difference',
  divide: 'color-dodge',
};

/** 8-bit RGBA from 8 or 16 bits or floating point. */
const toRaster = ({ width, height, data }: PixelData): Raster => {
  if (data instanceof Uint8Array || data instanceof Uint8ClampedArray) return { width, height, data };
  const out = new Uint8Array(width * height * 4);
  const k = data instanceof Uint16Array ? 255 / 65_535 : 255;
  for (let i = 0; i < out.length; i++) out[i] = Math.round(clamp(data[i]! * k, 0, 255));
  return { width, height, data: out };
};

/** Multiplies opacity by what a mask or another layer lets through at each point of the canvas. */
const through = (layer: LayerPixels, letsThrough: (x: number, y: number) => number): LayerPixels => {
  const { width, height } = layer.raster;
  const data = layer.raster.data.slice();
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 4 + 3;
      if (data[at]! > 0) data[at] = Math.round(data[at]! * letsThrough(layer.left + x, layer.top + y));
    }
  return { ...layer, raster: { width, height, data } };
};

const valueAt = (picture: LayerPixels, channel: number, x: number, y: number, outside: number): number => {
  const [px, py] = [x - picture.left, y - picture.top];
  const { width, height, data } = picture.raster;
  return px < 0 || py < 0 || px >= width || py >= height
    ? outside
    : data[(py * width + px) * 4 + channel]! / 255;
};

const painted = (layer: Layer): LayerPixels | null => {
  const image = getLayerImageData(layer);
  if (!image || image.width === 0 || image.height === 0) return null;
  let pixels: LayerPixels = { left: layer.left ?? 0, top: layer.top ?? 0, raster: toRaster(image) };
  const mask = layer.mask;
  const maskImage = mask && !mask.disabled ? getLayerMaskImageData(layer) : undefined;
  if (mask && maskImage) {
    const [dx, dy] = mask.positionRelativeToLayer ? [pixels.left, pixels.top] : [0, 0];
    const picture: LayerPixels = {
      left: (mask.left ?? 0) + dx,
      top: (mask.top ?? 0) + dy,
      raster: toRaster(maskImage),
    };
    const outside = (mask.defaultColor ?? 255) / 255;
    pixels = through(pixels, (x, y) => valueAt(picture, 0, x, y, outside));
  }
  return pixels;
};

interface Flat {
  readonly layer: Layer;
  readonly path: string;
  readonly opacity: number;
  readonly visible: boolean;
  /** What it is clipped to. */
  readonly base: Layer | null;
}

/** All layers from the bottom up, groups opened. */
const flatten = (
  layers: readonly Layer[],
  above: { path: string; opacity: number; visible: boolean },
  out: Flat[],
): void => {
  let base: Layer | null = null;
  for (const layer of layers) {
    const name = layer.name?.trim() || 'Layer';
    const inner = {
      path: above.path ? `${above.path}/${name}` : name,
      opacity: above.opacity * clamp(layer.opacity ?? 1, 0, 1) * clamp(layer.fillOpacity ?? 1, 0, 1),
      visible: above.visible && !layer.hidden,
    };
    if (layer.children) flatten(layer.children, inner, out);
    else out.push({ layer, ...inner, base: layer.clipping ? base : null });
    if (!layer.clipping) base = layer.children ? null : layer;
  }
};

const everyLayer = (layers: readonly Layer[]): Layer[] =>
  layers.flatMap((layer) => [layer, ...(layer.children ? everyLayer(layer.children) : [])]);

const notesOn = (psd: Psd): string[] => {
  const all = everyLayer(psd.children ?? []);
  const names = (some: readonly Layer[]) => listed(some.map((l) => l.name?.trim() || 'Layer'));
  const notes: string[] = [];
  const note = (which: (layer: Layer) => boolean, words: (names: string) => string): void => {
    const some = all.filter(which);
    if (some.length > 0) notes.push(words(names(some)));
  };
  note(
    (l) => l.adjustment !== undefined,
    (n) => `Adjustments change what lies below and cannot become cards; left out: ${n}.`,
  );
  note(
    (l) =>
      l.effects !== undefined &&
      !l.effects.disabled &&
      Object.keys(l.effects).some((k) => !/^(disabled|scale)$/.test(k)),
    (n) =>
      `Shadows, glows and other effects of layers are not part of their pixels; merge them into the layer to keep them: ${n}.`,
  );
  note(
    (l) => !l.children && l.blendMode !== undefined && NEAREST[l.blendMode] !== undefined,
    (n) => `The blend mode of ${n} is not among the W3C ones; the nearest is used.`,
  );
  note(
    (l) =>
      Boolean(l.children) &&
      l.blendMode !== undefined &&
      l.blendMode !== 'pass through' &&
      l.blendMode !== 'normal',
    (n) => `A group blends as a whole in ${n}; its layers blend one by one here.`,
  );
  note(
    (l) => Boolean(l.children) && Boolean(l.mask) && !l.mask!.disabled,
    (n) => `The mask of the group ${n} is left out; apply it to the layers to keep it.`,
  );
  return notes;
};

/** Throws `IconiaError`: `artwork.*`. */
export const readPsd = (bytes: Uint8Array, name: string): Artwork => {
  const structure = checkPsd(bytes, name);
  const damaged = (cause: unknown) =>
    asRefusal(cause, 'artwork.broken', `${name} is damaged and cannot be opened. Save it again.`);
  let psd: Psd;
  try {
    const flat = structure.records === 0;
    psd = parse(bytes, {
      useImageData: true,
      useRawData: !flat,
      skipCompositeImageData: !flat,
      skipThumbnail: true,
      skipLinkedFilesData: true,
      logMissingFeatures: false,
    });
  } catch (cause) {
    throw damaged(cause);
  }
  const { width, height } = structure;
  const found: Flat[] = [];
  flatten(psd.children ?? [], { path: '', opacity: 1, visible: true }, found);
  const layers = found.filter(({ layer }) => layer.rawData !== undefined && layer.adjustment === undefined);
  if (layers.length === 0) {
    if (!psd.imageData) refuse('artwork.empty', `${name} has no layer with anything painted on it.`);
    const raster = toRaster(psd.imageData!);
    const title = name.replace(/^.*\//, '').replace(/\.[^.]+$/, '') || 'Layer';
    return {
      width,
      height,
      notes: [],
      layers: [
        {
          key: title,
          name: cutText(title, 80),
          opacity: 1,
          blend: 'normal',
          visible: true,
          pixels: () => trimmed({ left: 0, top: 0, raster }),
        },
      ],
    };
  }
  const keys = new LayerKeys();
  return {
    width,
    height,
    notes: notesOn(psd),
    layers: layers
      .map(({ layer, path, opacity, visible, base }): ArtworkLayer => ({
        // Files number their layers, so that renamed ones are known again.
        key: layer.id === undefined ? keys.next(path) : keys.next(`#${layer.id}`),
        name: cutText(layer.name?.trim() || 'Layer', 80),
        opacity,
        visible,
        blend: BLENDS[layer.blendMode ?? 'normal'] ?? NEAREST[layer.blendMode ?? 'normal'] ?? 'normal',
        pixels: () => {
          try {
            const own = painted(layer);
            if (!own || !base) return own && trimmed(own);
            const below = painted(base);
            return trimmed(through(own, (x, y) => (below ? valueAt(below, 3, x, y, 0) : 0)));
          } catch (cause) {
            throw damaged(cause);
          }
        },
      }))
      .reverse(),
  };
};
