/** Layered artwork: every layer becomes a picture that knows where it lies on the canvas. */
import { readOpenRaster } from '../../core/assets/layered/openraster';
import { readPsd } from '../../core/assets/layered/psd';
import { refuse } from '../../core/assets/refuse';
import { sniff } from '../../core/assets/sniff';
import { browserCodec } from '../browser-codec';
import type { AssetDraft, LayerDraft, ReadResult } from '../drafts';
import type { IntakeHooks } from '../hooks';
import { pictureDraft } from './pictures';

export const readArtwork = async (
  bytes: Uint8Array,
  name: string,
  hooks: IntakeHooks,
): Promise<ReadResult> => {
  const art = sniff(bytes) === 'psd' ? readPsd(bytes, name) : readOpenRaster(bytes, name);
  const drafts: AssetDraft[] = [];
  const layers: LayerDraft[] = [];
  let blank = 0;
  for (const [i, layer] of art.layers.entries()) {
    const pixels = layer.pixels();
    hooks.progress((i + 1) / art.layers.length);
    if (!pixels) {
      blank++;
      continue;
    }
    const { raster, left, top } = pixels;
    const file = { bytes: await browserCodec.encode(raster, 'webp', 100), mime: 'image/webp' } as const;
    layers.push({
      key: layer.key,
      name: layer.name,
      opacity: layer.opacity,
      blend: layer.blend,
      visible: layer.visible,
      draft: drafts.length,
    });
    drafts.push(
      await pictureDraft(layer.name, raster, file, {
        from: { file: name, layer: layer.key },
        layer: {
          canvas: [art.width, art.height],
          left,
          top,
          width: raster.width,
          height: raster.height,
        },
      }),
    );
  }
  if (drafts.length === 0) refuse('artwork.empty', `${name} has no layer with anything painted on it.`);
  const notes = [...art.notes];
  if (blank > 0)
    notes.push(
      `${blank === 1 ? 'One layer' : `${blank} layers`} of ${name} with nothing on ${blank === 1 ? 'it is' : 'them are'} left out.`,
    );
  return { drafts, artwork: { width: art.width, height: art.height, layers }, notes, sheet: null };
};
