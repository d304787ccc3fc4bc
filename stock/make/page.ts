/** Runs in a browser page: what needs its codecs and its WebGL. */
import { modelPreview } from '../../src/intake/model-preview';
import { encodeSound } from '../../src/intake/jobs/media';

export interface StockPage {
  /** A small picture of a GLB, base64. */
  preview(glb: string): Promise<string>;
  /** Opus in WebM of mono samples, base64 both ways. */
  sound(samples: string, rate: number, kilobits: number): Promise<string>;
}
const bytesOf = (text: string): Uint8Array => Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
const textOf = (bytes: Uint8Array): string => {
  let out = '';
  for (let i = 0; i < bytes.length; i += 8192) out += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(out);
};
const page: StockPage = {
  preview: async (glb) => {
    const made = await modelPreview(bytesOf(glb));
    if (!made) throw new Error('This model could not be drawn.');
    return textOf(made.bytes);
  },
  sound: async (samples, rate, kilobits) => {
    const channel = new Float32Array(bytesOf(samples).buffer);
    return textOf(await encodeSound({ rate, channels: [channel] }, kilobits, 'stock'));
  },
};
(window as unknown as { stockPage: StockPage }).stockPage = page;
