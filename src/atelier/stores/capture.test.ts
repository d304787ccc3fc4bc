/**
 * Photos, videos and loops of the Viewfinder: what goes on, what comes of it, and what is said when nothing can.
 * @jest-environment ./scripts/jest-page.mjs
 */
import 'fake-indexeddb/auto';
import { afterEach, expect, jest, test } from '@jest/globals';
import { IconiaError } from '../../core/errors';
import { blankEffect } from '../../core/document/defaults';
import type { Capturing } from '../../stage/capture/capturing';
import { openEffect } from '../components/testing';
import { useCaptureStore } from './capture';
import { useEffectStore } from './effect';
import { usePlaybackStore } from './playback';

const film = new Blob(['film'], { type: 'video/webm' });
const photo = { convertToBlob: async ({ type }: { type: string }) => new Blob(['picture'], { type }) };
const open = (capturing: Partial<Record<keyof Capturing, unknown>> = {}) => {
  openEffect({ ...blankEffect('Low Tide'), name: 'Low Tide' });
  const capture = useCaptureStore();
  const sizes: boolean[] = [];
  capture.finder = {
    capturing: {
      photo: async () => photo,
      startVideo: () => {},
      stopVideo: async () => film,
      stop: () => {},
      ...capturing,
    } as unknown as Capturing,
    drawForPhoto: (on) => void sizes.push(on),
  };
  return { capture, sizes, playback: usePlaybackStore() };
};
afterEach(() => {
  useCaptureStore().finder = null;
  useEffectStore().close();
  Reflect.deleteProperty(navigator, 'share');
  Reflect.deleteProperty(navigator, 'canShare');
});

test('a photo is drawn in its own size, and the Viewfinder as usual after it; it is there as PNG and JPEG', async () => {
  const { capture, sizes } = open();
  await capture.photo();
  expect(sizes).toEqual([true, false]);
  expect(capture.kept).toMatchObject({ kind: 'photo' });
  const files = await Promise.all(capture.kept!.choices.map(({ file }) => file()));
  expect(files.map((f) => [f.name, f.type])).toEqual([
    ['Low-Tide.png', 'image/png'],
    ['Low-Tide.jpg', 'image/jpeg'],
  ]);
  capture.discard();
  expect(capture.kept).toBeNull();
});

test('a take that stands plays while a video is recorded, and stands again; one that plays goes on', async () => {
  const { capture, playback } = open();
  for (const plays of [false, true]) {
    playback.playing = plays;
    capture.startVideo();
    expect([capture.doing, playback.playing]).toEqual(['video', true]);
    await capture.stopVideo();
    expect([capture.doing, playback.playing]).toEqual(['nothing', plays]);
    expect(capture.kept).toMatchObject({ kind: 'video' });
  }
  playback.playing = false;
});

test('one thing at a time; another effect gives up what goes on', async () => {
  const stopVideo = jest.fn(async () => film);
  const { capture, sizes, playback } = open({ stopVideo });
  capture.startVideo();
  await capture.photo();
  expect([sizes, capture.doing]).toEqual([[], 'video']);
  useEffectStore().close();
  await Promise.resolve();
  expect([capture.doing, capture.kept, playback.playing]).toEqual(['nothing', null, false]);
  expect(stopVideo).toHaveBeenCalledTimes(1);
});

test('what cannot be is said; what was given up is not', async () => {
  const cannot = () => {
    throw new IconiaError('film.unrecordable', 'This browser cannot record.');
  };
  const { capture, playback } = open({
    startVideo: cannot,
    photo: () => Promise.reject(new IconiaError('capture.cancelled', 'It is closed.')),
  });
  capture.startVideo();
  expect([capture.trouble, capture.doing, playback.playing]).toEqual([
    'This browser cannot record.',
    'nothing',
    false,
  ]);
  await capture.photo();
  expect([capture.trouble, capture.kept, capture.isFree]).toEqual([null, null, true]);
});

test('shared by the system where it takes the file; where it does not, or fails, that is said; shut is no failure', async () => {
  const { capture } = open();
  await capture.photo();
  const [png] = capture.kept!.choices;
  const shared: File[] = [];
  let takes = true;
  let fails: Error | null = null;
  Object.assign(navigator, {
    canShare: () => takes,
    share: async ({ files }: { files: File[] }) => {
      if (fails) throw fails;
      shared.push(...files);
    },
  });
  await capture.shareIt(png);
  expect([shared.map((f) => f.name), capture.trouble]).toEqual([['Low-Tide.png'], null]);
  fails = Object.assign(new Error('shut'), { name: 'AbortError' });
  await capture.shareIt(png);
  expect(capture.trouble).toBeNull();
  fails = new Error('The sheet broke.');
  await capture.shareIt(png);
  expect(capture.trouble).not.toBeNull();
  takes = false;
  await capture.shareIt(png);
  expect(capture.trouble).toContain('Save it instead');
  expect(shared).toHaveLength(1);
});
