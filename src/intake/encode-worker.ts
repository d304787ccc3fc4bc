/** A helper of the worker that opens files: encodes pictures beside it, on another core. */
import * as Comlink from 'comlink';
import type { Raster } from '../core/assets/raster';
import { browserCodec } from './browser-codec';

const encoder = {
  async webp(raster: Raster, quality: number): Promise<Uint8Array> {
    const bytes = await browserCodec.encode(raster, 'webp', quality);
    return Comlink.transfer(bytes, [bytes.buffer as ArrayBuffer]);
  },
};

export type Encoder = typeof encoder;
Comlink.expose(encoder);
