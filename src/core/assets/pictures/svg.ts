/**
 * SVG drawings (SVG 2): only plain drawings come in. Scripts, entities and anything fetched from outside are
 * refused, since a picture has no business with them. Browsers draw what is left.
 */
import { XMLParser } from 'fast-xml-parser';
import { MOST_PICTURE_BYTES } from '../limits';
import { megabytes, refuse } from '../refuse';

export interface SvgDrawing {
  readonly width: number;
  readonly height: number;
}

/** Pixels for each unit (CSS Values 4, absolute lengths at 96 dpi). */
const UNITS: Record<string, number> = {
  '': 1,
  px: 1,
  pt: 96 / 72,
  pc: 16,
  mm: 96 / 25.4,
  cm: 96 / 2.54,
  in: 96,
};

const lengthOf = (text: unknown): number | null => {
  const match = /^\s*\+?(\d*\.?\d+(?:e[+-]?\d+)?)\s*(px|pt|pc|mm|cm|in)?\s*$/i.exec(String(text ?? ''));
  const value = match ? Number(match[1]) * UNITS[(match[2] ?? '').toLowerCase()]! : 0;
  return value > 0 && Number.isFinite(value) ? value : null;
};

type Node = Record<string, unknown>;
const ATTRIBUTES = ':@';

const ACTIVE = /^(script|foreignobject|iframe|embed|object|audio|video|handler|listener)$/;
const isLink = (key: string): boolean => key === 'href' || key === 'xlink:href' || key === 'src';
/** A reference inside the file, or a picture that lies in it. */
const isInside = (value: string): boolean => /^\s*(#|data:image\/(png|jpeg|webp|gif)[;,])/i.test(value);
const reachesOut = (css: string): boolean =>
  /@import|expression\s*\(/i.test(css) ||
  [...css.matchAll(/url\(\s*(['"]?)([^)]*?)\1\s*\)/gi)].some((m) => !isInside(m[2]!));

const examine = (nodes: readonly Node[], name: string, depth: number): void => {
  const script = (): never =>
    refuse(
      'picture.svg-script',
      `${name} is an SVG that carries a script, so it is not taken in. Export the drawing as plain SVG or PNG.`,
    );
  const outside = (): never =>
    refuse(
      'picture.svg-outside',
      `${name} is an SVG that fetches something from outside, which viewers' devices must not. Embed its pictures and fonts, or export it as PNG.`,
    );
  if (depth > 200) refuse('picture.svg-deep', `${name} is nested too deeply. Export it as PNG.`);
  for (const node of nodes) {
    for (const [tag, children] of Object.entries(node)) {
      if (tag === ATTRIBUTES) continue;
      if (tag === '#text') {
        if (reachesOut(String(children))) outside();
        continue;
      }
      if (ACTIVE.test(tag.toLowerCase().replace(/^.*:/, ''))) script();
      const attributes = (node[ATTRIBUTES] ?? {}) as Record<string, unknown>;
      for (const [key, raw] of Object.entries(attributes)) {
        const value = String(raw);
        const plain = key.toLowerCase();
        // eslint-disable-next-line no-control-regex -- browsers ignore control characters before the scheme
        if (/^on/.test(plain) || /^[\s\u0000-\u001f]*(javascript|vbscript):/i.test(value)) script();
        if (isLink(plain) && value && !isInside(value) && tag.toLowerCase() !== 'a') outside();
        if (reachesOut(value)) outside();
      }
      if (Array.isArray(children)) examine(children as Node[], name, depth + 1);
    }
  }
};

/**
 * The size of a drawing in CSS pixels; drawings without one are 300 x 150, as in browsers, or follow their
 * viewBox. Throws `IconiaError`: `picture.svg-script`, `picture.svg-outside`, `picture.svg-entity`,
 * `picture.svg-deep`, `picture.broken`, `picture.too-heavy`.
 */
export const readSvg = (bytes: Uint8Array, name: string): SvgDrawing => {
  if (bytes.length > MOST_PICTURE_BYTES)
    refuse('picture.too-heavy', `${name} has ${megabytes(bytes.length)}; export it as PNG.`);
  const text = new TextDecoder().decode(bytes);
  if (/<!ENTITY|<!DOCTYPE[^>]*\[/i.test(text))
    refuse(
      'picture.svg-entity',
      `${name} is an SVG with entities of its own, which can be made to grow without end. Export it as plain SVG or PNG.`,
    );
  if (/<\?xml-stylesheet/i.test(text))
    refuse(
      'picture.svg-outside',
      `${name} is an SVG that fetches a style sheet. Export it as plain SVG or PNG.`,
    );
  let nodes: Node[];
  try {
    nodes = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      attributeNamePrefix: '',
      processEntities: false,
      allowBooleanAttributes: true,
      trimValues: false,
    }).parse(text) as Node[];
  } catch (cause) {
    return refuse('picture.broken', `${name} is a damaged SVG. Export it again.`, cause);
  }
  // Entities of characters hide nothing from the checks: "&#106;avascript:" is looked at as it will be read.
  examine(nodes, name, 0);
  const decoded = text.replace(/&#(x?)([0-9a-f]+);?/gi, (_all, hex: string, digits: string) => {
    const code = parseInt(digits, hex ? 16 : 10);
    return code > 0 && code < 0x10ffff ? String.fromCodePoint(code) : '';
  });
  if (/<script|[\s"'/]on[a-z]+\s*=|javascript:/i.test(decoded.replace(/<!--[\s\S]*?-->/g, '')))
    refuse(
      'picture.svg-script',
      `${name} is an SVG that carries a script, so it is not taken in. Export the drawing as plain SVG or PNG.`,
    );
  const root = nodes.find((node) =>
    Object.keys(node).some((tag) => tag.toLowerCase().replace(/^.*:/, '') === 'svg'),
  );
  if (!root)
    return refuse('picture.broken', `${name} is a damaged SVG: no drawing is in it. Export it again.`);
  const attributes = (root[ATTRIBUTES] ?? {}) as Record<string, unknown>;
  const box = String(attributes.viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const boxed = box.length === 4 && box[2]! > 0 && box[3]! > 0 ? { width: box[2]!, height: box[3]! } : null;
  const [width, height] = [lengthOf(attributes.width), lengthOf(attributes.height)];
  if (width && height) return { width, height };
  if (boxed && width) return { width, height: (width * boxed.height) / boxed.width };
  if (boxed && height) return { height, width: (height * boxed.width) / boxed.height };
  return boxed ?? { width: 300, height: 150 };
};

/** Size in pixels at which a drawing is kept: sharp enough to fill a phone, and within bounds. */
export const svgPixels = (
  { width, height }: SvgDrawing,
  longest = 1024,
): { width: number; height: number } => {
  const k = longest / Math.max(width, height);
  return { width: Math.max(1, Math.round(width * k)), height: Math.max(1, Math.round(height * k)) };
};
