/** The hand tracker in a classic worker: pictures in, hands out. */
import { sentence } from '../core/errors';
import { fitHand } from '../core/hand/fit';
import { HandSides } from '../core/hand/sides';
import { HAND_LANDMARKS } from '../core/hand/skeleton';
import type { TrackedHand } from '../core/tracking/track-frame';
import type { FromHandWorker, ToHandWorker } from './hand-messages';
import { installPageShim } from './page-shim';

interface Landmark {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}
interface Results {
  readonly multiHandLandmarks?: readonly (readonly Landmark[])[];
  readonly multiHandWorldLandmarks?: readonly (readonly Landmark[])[];
  readonly multiHandedness?: readonly { readonly label: 'Left' | 'Right'; readonly score: number }[];
}
interface Hands {
  setOptions(options: Record<string, unknown>): void;
  onResults(listener: (results: Results) => void): void;
  initialize(): Promise<void>;
  send(input: { image: ImageBitmap }): Promise<void>;
}
declare const importScripts: (...urls: string[]) => void;

const answer = (message: FromHandWorker): void =>
  (self as unknown as { postMessage(m: FromHandWorker): void }).postMessage(message);

/** A hand that is seen where its shape cannot be is less sure: none at all at this share of the picture's height. */
const NOT_AT_ALL = 0.08;

const sides = new HandSides();
let hands: Hands | null = null;
let found: Results = {};

const start = async (base: string, most: number): Promise<void> => {
  installPageShim();
  importScripts(`${base}hands.js`);
  const Constructor = (self as unknown as { Hands: new (o: { locateFile(f: string): string }) => Hands })
    .Hands;
  hands = new Constructor({ locateFile: (file) => base + file });
  hands.setOptions({ maxNumHands: most, modelComplexity: 0, selfieMode: false, useCpuInference: true });
  hands.onResults((results) => {
    found = results;
  });
  await hands.initialize();
  answer({ kind: 'ready' });
};

const flat = (landmarks: readonly Landmark[]): Float32Array => {
  const out = new Float32Array(3 * HAND_LANDMARKS);
  landmarks.forEach((p, i) => out.set([p.x, p.y, p.z], 3 * i));
  return out;
};

const track = async ({ image, fovY }: Extract<ToHandWorker, { kind: 'frame' }>): Promise<void> => {
  const { width, height } = image;
  found = {};
  await hands!.send({ image });
  image.close();
  const { multiHandLandmarks = [], multiHandWorldLandmarks = [], multiHandedness = [] } = found;
  const whole = multiHandLandmarks.flatMap((landmarks, i) => {
    const [shape, kind] = [multiHandWorldLandmarks[i], multiHandedness[i]];
    return shape && kind ? [{ landmarks, shape, kind }] : [];
  });
  const decided = sides.decide(
    whole.map(({ landmarks: [wrist], kind }) => ({
      x: wrist!.x,
      y: wrist!.y,
      // The package names hands as in a mirror.
      side: kind.label === 'Left' ? 'right' : 'left',
      score: kind.score,
    })),
  );
  const seen = whole.flatMap(({ landmarks, shape, kind }, i): TrackedHand[] => {
    const side = decided[i]!;
    const fitted = fitHand({ inPicture: flat(landmarks), shape: flat(shape), side }, { width, height, fovY });
    if (!fitted) return [];
    const { residual, ...hand } = fitted;
    const confidence = kind.score * Math.max(0, 1 - residual / (NOT_AT_ALL * height));
    return [{ id: i + 1, side, ...hand, confidence }];
  });
  answer({ kind: 'seen', hands: seen });
};

const fail = (error: unknown): void => answer({ kind: 'failed', message: sentence(error) });
self.addEventListener('unhandledrejection', (event) => fail((event as PromiseRejectionEvent).reason));
self.addEventListener('message', (event: MessageEvent<ToHandWorker>) => {
  const message = event.data;
  (message.kind === 'start' ? start(message.base, message.hands) : track(message)).catch(fail);
});
