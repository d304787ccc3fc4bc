/** The face tracker in a classic worker: pictures in, faces out. */
import { ExpressionFit } from '../core/face/expression-fit';
import { unpackExpressionModel } from '../core/face/expression-model';
import { EXPRESSION_MODEL } from '../core/face/expression-model.data';
import { fitFace } from '../core/face/fit';
import { ALL_LANDMARKS } from '../core/face/landmarks';
import { sentence } from '../core/errors';
import { Identities } from '../core/tracking/identities';
import { fromRegion, type Region } from '../core/tracking/region';
import type { TrackedFace } from '../core/tracking/track-frame';
import type { FromFaceWorker, ToFaceWorker } from './face-messages';
import { installPageShim } from './page-shim';

interface Landmark {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}
interface FaceMesh {
  setOptions(options: Record<string, unknown>): void;
  onResults(listener: (results: { multiFaceLandmarks?: Landmark[][] }) => void): void;
  initialize(): Promise<void>;
  send(input: { image: ImageBitmap | OffscreenCanvas }): Promise<void>;
}
declare const importScripts: (...urls: string[]) => void;

const answer = (message: FromFaceWorker): void =>
  (self as unknown as { postMessage(m: FromFaceWorker): void }).postMessage(message);

/** This tracker sees faces tipped forward by so much: the mean over all performers, by `npm run bench`. */
const PITCH_BIAS = 0.8;

const expressions = unpackExpressionModel(EXPRESSION_MODEL);
const who = new Identities<TrackedFace>();
/** What each face is like at rest, by who it is. */
const fits = new Map<number, ExpressionFit>();
/** Of so many, whoever was seen last. */
const MOST_KNOWN = 8;

/** Expressions of a face that was seen before, or that gets to be known. */
const withExpressions = (face: TrackedFace): TrackedFace => {
  const fit = fits.get(face.id) ?? new ExpressionFit(expressions);
  fits.delete(face.id);
  fits.set(face.id, fit);
  if (fits.size > MOST_KNOWN) fits.delete(fits.keys().next().value!);
  return { ...face, expressions: fit.next(face.landmarks, face.pose.rotation, face.expressions) };
};

let mesh: FaceMesh | null = null;
let found: Landmark[][] = [];

const start = async (base: string, faces: number): Promise<void> => {
  installPageShim();
  importScripts(`${base}face_mesh.js`);
  const Constructor = (
    self as unknown as { FaceMesh: new (o: { locateFile(f: string): string }) => FaceMesh }
  ).FaceMesh;
  mesh = new Constructor({ locateFile: (file) => base + file });
  // minDetectionConfidence and enableFaceGeometry abort this version's WebAssembly: leave them out.
  mesh.setOptions({ maxNumFaces: faces, refineLandmarks: true, useCpuInference: true });
  mesh.onResults((results) => {
    found = results.multiFaceLandmarks ?? [];
  });
  await mesh.initialize();
  answer({ kind: 'ready' });
};

/** Small faces are found when they are seen large: the longer side of a part that is looked at alone. */
const PART_SIDE = 480;

const partOf = (image: ImageBitmap, { x, y, width, height }: Region): OffscreenCanvas => {
  const [w, h] = [Math.max(1, width * image.width), Math.max(1, height * image.height)];
  const scale = PART_SIDE / Math.max(w, h);
  const part = new OffscreenCanvas(Math.round(w * scale), Math.round(h * scale));
  part
    .getContext('2d')!
    .drawImage(image, x * image.width, y * image.height, w, h, 0, 0, part.width, part.height);
  return part;
};

const track = async (message: Extract<ToFaceWorker, { kind: 'frame' }>): Promise<void> => {
  const { image, fovY, region } = message;
  const { width, height } = image;
  found = [];
  await mesh!.send({ image: region ? partOf(image, region) : image });
  image.close();
  const flat = new Float32Array(ALL_LANDMARKS * 3);
  const faces = found.map((landmarks, i): TrackedFace => {
    landmarks.forEach((p, k) => flat.set([p.x, p.y, p.z], 3 * k));
    if (region) fromRegion(flat, region);
    const fitted = fitFace(flat, { width, height, fovY }, PITCH_BIAS);
    return {
      id: i + 1,
      pose: fitted.pose,
      landmarks: fitted.landmarks,
      expressions: fitted.expressions,
      confidence: Math.max(0, 1 - fitted.residual / (0.05 * height)),
    };
  });
  // Takes are gone through forth and back: who is who goes by the time that passes here.
  const named = who.name(faces, performance.now() / 1000);
  answer({ kind: 'seen', faces: named.map(withExpressions) });
};

const fail = (error: unknown): void => answer({ kind: 'failed', message: sentence(error) });
self.addEventListener('unhandledrejection', (event) => fail((event as PromiseRejectionEvent).reason));
self.addEventListener('message', (event: MessageEvent<ToFaceWorker>) => {
  const message = event.data;
  (message.kind === 'start' ? start(message.base, message.faces) : track(message)).catch(fail);
});
