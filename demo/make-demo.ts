/** Draws the demo artwork and packs the demo effects: npm run demo. The results are kept in the repository. */
import { createHash } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import type { Asset, AssetId } from '../src/core/document/schema';
import { readEffect } from '../src/core/document/migrations';
import { writePackage } from '../src/core/package/effect-package';
import { bubbles, icon, kelpBand, kelpFan } from './kelp-artwork';
import { kelpCrown } from './kelp-crown';

mkdirSync('demo/artwork', { recursive: true });
mkdirSync('demo/packages', { recursive: true });

const files = new Map<AssetId, Uint8Array>();
const picture = async (name: string, svg: string): Promise<Asset> => {
  const { data, info } = await sharp(Buffer.from(svg))
    .png({ compressionLevel: 9, palette: true, quality: 92 })
    .toBuffer({ resolveWithObject: true });
  const bytes = new Uint8Array(data);
  writeFileSync(`demo/artwork/${name}`, bytes);
  const id = `asset_${name.replace(/\.\w+$/, '')}` as AssetId;
  files.set(id, bytes);
  return {
    id,
    name,
    kind: 'picture',
    mime: 'image/png',
    sha256: createHash('sha256').update(bytes).digest('hex'),
    bytes: bytes.length,
    width: info.width,
    height: info.height,
  };
};

const effect = readEffect(
  kelpCrown({
    fan: await picture('kelp-fan.png', kelpFan()),
    band: await picture('kelp-band.png', kelpBand()),
    bubbles: await picture('bubbles.png', bubbles()),
    icon: await picture('kelp-icon.png', icon()),
  }),
);
const zip = writePackage(effect, 1, (id) => files.get(id)!);
writeFileSync('demo/packages/kelp-crown.zip', zip);
console.log(`demo/packages/kelp-crown.zip: ${zip.length} bytes`);
