/** Draws the demo artwork and packs the demo effects: npm run demo. The results are kept in the repository. */
import { createHash } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { newPicture } from '../src/core/document/defaults';
import type { AssetId, PictureAsset } from '../src/core/document/schema';
import { readEffect } from '../src/core/document/migrations';
import { writePackage } from '../src/core/package/effect-package';
import { bubbles, icon, kelpBand, kelpFan } from './kelp-artwork';
import { kelpCrown } from './kelp-crown';

mkdirSync('demo/artwork', { recursive: true });
mkdirSync('demo/packages', { recursive: true });

const files = new Map<string, Uint8Array>();
const picture = async (name: string, svg: string): Promise<PictureAsset> => {
  const { data, info } = await sharp(Buffer.from(svg))
    .png({ compressionLevel: 9, palette: true, quality: 92 })
    .toBuffer({ resolveWithObject: true });
  const bytes = new Uint8Array(data);
  writeFileSync(`demo/artwork/${name}`, bytes);
  const id = `asset_${name.replace(/\.\w+$/, '')}` as AssetId;
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  files.set(sha256, bytes);
  return newPicture(id, name, { sha256, mime: 'image/png', bytes: bytes.length }, info.width, info.height);
};

const effect = readEffect(
  kelpCrown({
    fan: await picture('kelp-fan.png', kelpFan()),
    band: await picture('kelp-band.png', kelpBand()),
    bubbles: await picture('bubbles.png', bubbles()),
    icon: await picture('kelp-icon.png', icon()),
  }),
);
const zip = writePackage(effect, 1, ({ sha256 }) => files.get(sha256)!);
writeFileSync('demo/packages/kelp-crown.zip', zip);
console.log(`demo/packages/kelp-crown.zip: ${zip.length} bytes`);
