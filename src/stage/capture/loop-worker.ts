/** Makes a GIF or an animated WebP of pictures, beside the page. */
import { applyPalette, GIFEncoder, quantize } from 'gifenc';
import { animatedWebp, type WebpFrame } from '../../core/assets/pictures/animated-webp';
import { sentence } from '../../core/errors';
import type { FromLoopWorker, LoopFrames, ToLoopWorker } from './loop-messages';

const tell = (message: FromLoopWorker): void => postMessage(message);
/** A GIF counts in hundredths of a second, and has so many colours a picture. */
const COLOURS = 256;

const gifOf = ({ frames, width, height }: LoopFrames): Uint8Array => {
  const gif = GIFEncoder();
  frames.forEach(({ rgba, milliseconds }, i) => {
    const palette = quantize(rgba, COLOURS);
    gif.writeFrame(applyPalette(rgba, palette), width, height, { palette, delay: milliseconds, repeat: 0 });
    tell({ kind: 'progress', share: (i + 1) / frames.length });
  });
  gif.finish();
  return gif.bytes();
};

const QUALITY = 0.82;
const webpOf = async ({ frames, width, height }: LoopFrames): Promise<Uint8Array> => {
  const canvas = new OffscreenCanvas(width, height);
  const brush = canvas.getContext('2d')!;
  const made: WebpFrame[] = [];
  for (const { rgba, milliseconds } of frames) {
    brush.putImageData(new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
    const blob = await canvas.convertToBlob({ type: 'image/webp', quality: QUALITY });
    if (blob.type !== 'image/webp')
      throw new Error('This browser makes no WebP pictures. Save the loop as a GIF instead.');
    made.push({ webp: new Uint8Array(await blob.arrayBuffer()), milliseconds });
    tell({ kind: 'progress', share: made.length / frames.length });
  }
  return animatedWebp(made, width, height);
};

onmessage = async ({ data: { loop, format } }: MessageEvent<ToLoopWorker>) => {
  try {
    tell({ kind: 'done', bytes: format === 'gif' ? gifOf(loop) : await webpOf(loop) });
  } catch (error) {
    tell({ kind: 'failed', words: sentence(error) });
  }
};
