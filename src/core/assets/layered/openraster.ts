/** OpenRaster 0.0.6: a zip with `stack.xml`, which lists the layers from the top, and a PNG for each. */
import { XMLParser } from 'fast-xml-parser';
import type { BlendMode } from '../../maths/blend';
import { readZip, type Zip } from '../archive/zip';
import { decodePng } from '../pictures/decode-png';
import { readPngHead } from '../pictures/png';
import { refuse } from '../refuse';
import { checkArtwork, LayerKeys, listed, trimmed, type Artwork, type ArtworkLayer } from './artwork';
import { cutText } from '../../text';

type Node = Record<string, unknown>;
const ATTRIBUTES = ':@';

const BLENDS: Record<string, BlendMode> = {
  'svg:src-over': 'normal',
  'svg:multiply': 'multiply',
  'svg:screen': 'screen',
  'svg:overlay': 'overlay',
  'svg:darken': 'darken',
  'svg:lighten': 'lighten',
  'svg:color-dodge': 'color-dodge',
  'svg:color-burn': 'color-burn',
  'svg:hard-light': 'hard-light',
  'svg:soft-light': 'soft-light',
  'svg:difference': 'difference',
  'svg:color': 'color',
  'svg:luminosity': 'luminosity',
  'svg:hue': 'hue',
  'svg:saturation': 'saturation',
  'svg:plus': 'plus-lighter',
};

interface Found {
  readonly path: string;
  readonly name: string;
  readonly source: string;
  readonly x: number;
  readonly y: number;
  readonly opacity: number;
  readonly visible: boolean;
  readonly operator: string;
}

const number = (value: unknown, otherwise: number): number => {
  const n = Number(value);
  return value !== undefined && Number.isFinite(n) ? n : otherwise;
};

const walk = (
  nodes: readonly Node[],
  above: { path: string; opacity: number; visible: boolean },
  found: Found[],
  depth: number,
  name: string,
): void => {
  if (depth > 50)
    refuse('artwork.broken', `${name} nests its layers too deeply. Flatten some of its groups.`);
  for (const node of nodes) {
    const attributes = (node[ATTRIBUTES] ?? {}) as Record<string, unknown>;
    const label = String(attributes.name ?? '').trim();
    const inner = {
      path: above.path ? `${above.path}/${label}` : label,
      opacity: above.opacity * Math.min(1, Math.max(0, number(attributes.opacity, 1))),
      visible: above.visible && attributes.visibility !== 'hidden',
    };
    if (Array.isArray(node.stack))
      walk(node.stack as Node[], depth === 0 ? above : inner, found, depth + 1, name);
    if (node.layer)
      found.push({
        ...inner,
        name: label || 'Layer',
        source: String(attributes.src ?? ''),
        x: Math.round(number(attributes.x, 0)),
        y: Math.round(number(attributes.y, 0)),
        operator: String(attributes['composite-op'] ?? 'svg:src-over'),
      });
  }
};

const stackOf = (zip: Zip, name: string): { image: Node; children: readonly Node[] } => {
  const entry = zip.entries.find((e) => e.path === 'stack.xml');
  if (!entry)
    return refuse('artwork.broken', `${name} is OpenRaster without its list of layers. Save it again.`);
  const text = new TextDecoder().decode(zip.read(entry));
  if (/<!ENTITY|<!DOCTYPE/i.test(text))
    refuse('artwork.broken', `${name} has entities in its list of layers, which it must not. Save it again.`);
  try {
    const nodes = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      attributeNamePrefix: '',
      processEntities: true,
    }).parse(text) as Node[];
    const image = nodes.find((node) => Array.isArray(node.image));
    if (image) return { image, children: image.image as Node[] };
  } catch (cause) {
    return refuse(
      'artwork.broken',
      `${name} has a list of layers that cannot be read. Save it again.`,
      cause,
    );
  }
  return refuse('artwork.broken', `${name} has a list of layers that cannot be read. Save it again.`);
};

/** Throws `IconiaError`: `artwork.*`, `zip.*`, `picture.*`. */
export const readOpenRaster = (bytes: Uint8Array, name: string): Artwork => {
  const zip = readZip(bytes, name);
  const { image, children } = stackOf(zip, name);
  const size = (image[ATTRIBUTES] ?? {}) as Record<string, unknown>;
  const [width, height] = [number(size.w, 0), number(size.h, 0)];
  const found: Found[] = [];
  walk(children, { path: '', opacity: 1, visible: true }, found, 0, name);
  if (found.length === 0)
    refuse('artwork.empty', `${name} has no layers. Paint something and save it again.`);
  const entries = found.map((layer) => {
    const entry = zip.entries.find((e) => e.path === layer.source.replace(/\\/g, '/'));
    if (!entry)
      return refuse(
        'artwork.broken',
        `${name} lacks the picture of its layer “${layer.name}”. Save it again.`,
      );
    return entry;
  });
  let pixels = 0;
  entries.forEach((entry, i) => {
    const head = readPngHead(zip.read(entry), `The layer “${found[i]!.name}” of ${name}`);
    pixels += head.width * head.height;
    checkArtwork({ width, height, layers: found.length, pixels }, name);
  });
  const keys = new LayerKeys();
  const unknown = found.filter((l) => !BLENDS[l.operator]);
  return {
    width,
    height,
    notes:
      unknown.length > 0
        ? [
            `${listed(unknown.map((l) => l.name))} ${unknown.length === 1 ? 'is' : 'are'} laid on in a way that Iconia does not have (${[...new Set(unknown.map((l) => l.operator))].join(', ')}); Normal is used instead.`,
          ]
        : [],
    layers: found.map((layer, i): ArtworkLayer => ({
      key: keys.next(layer.path || layer.name),
      name: cutText(layer.name, 80),
      opacity: layer.opacity,
      visible: layer.visible,
      blend: BLENDS[layer.operator] ?? 'normal',
      pixels: () =>
        trimmed({
          left: layer.x,
          top: layer.y,
          raster: decodePng(zip.read(entries[i]!), `The layer “${layer.name}” of ${name}`),
        }),
    })),
  };
};
