/**
 * Decodes textures in Basis compression (KTX2). A worker of its own: the decoder's glue compiles code, which the
 * worker that opens files is not allowed to.
 */
import * as Comlink from 'comlink';
import createBasis from 'three/examples/jsm/libs/basis/basis_transcoder.js';
import basisWasm from 'three/examples/jsm/libs/basis/basis_transcoder.wasm?url';
import type { Raster } from '../core/assets/raster';

/** The parts of the transcoder that are used (Basis Universal). */
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
/** The transcoder's number for 8 bits of red, green, blue and alpha. */
const RGBA32 = 13;
let basis: Promise<Basis> | null = null;

const start = async (): Promise<Basis> => {
  const wasmBinary = await (await fetch(basisWasm)).arrayBuffer();
  const module = (await createBasis({ wasmBinary })) as Basis;
  module.initializeBasis();
  return module;
};

const textureDecoder = {
  /** Gives null for what is no such texture, or is damaged. Its size has been checked. */
  decode: async (bytes: Uint8Array): Promise<Raster | null> => {
    const { KTX2File } = await (basis ??= start());
    const file = new KTX2File(bytes);
    try {
      if (!file.isValid()) return null;
      const [width, height] = [file.getWidth(), file.getHeight()];
      if (!file.startTranscoding()) return null;
      const data = new Uint8Array(file.getImageTranscodedSizeInBytes(0, 0, 0, RGBA32));
      if (data.length !== width * height * 4 || !file.transcodeImage(data, 0, 0, 0, RGBA32, 0, -1, -1))
        return null;
      return { width, height, data };
    } finally {
      file.close();
      file.delete();
    }
  },
};
export type TextureDecoder = typeof textureDecoder;
Comlink.expose(textureDecoder);
