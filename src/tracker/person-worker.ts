/** The person finder in a classic worker: pictures in, masks out. */
import { sentence } from '../core/errors';
import { installPageShim } from './page-shim';
import type { FromPersonWorker, ToPersonWorker } from './person-messages';

interface Segmentation {
  setOptions(options: Record<string, unknown>): void;
  onResults(listener: (results: { segmentationMask: CanvasImageSource }) => void): void;
  initialize(): Promise<void>;
  send(input: { image: ImageBitmap }): Promise<void>;
}
declare const importScripts: (...urls: string[]) => void;

const answer = (message: FromPersonWorker, transfer: Transferable[] = []): void =>
  (self as unknown as { postMessage(m: FromPersonWorker, t: Transferable[]): void }).postMessage(
    message,
    transfer,
  );

/** The finder itself looks at no more than this. */
const LONGEST = 256;

let segmentation: Segmentation | null = null;
let found: CanvasImageSource | null = null;

const start = async (base: string): Promise<void> => {
  installPageShim();
  importScripts(`${base}selfie_segmentation.js`);
  const Constructor = (
    self as unknown as { SelfieSegmentation: new (o: { locateFile(f: string): string }) => Segmentation }
  ).SelfieSegmentation;
  segmentation = new Constructor({ locateFile: (file) => base + file });
  // Model 0 looks at squares: better at a distance than the other, and as good near.
  segmentation.setOptions({ modelSelection: 0, selfieMode: false, useCpuInference: true });
  segmentation.onResults((results) => {
    found = results.segmentationMask;
  });
  await segmentation.initialize();
  answer({ kind: 'ready' });
};

const find = async ({ image }: Extract<ToPersonWorker, { kind: 'frame' }>): Promise<void> => {
  const scale = Math.min(1, LONGEST / Math.max(image.width, image.height));
  const [width, height] = [Math.round(image.width * scale), Math.round(image.height * scale)];
  found = null;
  await segmentation!.send({ image });
  image.close();
  const alpha = new Uint8Array(width * height);
  if (found) {
    const canvas = new OffscreenCanvas(width, height);
    const g = canvas.getContext('2d', { willReadFrequently: true })!;
    g.drawImage(found, 0, 0, width, height);
    const { data } = g.getImageData(0, 0, width, height);
    // How surely it is a person stands in the mask's alpha.
    for (let i = 0; i < alpha.length; i++) alpha[i] = data[4 * i + 3]!;
  }
  answer({ kind: 'found', mask: { width, height, alpha } }, [alpha.buffer]);
};

const fail = (error: unknown): void => answer({ kind: 'failed', message: sentence(error) });
self.addEventListener('unhandledrejection', (event) => fail((event as PromiseRejectionEvent).reason));
self.addEventListener('message', (event: MessageEvent<ToPersonWorker>) => {
  const message = event.data;
  (message.kind === 'start' ? start(message.base) : find(message)).catch(fail);
});
