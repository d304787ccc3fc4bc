/** Decoders of compressed models and textures, loaded when the first file needs them. */
import dracoWasm from 'draco3dgltf/draco_decoder_gltf.wasm?url';
import basisWasm from 'three/examples/jsm/libs/basis/basis_transcoder.wasm?url';
import type { ModelDecoders } from '../core/assets/models/open-model';
import type { Raster } from '../core/assets/raster';
import { refuse } from '../core/assets/refuse';
import { checkPictureSize } from '../core/assets/pictures/picture';

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

/** The parts of the transcoder that are used (Binomial's Basis Universal). */
interface Ktx2File {
  isValid(): boolean;
  getWidth(): number;
  getHeight(): number;
  startTranscoding(): boolean;
  getImageTranscodedSizeInBytes(level: number, layer: number, face: number, format: number): number;
  transcodeImage(
    to: Uint8Array,
    level: number,
    layer: number,
    face: number,
    format: number,
    flags: number,
    a: number,
    b: number,
  ): boolean;
  close(): void;
  delete(): void;
}
interface Basis {
  initializeBasis(): void;
  KTX2File: new (bytes: Uint8Array) => Ktx2File;
}
const RGBA32 = 13;
let basis: Promise<Basis> | null = null;

/** Decodes a KTX2 texture in Basis compression. Throws `IconiaError` `picture.broken`. */
export const decodeKtx2 = async (bytes: Uint8Array, name: string): Promise<Raster> => {
  basis ??= (async () => {
    const { default: create } = await import('three/examples/jsm/libs/basis/basis_transcoder.js');
    const module = (await create({ wasmBinary: await fetched(basisWasm) })) as Basis;
    module.initializeBasis();
    return module;
  })();
  const { KTX2File } = await basis;
  const file = new KTX2File(bytes);
  try {
    const [width, height] = [file.isValid() ? file.getWidth() : 0, file.isValid() ? file.getHeight() : 0];
    checkPictureSize({ width, height }, name);
    const data = new Uint8Array(
      file.startTranscoding() ? file.getImageTranscodedSizeInBytes(0, 0, 0, RGBA32) : 0,
    );
    if (data.length !== width * height * 4 || !file.transcodeImage(data, 0, 0, 0, RGBA32, 0, -1, -1))
      refuse('picture.broken', `${name} is a KTX2 texture that cannot be read. Export it as PNG.`);
    return { width, height, data };
  } finally {
    file.close();
    file.delete();
  }
};
