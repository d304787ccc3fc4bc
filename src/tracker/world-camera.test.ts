/** A device that measures its room, played by objects: what of its frames counts, and what is let go of. */
import { beforeEach, describe, expect, test } from '@jest/globals';
import type { IconiaError } from '../core/errors';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { CameraState } from './live-camera';
import { mayMeasure } from './webxr';
import { WorldCamera, type WorldScreen } from './world-camera';

const place = (x: number, y: number, z: number) => ({
  position: { x, y, z },
  orientation: { x: 0, y: 0, z: 0, w: 1 },
});
type Place = ReturnType<typeof place>;
const SPACE = {} as XRReferenceSpace;
const VIEWER = {} as XRReferenceSpace;

class FakeSession extends EventTarget {
  ended = 0;
  callback: XRFrameRequestCallback | null = null;
  updateRenderState(): void {}
  requestReferenceSpace(kind: string): Promise<XRReferenceSpace> {
    return Promise.resolve(kind === 'local' ? SPACE : VIEWER);
  }
  requestHitTestSource(): Promise<object> {
    return Promise.resolve({});
  }
  requestAnimationFrame(callback: XRFrameRequestCallback): void {
    this.callback = callback;
  }
  end(): Promise<void> {
    this.ended++;
    this.dispatchEvent(new Event('end'));
    return Promise.resolve();
  }
}

let session: FakeSession;
let scales: (number | undefined)[];
let eyes: number;
let hasPicture: boolean;
let anchorAt: Place | null;
let anchors: { deleted: boolean }[];
let nativeHeight: number;
let request: () => Promise<unknown>;
beforeEach(() => {
  session = new FakeSession();
  scales = [];
  anchors = [];
  eyes = 1;
  hasPicture = true;
  anchorAt = null;
  nativeHeight = 800;
  request = () => Promise.resolve(session);
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: { xr: { isSessionSupported: () => Promise.resolve(true), requestSession: () => request() } },
  });
  Object.assign(globalThis, {
    XRRigidTransform: class {
      constructor(
        readonly position: object,
        readonly orientation: object,
      ) {}
    },
    XRWebGLLayer: class {
      readonly framebuffer = 'screen';
      readonly framebufferHeight = nativeHeight;
      constructor(_: object, __: object, how: { framebufferScaleFactor?: number }) {
        scales.push(how.framebufferScaleFactor);
      }
      getViewport(view: { eye: number }) {
        return { width: view.eye < eyes ? 400 : 0, height: 800 };
      }
    },
    XRWebGLBinding: class {
      getCameraImage() {
        return hasPicture ? 'picture' : null;
      }
    },
  });
});

/** One frame of the device: where it is, and what it points at. */
const frame = async (at: Place | null, hit: Place | null, now = 0): Promise<void> => {
  const view = (eye: number) => ({
    eye,
    transform: at,
    camera: { width: 4, height: 8 },
    // Opens by 90 degrees upwards, half as wide.
    projectionMatrix: Float32Array.of(2, 0, 0, 0, 0, 1, 0, 0, 0, 0, -1, -1, 0, 0, 0, 0),
  });
  const { callback } = session;
  session.callback = null;
  callback!(now, {
    getViewerPose: () => at && { views: [view(0), view(1)] },
    getHitTestResults: () => (hit ? [{ getPose: () => ({ transform: hit }) }] : []),
    getPose: () => anchorAt && { transform: anchorAt },
    createAnchor: () => {
      const anchor = { deleted: false, anchorSpace: {}, delete: () => void (anchor.deleted = true) };
      anchors.push(anchor);
      return Promise.resolve(anchor);
    },
  } as unknown as XRFrame);
  await new Promise(setImmediate);
};

interface Seen {
  readonly frames: TrackFrame[];
  readonly errors: IconiaError[];
  readonly states: CameraState[];
  readonly drawn: unknown[];
  ends: number;
}
const opened = (): { camera: WorldCamera; seen: Seen; starting: Promise<void> } => {
  const seen: Seen = { frames: [], errors: [], states: [], drawn: [], ends: 0 };
  const screen: WorldScreen = {
    gl: { makeXRCompatible: () => Promise.resolve() } as unknown as WebGL2RenderingContext,
    over: {} as HTMLElement,
    begin: (width, height) => void seen.drawn.push([width, height]),
    draw: (picture, into) => void seen.drawn.push([picture, into]),
    end: () => void seen.ends++,
  };
  const camera = new WorldCamera(
    {
      onFrame: (one) => void seen.frames.push(one),
      onState: (state) => void seen.states.push(state),
      onError: (error) => void seen.errors.push(error),
    },
    ['floor'],
    screen,
  );
  const starting = camera.start();
  starting.catch(() => undefined);
  return { camera, seen, starting };
};
const settle = () => new Promise(setImmediate);
const floor = place(0, -1.4, -2);

describe('its frames', () => {
  test('begin with the first picture; they say where the camera is, how it opens, and what lies there', async () => {
    const { seen, starting } = opened();
    await settle();
    await frame(place(0.1, 0, 0), floor, 500);
    await starting;
    await frame(place(0.2, 0, 0), floor, 1000);
    expect(seen.states).toEqual(['starting', 'tracking', 'tracking']);
    const [, last] = seen.frames;
    expect(last!.time).toBeCloseTo(0.5);
    expect(last!.camera.pose.position).toEqual([0.2, 0, 0]);
    expect([last!.camera.fovY, last!.camera.aspect]).toEqual([expect.closeTo(90), 0.5]);
    expect(last!.surfaces.map((s) => s.kind)).toEqual(['floor']);
    expect(seen.drawn).toEqual([
      [400, 800],
      ['picture', 'screen'],
      ['picture', 'screen'],
    ]);
  });
  test('one that does not know where it is, or has no picture, changes nothing', async () => {
    const { seen, starting } = opened();
    await settle();
    await frame(null, null);
    expect(seen.frames).toHaveLength(0);
    await frame(place(0, 0, 0), floor);
    await starting;
    await frame(null, null);
    hasPicture = false;
    await frame(place(0, 0, 0), floor);
    expect(seen.frames).toHaveLength(1);
    expect(seen.errors).toEqual([]);
  });
  test('large pictures are drawn smaller', async () => {
    nativeHeight = 2560;
    opened();
    await settle();
    expect(scales).toEqual([undefined, 0.5]);
  });
});

test('what was put down is held by the device, moves as that learns more, and is let go when it is lifted', async () => {
  const { camera } = opened();
  await settle();
  await frame(place(0, 0, 0), floor);
  expect(anchors).toHaveLength(0);
  expect(camera.room.tap({ x: 0.5, y: 0.95 }, { fovY: 90, aspect: 0.5 })).toBe(true);
  const { pose } = camera.room.seen[0]!;
  await frame(place(0, 0, 0), null);
  expect(anchors).toHaveLength(1);
  expect(camera.room.seen[0]!.pose).toEqual(pose);
  anchorAt = place(0.3, -1.42, -2);
  await frame(place(0, 0, 0), null);
  expect(camera.room.seen[0]!.pose.position).toEqual([0.3, -1.42, -2]);
  camera.room.placeAgain();
  await frame(place(0, 0, 0), null);
  expect(anchors[0]!.deleted).toBe(true);
});

describe('where it cannot be used', () => {
  test('the viewer refused: they are told how to allow it', async () => {
    request = () => Promise.reject(Object.assign(new Error(), { name: 'NotAllowedError' }));
    await expect(opened().starting).rejects.toMatchObject({ code: 'camera.refused' });
  });
  test.each([
    ['the browser knows no such session', () => (request = () => Promise.reject(new Error('no')))],
    ['two eyes see it', () => (eyes = 2)],
    ['no camera picture comes', () => (hasPicture = false)],
    ['no camera picture may be had', () => Object.assign(globalThis, { XRWebGLBinding: undefined })],
    ['nothing can be hit', () => Object.assign(session, { requestHitTestSource: undefined })],
  ])('%s: it says that it does not measure, and the session is over', async (_, spoil) => {
    spoil();
    const { starting, seen } = opened();
    await settle();
    if (session.callback) await frame(place(0, 0, 0), floor);
    await expect(starting).rejects.toMatchObject({ code: 'world.unavailable' });
    expect(seen.frames).toHaveLength(0);
    expect(seen.errors).toEqual([]);
  });
  test('a browser without it, or one that throws when asked, measures nothing', async () => {
    const set = (xr: unknown) =>
      Object.defineProperty(globalThis, 'navigator', { configurable: true, value: { xr } });
    set(undefined);
    expect(await mayMeasure()).toBe(false);
    set({ isSessionSupported: () => Promise.reject(new Error('policy')) });
    expect(await mayMeasure()).toBe(false);
  });
});

describe('its end', () => {
  test('closed by the viewer it says so once', async () => {
    const { seen, starting } = opened();
    await settle();
    await frame(place(0, 0, 0), floor);
    await starting;
    await session.end();
    expect(seen.errors.map((e) => e.code)).toEqual(['camera.left']);
    expect(seen.ends).toBe(1);
  });
  test('stopped by the page it says nothing, ends the session, and draws no more', async () => {
    const { camera, seen, starting } = opened();
    await settle();
    await frame(place(0, 0, 0), floor);
    await starting;
    camera.stop();
    expect([session.ended, seen.errors, seen.ends]).toEqual([1, [], 1]);
    await frame(place(0, 0, 0), floor);
    expect(seen.frames).toHaveLength(1);
  });
  test('stopped while it opens, the session that comes is ended', async () => {
    let give!: (session: unknown) => void;
    request = () => new Promise((done) => (give = done));
    const { camera, seen, starting } = opened();
    camera.stop();
    give(session);
    await starting;
    expect([session.ended, seen.errors, seen.ends]).toEqual([1, [], 0]);
  });
});
