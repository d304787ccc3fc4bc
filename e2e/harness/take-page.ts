/** Runs in a blank page: draws frames of takes, for clips, contact sheets and measurements. */
import { BufferTarget, CanvasSource, Output, QUALITY_HIGH, WebMOutputFormat } from 'mediabunny';
import { NeutralToneMapping, SRGBColorSpace, WebGLRenderer } from 'three';
import type { Expressions } from '../../src/core/tracking/track-frame';
import { makeTake } from '../../src/core/takes/make-take';
import { FIRST_TAKE, performanceOf, screenTest, SHIPPED_TAKES } from '../../src/core/takes/library';
import type { Take } from '../../src/core/takes/take';
import { byteTarget, onClear } from '../../src/stage/passes';
import { TakePicture, type Detail } from '../../src/stage/take-picture';
import type { PictureImage } from '../../src/stage/printed-pictures';
import type { TrackFrame } from '../../src/core/tracking/track-frame';

const FILM_RATE = 15;
const canvas = document.createElement('canvas');
const renderer = new WebGLRenderer({ canvas, antialias: true, preserveDrawingBuffer: true });
renderer.outputColorSpace = SRGBColorSpace;
renderer.toneMapping = NeutralToneMapping;

let printed: PictureImage[] = [];

/** A take by its id, or `screen-test-<performer>[/<performance>]` with a face of one's choice. */
const takeOf = (id: string, face?: Expressions, light?: string): Take => {
  const shipped = SHIPPED_TAKES.find((t) => t.id === id);
  // What is printed keeps its shape.
  if (shipped)
    return printed.length > 0
      ? makeTake(shipped.spec, { pictureAspects: printed.map(({ aspect }) => aspect) })
      : shipped;
  const [performer, performance] = id.replace('screen-test-', '').split('/') as [string, string?];
  const spec = screenTest(performer, performance, performance ? performanceOf(performance).duration : 10);
  const take = makeTake(light ? { ...spec, light } : spec);
  if (!face) return take;
  return {
    ...take,
    sceneAt: (t) => {
      const scene = take.sceneAt(t);
      return { ...scene, people: scene.people.map((p) => ({ ...p, expressions: face })) };
    },
  };
};

let open: { key: string; picture: TakePicture; take: Take } | null = null;
const pictureOf = (id: string, detail: Detail, face?: Expressions, light?: string) => {
  const key = JSON.stringify([id, detail, face, light]);
  if (open?.key === key) return open;
  open?.picture.dispose();
  const take = takeOf(id, face, light);
  return (open = { key, take, picture: new TakePicture(take, { detail, pictures: printed }) });
};

export interface DrawRequest {
  readonly time: number;
  readonly width: number;
  readonly height: number;
  readonly take?: string;
  readonly detail?: Detail;
  readonly face?: Expressions;
  /** Replaces the light of a screen test. */
  readonly light?: string;
  /** Replaces the take's own lens. */
  readonly fovY?: number;
  readonly mime?: string;
  /** A row of eight black or white squares along the bottom tells which frame this is. */
  readonly stamp?: number;
}

export interface TakePage {
  /** What is printed on the pictures of the takes that are drawn from now on, by its address. */
  print(url: string): Promise<void>;
  /** JPEG or PNG of a take at a time. */
  draw(request: DrawRequest): string;
  /** Which pixels of that picture are people, or the hair of their heads: base64 of a byte each, the lowest row first. */
  mask(request: DrawRequest, of: 'people' | 'hair'): string;
  /** A WebM, base64, of pictures of takes, each shown for as many seconds; silent. */
  film(pictures: readonly (DrawRequest & { readonly seconds: number })[]): Promise<string>;
  /** Milliseconds for each of some frames of a take, drawn to the end. */
  time(take: string, detail: Detail, width: number, height: number, frames: number): number[];
}

const page: TakePage = {
  mask({ time, width, height, take = FIRST_TAKE.id, detail = 'plain', face, light }, of) {
    renderer.setSize(width, height, false);
    const { picture, take: opened } = pictureOf(take, detail, face, light);
    const frame = opened.frameAt(time);
    picture.draw(renderer, frame, width / height);
    const target = byteTarget(width, height, true);
    // Hairs are finer than pixels.
    target.samples = 4;
    // As the stage sets it: what was cleared to nothing stays nothing.
    renderer.autoClear = false;
    onClear(renderer, target, () => {
      if (of === 'hair') picture.drawHair(renderer);
      else picture.drawPeople(renderer);
    });
    const data = new Uint8Array(4 * width * height);
    renderer.readRenderTargetPixels(target, 0, 0, width, height, data);
    renderer.autoClear = true;
    target.dispose();
    // Hair is drawn in white, people in their own colours over nothing.
    const channel = of === 'hair' ? 0 : 3;
    return btoa(
      Array.from({ length: width * height }, (_, i) => String.fromCharCode(data[4 * i + channel]!)).join(''),
    );
  },
  async print(url) {
    const image = await createImageBitmap(await (await fetch(url)).blob());
    printed = [{ image, aspect: image.width / image.height }];
    open?.picture.dispose();
    open = null;
  },
  draw({
    time,
    width,
    height,
    take = FIRST_TAKE.id,
    detail = 'plain',
    face,
    light,
    fovY,
    mime = 'image/png',
    stamp,
  }) {
    renderer.setSize(width, height, false);
    const { picture, take: opened } = pictureOf(take, detail, face, light);
    const truth = opened.frameAt(time);
    const frame: TrackFrame = fovY ? { ...truth, camera: { ...truth.camera, fovY } } : truth;
    renderer.clear();
    picture.draw(renderer, frame, width / height);
    if (stamp === undefined) return canvas.toDataURL(mime, 0.92);
    const stamped = document.createElement('canvas');
    stamped.width = width;
    stamped.height = height;
    const g = stamped.getContext('2d')!;
    g.drawImage(canvas, 0, 0);
    for (let bit = 0; bit < 8; bit++) {
      g.fillStyle = (stamp >> bit) & 1 ? '#fff' : '#000';
      g.fillRect(bit * 16, height - 16, 16, 16);
    }
    return stamped.toDataURL(mime, 0.92);
  },
  async film(pictures) {
    const target = new BufferTarget();
    const output = new Output({ format: new WebMOutputFormat(), target });
    const sheet = new OffscreenCanvas(pictures[0]!.width, pictures[0]!.height);
    const source = new CanvasSource(sheet, {
      codec: 'vp8',
      bitrate: QUALITY_HIGH,
      sizeChangeBehavior: 'passThrough',
    });
    output.addVideoTrack(source, { frameRate: FILM_RATE });
    await output.start();
    let at = 0;
    for (const { seconds, ...request } of pictures) {
      const image = await createImageBitmap(await (await fetch(page.draw(request))).blob());
      if (sheet.width !== image.width || sheet.height !== image.height)
        Object.assign(sheet, { width: image.width, height: image.height });
      sheet.getContext('2d')!.drawImage(image, 0, 0);
      for (let n = 0; n < seconds * FILM_RATE; n++) await source.add(at++ / FILM_RATE, 1 / FILM_RATE);
    }
    await output.finalize();
    return btoa(Array.from(new Uint8Array(target.buffer!), (b) => String.fromCharCode(b)).join(''));
  },
  time(id, detail, width, height, frames) {
    renderer.setSize(width, height, false);
    const { picture, take } = pictureOf(id, detail);
    const gl = renderer.getContext();
    const pixel = new Uint8Array(4);
    const times: number[] = [];
    // The first frame makes textures and shaders; it does not count.
    for (let i = -1; i < frames; i++) {
      const frame = take.frameAt(((i + 1) / frames) * take.duration);
      const began = performance.now();
      renderer.clear();
      picture.draw(renderer, frame, width / height);
      // Reading a pixel back waits for the drawing.
      gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
      if (i >= 0) times.push(performance.now() - began);
    }
    return times;
  },
};
(window as unknown as { takePage: TakePage }).takePage = page;
