/** Frames of a sequence: numbered pictures, animated pictures, sprite sheets. */
import { decodeAnimatedPng, decodeGif, rateOf } from '../../core/assets/frames/animated';
import { cellBox, planSheets, SheetPacker, type SheetPlan } from '../../core/assets/frames/sheets';
import { MOST_FRAME_PIXELS, MOST_FRAMES } from '../../core/assets/limits';
import { inspectPicture } from '../../core/assets/pictures/picture';
import { blank, blit, crop, shrink, within, type Raster } from '../../core/assets/raster';
import { asRefusal, refuse } from '../../core/assets/refuse';
import { sniff } from '../../core/assets/sniff';
import type { Grid, SequenceAsset, SequencePrep } from '../../core/document/schema';
import { browserCodec } from '../browser-codec';
import { Encoders } from '../encoders';
import { result, type AssetDraft, type KeptBytes, type ReadResult } from '../drafts';
import type { IntakeHooks } from '../hooks';
import { filmPreview, previewFrames } from '../previews';

/** Quality at which sheets are kept for viewers; the originals lose nothing. */
const QUALITY = 90;
const LOSSLESS = 100;
/** Speeds when nothing tells: of rendered frames, and of sheets. */
const [FILM_RATE, SHEET_RATE] = [24, 12];

/** Frames one after the other; `frame(i)` may take its time. */
interface FrameSource {
  readonly count: number;
  readonly width: number;
  readonly height: number;
  frame(index: number): Promise<Raster>;
}

interface Packed {
  readonly plan: SheetPlan;
  readonly lossless: KeptBytes[];
  readonly lossy: KeptBytes[];
  readonly film: Raster[];
}

/**
 * Packs frames into sheets, encoded both ways beside each other, and beside the reading of the next sheet. Never more than two sheets
 * are held.
 */
const pack = async (
  frames: FrameSource,
  quality: number,
  hooks: Pick<IntakeHooks, 'progress'>,
  keepLossless: boolean,
): Promise<Packed> => {
  const plan = planSheets(frames.width, frames.height, frames.count);
  const packer = new SheetPacker(plan, frames.count);
  const shown = new Set(previewFrames(frames.count));
  const packed: Packed = { plan, lossless: [], lossy: [], film: [] };
  const encoders = new Encoders();
  let beside: Promise<void> = Promise.resolve();
  const encode = async (sheet: Raster): Promise<void> => {
    const [lossy, lossless] = await Promise.all([
      encoders.webp(sheet, quality),
      keepLossless ? encoders.webp(sheet, LOSSLESS) : null,
    ]);
    packed.lossy.push(lossy);
    if (lossless) packed.lossless.push(lossless);
  };
  try {
    for (let i = 0; i < frames.count; i++) {
      const frame = await frames.frame(i);
      if (shown.has(i)) packed.film.push(frame);
      const sheet = packer.add(frame);
      hooks.progress((i + 1) / frames.count);
      if (!sheet) continue;
      await beside;
      beside = encode(sheet);
      // Whoever awaits it hears of a failure; until then it is no stray one.
      beside.catch(() => undefined);
    }
    await beside;
  } finally {
    encoders.dispose();
  }
  return packed;
};

type Facts = Extract<AssetDraft['facts'], { kind: 'sequence' }>;

const draftOf = async (
  name: string,
  packed: Packed,
  { frames, rate, prep, brought }: Pick<Facts, 'frames' | 'rate' | 'prep' | 'brought'>,
  from: AssetDraft['from'],
): Promise<AssetDraft> => ({
  name,
  facts: {
    kind: 'sequence',
    width: packed.plan.width,
    height: packed.plan.height,
    sheet: [...packed.plan.sheet],
    grid: packed.plan.grid,
    frames,
    rate,
    prep,
    brought: brought ?? { sheet: [...packed.plan.sheet], grid: packed.plan.grid, frames },
  },
  files: packed.lossy,
  original: packed.lossless.length > 0 ? packed.lossless : null,
  preview: await filmPreview(packed.film),
  from,
});

const asBrought = (frames: number, rate: number): Pick<Facts, 'frames' | 'rate' | 'prep' | 'brought'> => ({
  frames,
  rate,
  prep: { longest: null, quality: QUALITY, every: 1 },
  brought: null,
});

const checkAmount = (count: number, width: number, height: number, name: string): void => {
  if (count > MOST_FRAMES)
    refuse(
      'sequence.too-long',
      `${name} has ${count} frames; up to ${MOST_FRAMES} are taken. Keep every second one.`,
    );
  if (count * width * height > MOST_FRAME_PIXELS)
    refuse(
      'sequence.too-much',
      `${name} has ${count} frames of ${width} x ${height} pixels, more than fits into a camera effect. Make them smaller: 512 pixels are plenty.`,
    );
};

/** Numbered pictures, in order. `read(i)` gives the bytes of frame i. */
export const readSequence = async (
  name: string,
  paths: readonly string[],
  read: (index: number) => Promise<Uint8Array>,
  remarks: readonly string[],
  hooks: IntakeHooks,
): Promise<ReadResult> => {
  const label = (i: number): string => paths[i]!.replace(/^.*\//, '');
  const first = inspectPicture(await read(0), label(0));
  const { width, height } = first;
  checkAmount(paths.length, width, height, name);
  const odd: string[] = [];
  const frames: FrameSource = {
    count: paths.length,
    width,
    height,
    frame: async (i) => {
      const bytes = await read(i);
      const facts = inspectPicture(bytes, label(i));
      let raster: Raster;
      try {
        raster = await browserCodec.decode(bytes, `image/${facts.format}`);
      } catch (error) {
        throw asRefusal(
          error,
          'picture.broken',
          `${label(i)} is damaged and cannot be drawn, so ${name} is not taken in. Export the frame again.`,
        );
      }
      if (raster.width === width && raster.height === height) return raster;
      odd.push(label(i));
      // A frame of another size is fitted into the middle.
      const fit = within(
        raster.width,
        raster.height,
        Math.max(raster.width, raster.height) * Math.min(1, width / raster.width, height / raster.height),
      );
      const fitted = blank(width, height);
      blit(
        shrink(raster, fit.width, fit.height),
        fitted,
        Math.floor((width - fit.width) / 2),
        Math.floor((height - fit.height) / 2),
      );
      return fitted;
    },
  };
  const packed = await pack(frames, QUALITY, hooks, true);
  const notes = [...remarks];
  if (odd.length > 0)
    notes.push(
      `${odd.length === 1 ? `${odd[0]} is` : `${odd.length} frames are`} of another size than ${width} x ${height} pixels; fitted into the middle (${odd.slice(0, 4).join(', ')}${odd.length > 4 ? '...' : ''}).`,
    );
  if (packed.plan.width < width)
    notes.push(
      `The frames of ${name} were made smaller, to ${packed.plan.width} x ${packed.plan.height} pixels, to fit on a texture.`,
    );
  const draft = await draftOf(name, packed, asBrought(paths.length, FILM_RATE), { file: name, layer: null });
  return result([draft], notes);
};

/** An animated GIF or PNG. */
export const readAnimation = async (
  bytes: Uint8Array,
  name: string,
  hooks: IntakeHooks,
): Promise<ReadResult> => {
  const animation = sniff(bytes) === 'gif' ? decodeGif(bytes, name) : decodeAnimatedPng(bytes, name);
  const { frames, delays } = animation;
  const [first] = frames;
  checkAmount(frames.length, first!.width, first!.height, name);
  const packed = await pack(
    {
      count: frames.length,
      width: first!.width,
      height: first!.height,
      frame: (i) => Promise.resolve(frames[i]!),
    },
    QUALITY,
    hooks,
    true,
  );
  const rate = rateOf(delays);
  const uneven = delays.some((d) => Math.abs(d - delays[0]!) > 0.001);
  return result(
    [await draftOf(name, packed, asBrought(frames.length, rate), { file: name, layer: null })],
    uneven
      ? [`The frames of ${name} are shown for different times; all are shown ${rate} a second here.`]
      : [],
  );
};

/** Frames of an asset as they lie on its sheets. */
const framesOn = (
  sheets: readonly Raster[],
  facts: Pick<SequenceAsset, 'grid' | 'frames'>,
  every = 1,
): FrameSource => {
  const onSheet = facts.grid.columns * facts.grid.rows;
  const size = cellBox(facts.grid, [sheets[0]!.width, sheets[0]!.height], 0);
  return {
    count: Math.ceil(facts.frames / every),
    width: Math.max(1, Math.floor(size.width)),
    height: Math.max(1, Math.floor(size.height)),
    frame: (i) => {
      const index = i * every;
      const sheet = sheets[Math.floor(index / onSheet)]!;
      const box = cellBox(facts.grid, [sheet.width, sheet.height], index % onSheet);
      return Promise.resolve(
        crop(sheet, {
          left: Math.round(box.left),
          top: Math.round(box.top),
          width: Math.max(1, Math.floor(box.width)),
          height: Math.max(1, Math.floor(box.height)),
        }),
      );
    },
  };
};

/** A sprite sheet cut by a grid: each cell becomes a frame, packed anew so that edges do not bleed. */
export const cutSheet = async (
  bytes: Uint8Array,
  name: string,
  grid: Grid,
  frames: number,
  hooks: Pick<IntakeHooks, 'progress'>,
): Promise<AssetDraft> => {
  const { format } = inspectPicture(bytes, name);
  const sheet = await browserCodec.decode(bytes, `image/${format}`);
  const cell = cellBox(grid, [sheet.width, sheet.height], 0);
  if (cell.width < 1 || cell.height < 1)
    refuse(
      'sequence.grid',
      `${name} is ${sheet.width} x ${sheet.height} pixels: ${grid.columns} x ${grid.rows} cells with these gaps leave nothing. Use fewer cells or smaller gaps.`,
    );
  const count = Math.min(frames, grid.columns * grid.rows);
  const source = framesOn([sheet], { grid, frames: count });
  checkAmount(count, source.width, source.height, name);
  const packed = await pack(source, QUALITY, hooks, true);
  return draftOf(name, packed, asBrought(count, SHEET_RATE), { file: name, layer: null });
};

/** Sheets made anew from the originals. */
export const prepareSequence = async (
  { name, facts, from }: Pick<AssetDraft, 'name' | 'from'> & { readonly facts: Facts },
  originals: readonly KeptBytes[],
  prep: SequencePrep,
  hooks: Pick<IntakeHooks, 'progress'>,
): Promise<AssetDraft> => {
  const brought = facts.brought!;
  const sheets: Raster[] = [];
  for (const { bytes, mime } of originals) sheets.push(await browserCodec.decode(bytes, mime));
  const all = framesOn(sheets, brought, prep.every);
  const size = within(all.width, all.height, prep.longest);
  const source: FrameSource = {
    ...all,
    ...size,
    frame: async (i) => shrink(await all.frame(i), size.width, size.height),
  };
  const packed = await pack(source, prep.quality, hooks, false);
  // A creator's own speed is kept; fewer frames are shown for longer.
  const rate = Math.min(120, Math.max(0.1, (facts.rate * (facts.prep?.every ?? 1)) / prep.every));
  return draftOf(name, packed, { frames: source.count, rate, prep, brought }, from);
};
