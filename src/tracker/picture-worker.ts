/** The picture tracker in a worker: pictures to look for, then camera frames in, where they lie out. */
import { sentence } from '../core/errors';
import { trackedPicture } from '../core/tracking/printed-picture';
import { FocalSearch } from '../core/vision/focal-search';
import { MOST_PRINTED } from '../core/vision/grey';
import { findNearest, makeFindNearest, type FindNearest } from '../core/vision/hamming';
import { PictureSearch } from '../core/vision/picture-search';
import type { PictureTarget } from '../core/vision/picture-target';
import { cameraOf, fovYOf } from '../core/vision/plane-pose';
import { readTarget } from '../core/vision/target-file';
import { greyOfImage } from './grey-of-image';
import { keptTarget } from './kept-targets';
import type { FromPictureWorker, KnownPicture, SoughtImage, ToPictureWorker } from './picture-messages';

const answer = (message: FromPictureWorker): void =>
  (self as unknown as { postMessage(m: FromPictureWorker): void }).postMessage(message);

/** Frames are looked at with at most so many pixels on the longer side: more tell nothing and cost much. */
const MOST_SIDE = 640;

let targets: readonly { readonly id: number; readonly target: PictureTarget }[] = [];
let nearest: FindNearest = findNearest;
/** Made for one shape of frame; another camera, or a phone that is turned, makes it anew. */
let search: PictureSearch | null = null;
let lens = 0;
let focal: FocalSearch | null = null;
let looks = 0;
/** The focal length is sought in one picture of so many: it takes as long as following does. */
const SOUGHT_EVERY = 3;

const start = async (pictures: readonly SoughtImage[]): Promise<void> => {
  nearest = (await makeFindNearest()) ?? findNearest;
  const known: { readonly id: number; readonly target: PictureTarget }[] = [];
  for (const { id, key, image, made } of pictures) {
    const grey = greyOfImage(image, MOST_PRINTED);
    known.push({ id, target: made ? readTarget(made, grey) : await keptTarget(key, grey) });
  }
  targets = known;
  answer({ kind: 'ready' });
};

const look = (image: ImageBitmap, fovY: number, known: KnownPicture | null): void => {
  const began = performance.now();
  const grey = greyOfImage(image, MOST_SIDE);
  const { width, height } = grey;
  if (!search || search.camera.width !== width || search.camera.height !== height || lens !== fovY) {
    const camera = cameraOf(width, height, fovY);
    search = new PictureSearch(
      targets.map(({ target }) => target),
      camera,
      nearest,
    );
    focal = new FocalSearch(camera);
    lens = fovY;
  }
  const at = known ? targets.findIndex(({ id }) => id === known.id) : -1;
  const corners = known?.corners.map(([x, y]) => [x * width, y * height] as const) ?? [];
  const begun = at < 0 ? null : search.begin(at, grey.data, corners);
  const sights = known ? (begun ? [begun] : []) : search.look(grey.data);
  const pictures = sights.map((sight) => {
    const { id, target } = targets[sight.target]!;
    return trackedPicture(id, sight, target.aspect);
  });
  const [sight] = sights;
  if (sight && looks++ % SOUGHT_EVERY === 0) focal?.add(sight.pose, sight.sightings);
  const found = focal?.focal ?? null;
  answer({
    kind: 'seen',
    pictures,
    milliseconds: performance.now() - began,
    fovY: found === null ? null : fovYOf({ height, focal: found }),
  });
};

const fail = (error: unknown): void => answer({ kind: 'failed', message: sentence(error) });
self.addEventListener('message', ({ data }: MessageEvent<ToPictureWorker>) => {
  if (data.kind === 'start') return void start(data.pictures).catch(fail);
  try {
    look(data.image, data.fovY, data.known);
  } catch (error) {
    fail(error);
  }
});
