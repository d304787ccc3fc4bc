/** A picture of the effect, ready to be drawn with. */
import type { PictureAsset } from '../../core/document/schema';
import type { FileSource } from '../../stage/effect/texture-store';

export const pictureOf = async (asset: PictureAsset, source: FileSource): Promise<ImageBitmap> =>
  createImageBitmap(await source(asset.files[0]!));
