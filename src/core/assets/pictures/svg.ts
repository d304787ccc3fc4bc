/**
 * SVG drawings (SVG 2): only plain drawings come in. Scripts, entities and anything fetched from outside are
 * refused, since a picture has no business with them; so is what would take a browser for ever to draw. Browsers draw what is left.
 */
import { SaxesParser, type SaxesTagPlain } from 'saxes';
import { MOST_PICTURE_BYTES } from '../limits';
import { megabytes, refuse } from '../refuse';
import { cssReachesOut, isInside } from './svg-links';
import { drawnElements, type SvgElement } from './svg-expansion';

export interface SvgDrawing {
  readonly width: number;
  readonly height: number;
  /** It has words in it, not only shapes. */
  readonly hasText: boolean;
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
/** Levels of nesting, and elements that are drawn once all that is used again is counted. */
const MOST_LEVELS = 200;
const MOST_DRAWN = 100_000;
/** Attributes that set how much work a filter is, and the most of each. */
const HEAVY: Record<string, number> = { numoctaves: 16, order: 32 };

const lengthOf = (raw: string | undefined): number | null => {
  const text = (raw ?? '').trim();
  // A length is short; what is not is none.
  const match =
    text.length > 40 ? null : /^\+?(\d+\.?\d*|\.\d+)(e[+-]?\d{1,3})?(px|pt|pc|mm|cm|in)?$/i.exec(text);
  const value = match ? Number(match[1]! + (match[2] ?? '')) * UNITS[(match[3] ?? '').toLowerCase()]! : 0;
  return value > 0 && Number.isFinite(value) ? value : null;
};

const ACTIVE = new Set([
  'script',
  'foreignobject',
  'iframe',
  'embed',
  'object',
  'audio',
  'video',
  'handler',
  'listener',
]);
const LINKS = new Set(['href', 'xlink:href', 'src']);
const local = (name: string): string => name.toLowerCase().replace(/^[^:]*:/, '');
/** Browsers look past blanks and control characters before the scheme. */
const isScript = (value: string): boolean => {
  let at = 0;
  while (at < value.length && value.charCodeAt(at) <= 32) at++;
  return /^(javascript|vbscript):/i.test(value.slice(at, at + 20));
};

/** Walks through the drawing once, from its beginning to its end. */
class Examiner {
  root: Readonly<Record<string, string>> | null = null;
  hasText = false;
  readonly elements: SvgElement[] = [];
  private readonly open: { tag: string; element: SvgElement }[] = [];

  constructor(private readonly name: string) {}

  script(): never {
    return refuse(
      'picture.svg-script',
      `${this.name} is an SVG that carries a script, so it is not taken in. Export the drawing as plain SVG or PNG.`,
    );
  }
  outside(): never {
    return refuse(
      'picture.svg-outside',
      `${this.name} is an SVG that fetches something from outside, which viewers' devices must not. Embed its pictures and fonts, or export it as PNG.`,
    );
  }
  heavy(): never {
    return refuse(
      'picture.svg-heavy',
      `${this.name} is an SVG that repeats its parts so often that drawing it would take for ever. Flatten it, or export it as PNG.`,
    );
  }

  enter({ name: tag, attributes }: SaxesTagPlain): void {
    const kind = local(tag);
    if (ACTIVE.has(kind)) this.script();
    if (kind === 'text') this.hasText = true;
    if (this.open.length >= MOST_LEVELS)
      refuse('picture.svg-deep', `${this.name} is nested too deeply. Export it as PNG.`);
    for (const [key, value] of Object.entries(attributes)) {
      const plain = key.toLowerCase();
      if (plain.startsWith('on') || isScript(value)) this.script();
      if (LINKS.has(plain) && value.trim() && !isInside(value) && kind !== 'a') this.outside();
      if (cssReachesOut(value)) this.outside();
      if (HEAVY[plain] !== undefined && Number.parseFloat(value) > HEAVY[plain]) this.heavy();
    }
    if (this.open.length === 0 && kind === 'svg') this.root = attributes;
    const element: SvgElement = { kind, attributes, children: [] };
    (this.open.at(-1)?.element.children ?? this.elements).push(element);
    this.open.push({ tag: kind, element });
  }
  leave(): void {
    this.open.pop();
  }
  text(text: string): void {
    if (this.open.at(-1)?.tag === 'style' && cssReachesOut(text)) this.outside();
  }
}

/**
 * The size of a drawing in CSS pixels; drawings without one are 300 x 150, as in browsers, or follow their
 * viewBox. Throws `IconiaError`: `picture.svg-script`, `picture.svg-outside`, `picture.svg-entity`,
 * `picture.svg-deep`, `picture.svg-heavy`, `picture.broken`, `picture.too-heavy`.
 */
export const readSvg = (bytes: Uint8Array, name: string): SvgDrawing => {
  if (bytes.length > MOST_PICTURE_BYTES)
    refuse('picture.too-heavy', `${name} has ${megabytes(bytes.length)}; export it as PNG.`);
  const examiner = new Examiner(name);
  const parser = new SaxesParser();
  parser.on('error', (cause) =>
    refuse('picture.broken', `${name} is a damaged SVG. Export it again.`, cause),
  );
  parser.on('doctype', (doctype) => {
    if (doctype.includes('['))
      refuse(
        'picture.svg-entity',
        `${name} is an SVG with entities of its own, which can be made to grow without end. Export it as plain SVG or PNG.`,
      );
  });
  parser.on('processinginstruction', ({ target }) => {
    if (target.toLowerCase() === 'xml-stylesheet') examiner.outside();
  });
  parser.on('opentag', (tag) => examiner.enter(tag as SaxesTagPlain));
  parser.on('closetag', () => examiner.leave());
  parser.on('text', (text) => examiner.text(text));
  parser.on('cdata', (text) => examiner.text(text));
  parser.write(new TextDecoder().decode(bytes)).close();

  const { root } = examiner;
  if (!root)
    return refuse('picture.broken', `${name} is a damaged SVG: no drawing is in it. Export it again.`);
  if (drawnElements(examiner.elements) > MOST_DRAWN) examiner.heavy();
  const box = (root.viewBox ?? '')
    .slice(0, 200)
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const { hasText } = examiner;
  const boxed = box.length === 4 && box[2]! > 0 && box[3]! > 0 ? { width: box[2]!, height: box[3]! } : null;
  const [width, height] = [lengthOf(root.width), lengthOf(root.height)];
  if (width && height) return { width, height, hasText };
  if (boxed && width) return { width, height: (width * boxed.height) / boxed.width, hasText };
  if (boxed && height) return { height, width: (height * boxed.width) / boxed.height, hasText };
  return { ...(boxed ?? { width: 300, height: 150 }), hasText };
};

/** Size in pixels at which a drawing is kept: sharp enough to fill a phone, and within bounds. */
export const svgPixels = (
  { width, height }: Pick<SvgDrawing, 'width' | 'height'>,
  longest = 1024,
): { width: number; height: number } => {
  const k = longest / Math.max(width, height);
  return { width: Math.max(1, Math.round(width * k)), height: Math.max(1, Math.round(height * k)) };
};
