/** New ids; chance lives here, not in the core. */
import type { AssetId, CueId, ObjectId } from '../../core/document/schema';

const short = (): string => crypto.randomUUID().replace(/-/g, '').slice(0, 12);

export const newObjectId = (): ObjectId => `obj_${short()}` as ObjectId;
export const newAssetId = (): AssetId => `asset_${short()}` as AssetId;
export const newCueId = (): CueId => `cue_${short()}` as CueId;
export const newPartId = (kind: 'beat' | 'act'): string => `${kind}_${short()}`;
