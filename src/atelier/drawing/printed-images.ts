/** The pictures that an effect's printed pictures show, decoded, to be printed on those of a take. */
import { targetOrder } from '../../core/document/queries';
import type { Asset, Effect } from '../../core/document/schema';
import type { FileSource } from '../../stage/effect/texture-store';
import type { PictureImage } from '../../stage/printed-pictures';

/** One picture; rejects where it cannot be read. Whoever asks closes it. */
export const printedImage = async (asset: Asset, source: FileSource): Promise<PictureImage> => {
  const image = await createImageBitmap(await source(asset.files[0]!), { imageOrientation: 'from-image' });
  return { image, aspect: image.width / image.height };
};

/** All of an effect, in order: a missing one, or one that cannot be read, ends the row. */
export const printedImages = async (effect: Effect, source: FileSource): Promise<PictureImage[]> => {
  const made: PictureImage[] = [];
  for (const { asset: id } of targetOrder(effect)) {
    const asset = id ? effect.assets[id] : undefined;
    if (asset?.kind !== 'picture') break;
    try {
      made.push(await printedImage(asset, source));
    } catch {
      break;
    }
  }
  return made;
};
/** They are let go: nobody draws them any more. */
export const closeImages = (images: readonly PictureImage[]): void => {
  for (const { image } of images) if (image instanceof ImageBitmap) image.close();
};
