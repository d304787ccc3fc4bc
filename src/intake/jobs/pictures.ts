/** Pictures and drawings. */
import { writeCube } from '../../core/assets/colour/cube';
import { looksLikeTable, readStrip } from '../../core/assets/colour/strip';
import { guessGrid } from '../../core/assets/frames/guess-grid';
import { inspectPicture } from '../../core/assets/pictures/picture';
import { readSvg, svgPixels } from '../../core/assets/pictures/svg';
import { isTransparent, shrink, within, type Raster } from '../../core/assets/raster';
import { asRefusal } from '../../core/assets/refuse';
import type { LayerPlace, PicturePrep } from '../../core/document/schema';
import { browserCodec } from '../browser-codec';
import { DRAWN_IN, drawSvg } from '../draw-svg';
import { result, type AssetDraft, type KeptBytes, type ReadResult } from '../drafts';
import { picturePreview, tablePreview } from '../previews';

/** A picture as an asset, from its pixels and the bytes that are kept. */
export const pictureDraft = async (
  name: string,
  raster: Raster,
  file: KeptBytes,
  more: { original?: KeptBytes; prep?: PicturePrep; from?: AssetDraft['from']; layer?: LayerPlace } = {},
): Promise<AssetDraft> => ({
  name,
  facts: {
    kind: 'picture',
    width: raster.width,
    height: raster.height,
    prep: more.prep ?? null,
    layer: more.layer ?? null,
  },
  files: [file],
  original: more.original ? [more.original] : null,
  preview: await picturePreview(raster),
  from: more.from ?? { file: name, layer: null },
});

/** Encodes as asked; what needs transparency is not flattened. */
export const encodePicture = async (
  raster: Raster,
  prep: PicturePrep,
): Promise<{ raster: Raster; file: KeptBytes }> => {
  const size = within(raster.width, raster.height, prep.longest);
  const smaller = shrink(raster, size.width, size.height);
  const format = prep.format === 'jpeg' && isTransparent(smaller) ? 'webp' : prep.format;
  return {
    raster: smaller,
    file: { bytes: await browserCodec.encode(smaller, format, prep.quality), mime: `image/${format}` },
  };
};

const tableFrom = async (raster: Raster, name: string): Promise<ReadResult | null> => {
  const table = readStrip(raster);
  if (!table || !looksLikeTable(table)) return null;
  const title = name.replace(/\.[^.]+$/, '');
  const draft: AssetDraft = {
    name: `${title}.cube`,
    facts: { kind: 'table', dimensions: 3, size: table.size },
    files: [{ bytes: writeCube({ ...table, title }), mime: 'text/x-cube' }],
    original: null,
    preview: await tablePreview(table),
    from: { file: name, layer: null },
  };
  return result(
    [draft],
    [`${name} is a colour table painted as a picture; it came in as a table of ${table.size} steps.`],
  );
};

export const readPicture = async (bytes: Uint8Array, name: string): Promise<ReadResult> => {
  const facts = inspectPicture(bytes, name);
  let raster: Raster;
  try {
    raster = await browserCodec.decode(bytes, `image/${facts.format}`);
  } catch (error) {
    throw asRefusal(error, 'picture.broken', `${name} is damaged and cannot be drawn. Export it again.`);
  }
  const table = await tableFrom(raster, name);
  if (table) return table;
  const notes: string[] = [];
  if (facts.format === 'webp' && facts.frames > 1)
    notes.push(
      `${name} moves; only its first frame is shown. Save it as GIF or APNG, or as numbered pictures, to have all ${facts.frames}.`,
    );
  let file: KeptBytes;
  if ((facts.format === 'png' || facts.format === 'jpeg' || facts.format === 'webp') && facts.frames === 1)
    file = { bytes, mime: `image/${facts.format}` };
  else {
    // What not every device opens becomes WebP, without losing anything that shows.
    file = {
      bytes: await browserCodec.encode(raster, 'webp', facts.format === 'gif' ? 100 : 95),
      mime: 'image/webp',
    };
    if (facts.format !== 'webp') notes.push(`${name} became WebP, which every viewer’s device opens.`);
  }
  const guess = guessGrid(raster, name);
  return {
    ...result([await pictureDraft(name, raster, file)], notes),
    sheet: guess.confidence >= 0.5 ? guess : null,
  };
};

/** Sides at which a drawing is kept, and brought in. */
const [KEPT, BROUGHT] = [2048, 1024];

export const readDrawing = async (bytes: Uint8Array, name: string): Promise<ReadResult> => {
  const drawing = readSvg(bytes, name);
  const size = svgPixels(drawing, KEPT);
  let raster: Raster;
  try {
    raster = await drawSvg(new TextDecoder().decode(bytes), size.width, size.height);
  } catch (error) {
    throw asRefusal(error, 'picture.broken', `${name} is damaged and cannot be drawn. Export it again.`);
  }
  const prep: PicturePrep = { longest: BROUGHT, format: 'webp', quality: 100 };
  const { raster: small, file } = await encodePicture(raster, prep);
  const original: KeptBytes = { bytes: await browserCodec.encode(raster, 'webp', 100), mime: 'image/webp' };
  return result(
    [await pictureDraft(name, small, file, { original, prep })],
    [
      `${name} was drawn ${small.width} x ${small.height} pixels large; up to ${raster.width} x ${raster.height} are kept.`,
      ...(drawing.hasText
        ? [
            `Words in ${name} were drawn in ${DRAWN_IN}. For their own typeface turn them into outlines and export it again.`,
          ]
        : []),
    ],
  );
};
