/** Decoders of compressed models and textures, loaded when the first file needs them. */
import dracoWasm from 'draco3dgltf/draco_decoder_gltf.wasm?url';
import * as Comlink from 'comlink';
import type { ModelDecoders } from '../core/assets/models/open-model';
import type { Raster } from '../core/assets/raster';
import { checkPictureSize } from '../core/assets/pictures/picture';
import { Bytes } from '../core/assets/bytes';
import { cutOff, refuse } from '../core/assets/refuse';
import type { TextureDecoder } from './ktx2-worker';

const fetched = async (url: string): Promise<ArrayBuffer> => (await fetch(url)).arrayBuffer();

let draco: Promise<unknown> | null = null;

export const modelDecoders: ModelDecoders = {
  draco: () =>
    (draco ??= (async () => {
      const { default: create } = await import('draco3dgltf/draco_decoder_gltf_nodejs.js');
      return create({ wasmBinary: await fetched(dracoWasm) });
    })()),
  meshopt: async () => {
    const { MeshoptDecoder } = await import('meshoptimizer');
    await MeshoptDecoder.ready;
    return MeshoptDecoder;
  },
};

export const simplifier = async (): Promise<unknown> => {
  const { MeshoptSimplifier } = await import('meshoptimizer');
  await MeshoptSimplifier.ready;
  return MeshoptSimplifier;
};

let textures: Comlink.Remote<TextureDecoder> | null = null;

/** Decodes a KTX2 texture in Basis compression. Throws `IconiaError` `picture.broken`, `picture.too-large`. */
export const decodeKtx2 = async (bytes: Uint8Array, name: string): Promise<Raster> => {
  // Its size stands in its header (Khronos Texture File Format 2.0, 3.2): it is looked at before work is put into it.
  const header = new Bytes(bytes, () => cutOff('picture', name));
  checkPictureSize({ width: header.u32le(20), height: header.u32le(24) }, name);
  textures ??= Comlink.wrap<TextureDecoder>(
    new Worker(new URL('./ktx2-worker.ts', import.meta.url), { type: 'module', name: 'ktx2' }),
  );
  const raster = await textures.decode(bytes);
  if (!raster)
    return refuse('picture.broken', `${name} is a KTX2 texture that cannot be read. Export it as PNG.`);
  return raster;
};
