/** Faces and printed pictures of one camera picture: loaded as needed, asked together, one failing alone. */
import { describe, expect, test } from '@jest/globals';
import { IconiaError } from '../core/errors';
import { FIRST_TAKE, SHIPPED_TAKES } from '../core/takes/library';
import type { TrackedFace, TrackedHand, TrackedPicture } from '../core/tracking/track-frame';
import { FrameTrackers, type FrameNeeds } from './frame-trackers';
import type { SoughtPicture } from './picture-finder';
import type { Tracker } from './tracker';

class FakeTracker<Seen> implements Tracker<Seen> {
  started = 0;
  stopped = 0;
  looks = 0;
  failing = false;
  fovY: number | null = null;
  load!: () => void;
  refuse!: (error: Error) => void;
  constructor(private readonly seen: Seen) {}
  start(): Promise<void> {
    this.started++;
    return new Promise((done, fail) => Object.assign(this, { load: done, refuse: fail }));
  }
  look(): Promise<Seen> {
    this.looks++;
    return this.failing
      ? Promise.reject(new IconiaError('tracker.failed', 'It stopped.'))
      : Promise.resolve(this.seen);
  }
  stop(): void {
    this.stopped++;
  }
}

const face = FIRST_TAKE.frameAt(0).faces[0]!;
const hand = SHIPPED_TAKES.find((t) => t.id === 'gestures')!.frameAt(2).hands[0]!;
const picture: TrackedPicture = {
  id: 1,
  pose: { position: [0, 0, -1], rotation: [0, 0, 0, 1] },
  width: 1,
  height: 1.4,
  confidence: 0.9,
};
const sought = (key: string): SoughtPicture => ({
  id: 1,
  name: 'Tide card',
  key,
  load: () => Promise.resolve(new Blob()),
  made: null,
});
const needs = (faces: boolean, ...keys: string[]): FrameNeeds => ({
  faces: faces ? 1 : 0,
  hands: 0,
  pictures: keys.map(sought),
});
const setup = () => {
  const faces: FakeTracker<readonly TrackedFace[]>[] = [];
  const hands: FakeTracker<readonly TrackedHand[]>[] = [];
  const pictures: FakeTracker<readonly TrackedPicture[]>[] = [];
  const lost: string[] = [];
  const made = <Seen>(list: FakeTracker<Seen>[], seen: Seen): FakeTracker<Seen> => {
    list.push(new FakeTracker(seen));
    return list.at(-1)!;
  };
  const trackers = new FrameTrackers(
    { onLost: (error) => lost.push(error.message) },
    {
      faces: () => made(faces, [face]),
      hands: () => made(hands, [hand]),
      pictures: () => made(pictures, [picture]),
    },
  );
  const look = () =>
    trackers.look(
      () => Promise.resolve({} as ImageBitmap),
      { time: 2, fovY: 50 },
      { width: 640, height: 480 },
    );
  return { trackers, faces, hands, pictures, lost, look };
};

describe('what a camera picture waits for', () => {
  test('nothing that is not needed is loaded', async () => {
    const { trackers, faces, pictures, look } = setup();
    trackers.need(needs(false));
    await trackers.ready();
    expect([faces.length, pictures.length]).toEqual([0, 0]);
    expect(await look()).toMatchObject({
      time: 2,
      camera: { fovY: 50, aspect: 4 / 3 },
      faces: [],
      pictures: [],
    });
  });
  test('how the camera opens is what any of them can tell', async () => {
    const { trackers, faces, pictures } = setup();
    trackers.need(needs(true, 'card'));
    faces[0]!.load();
    pictures[0]!.load();
    await trackers.ready();
    expect(trackers.fovY).toBe(null);
    pictures[0]!.fovY = 41;
    expect(trackers.fovY).toBe(41);
    trackers.need(needs(true));
    expect(trackers.fovY).toBe(null);
  });
  test('faces and pictures come in one frame; what is still loading sees nothing yet', async () => {
    const { trackers, faces, pictures, look } = setup();
    trackers.need(needs(true, 'card'));
    faces[0]!.load();
    await Promise.resolve();
    expect(await look()).toMatchObject({ faces: [face], pictures: [] });
    pictures[0]!.load();
    await trackers.ready();
    expect(await look()).toMatchObject({ faces: [face], pictures: [picture] });
  });
  test('hands beside faces: asked for alone when they alone are needed, and numbered', async () => {
    const { trackers, faces, hands, look } = setup();
    trackers.need({ ...needs(false), hands: 2 });
    hands[0]!.load();
    await trackers.ready();
    expect(faces).toEqual([]);
    expect(await look()).toMatchObject({ faces: [], hands: [{ id: 1, gesture: 'palm' }] });
    trackers.need({ ...needs(true), hands: 2 });
    expect([faces.length, hands.length, hands[0]!.stopped]).toEqual([1, 1, 0]);
    trackers.need(needs(true));
    expect(hands[0]!.stopped).toBe(1);
  });
  test('the same needs keep the same tracker; another picture takes another, and the old one is let go', () => {
    const { trackers, pictures } = setup();
    trackers.need(needs(false, 'card'));
    trackers.need(needs(false, 'card'));
    expect(pictures).toHaveLength(1);
    trackers.need(needs(false, 'chart'));
    expect([pictures.length, pictures[0]!.stopped]).toEqual([2, 1]);
    trackers.need(needs(false));
    expect(pictures[1]!.stopped).toBe(1);
  });
  test('one that stops is said, and the other goes on', async () => {
    const { trackers, faces, pictures, lost, look } = setup();
    trackers.need(needs(true, 'card'));
    faces[0]!.load();
    pictures[0]!.load();
    await trackers.ready();
    pictures[0]!.failing = true;
    expect(await look()).toMatchObject({ faces: [face], pictures: [] });
    await look();
    expect([lost, pictures[0]!.looks, faces[0]!.looks]).toEqual([['It stopped.'], 1, 2]);
  });
  test('one that cannot be loaded holds nobody up', async () => {
    const { trackers, faces, pictures, lost, look } = setup();
    trackers.need(needs(true, 'card'));
    faces[0]!.load();
    pictures[0]!.refuse(new Error('blocked'));
    await trackers.ready();
    expect(lost).toHaveLength(1);
    expect(await look()).toMatchObject({ faces: [face], pictures: [] });
  });
  test('after it was stopped nothing is said of those that were still loading', async () => {
    const { trackers, pictures, lost } = setup();
    trackers.need(needs(false, 'card'));
    const ready = trackers.ready();
    trackers.stop();
    pictures[0]!.refuse(new Error('stopped'));
    await ready;
    expect(lost).toEqual([]);
  });
});
