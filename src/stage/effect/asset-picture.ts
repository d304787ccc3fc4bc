/** What of an asset is seen at an instant: a picture, a frame of a sequence or of a video. */
import type { Texture } from 'three';
import { frameAt, frameIndex } from '../../core/assets/frames/sheets';
import type { Asset } from '../../core/document/schema';
import type { Seconds } from '../../core/units';
import type { Stores } from './stores';

export const WHOLE = [0, 0, 1, 1] as const;

export interface AssetPicture {
  readonly texture: Texture;
  /** Of the texture: x, y, width, height from its top left. */
  readonly rect: readonly [number, number, number, number];
}

/**
 * `time` is that of the thing itself. `leads` is who sends videos to a moment; others show them as they are. Null while
 * it is on its way, and for what cannot be seen.
 */
export const pictureOf = (
  { textures, videos }: Stores,
  asset: Asset | undefined,
  time: Seconds,
  leads: boolean,
): AssetPicture | null => {
  const { file, rect } =
    asset?.kind === 'sequence' ? frameAt(asset, frameIndex(asset, time)) : { file: 0, rect: WHOLE };
  const texture =
    asset?.kind === 'picture' || asset?.kind === 'sequence'
      ? textures.get(asset, file)
      : asset?.kind === 'video'
        ? videos.get(asset, leads ? time : null)
        : null;
  return texture && { texture, rect };
};
