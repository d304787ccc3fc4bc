/** Take, camera, facing and microphone: whatever is wished while something else is on its way. */
import { beforeEach, describe, expect, test } from '@jest/globals';
import { IconiaError } from '../core/errors';
import { fromAxisAngle } from '../core/maths/quaternion';
import { AssumedRoom } from '../core/placing/assumed-room';
import { FIRST_TAKE } from '../core/takes/library';
import type { CameraEvents, CameraNeeds, Facing } from './live-camera';
import { LiveInput, type InputCamera, type InputMicrophone, type Needs } from './live-input';
import type { SoughtPicture } from './picture-finder';

class FakeCamera implements InputCamera {
  readonly picture = {} as HTMLCanvasElement;
  readonly stream = null;
  people = null;
  room: InputCamera['room'] = null;
  stopped = false;
  needs: CameraNeeds | null = null;
  open!: () => void;
  refuse!: (error: Error) => void;
  private readonly opening = new Promise<void>((done, fail) =>
    Object.assign(this, { open: done, refuse: fail }),
  );
  constructor(
    readonly events: CameraEvents,
    readonly facing: Facing,
  ) {}
  start(): Promise<void> {
    return this.opening;
  }
  stop(): void {
    this.stopped = true;
  }
  need(needs: CameraNeeds): void {
    this.needs = needs;
  }
}
class FakeMicrophone implements InputMicrophone {
  stopped = false;
  loudness = 0.4;
  allow!: () => void;
  refuse!: (error: Error) => void;
  private readonly opening = new Promise<void>((done, fail) =>
    Object.assign(this, { allow: done, refuse: fail }),
  );
  start(): Promise<void> {
    return this.opening;
  }
  stop(): void {
    this.stopped = true;
  }
}
let cameras: FakeCamera[];
let microphones: FakeMicrophone[];
let input: LiveInput;
beforeEach(() => {
  cameras = [];
  microphones = [];
  input = new LiveInput({
    onChange: () => {},
    camera: (events, facing) => {
      const camera = new FakeCamera(events, facing);
      cameras.push(camera);
      return camera;
    },
    microphone: () => {
      const microphone = new FakeMicrophone();
      microphones.push(microphone);
      return microphone;
    },
  });
});
const FACES: Needs = {
  faces: 1,
  hands: 0,
  pictures: [],
  surfaces: [],
  people: false,
  colours: false,
  microphone: false,
};
const PICTURE: SoughtPicture = {
  id: 1,
  name: 'Card',
  key: 'abc',
  load: () => Promise.reject(new Error()),
  made: null,
};
const settle = () => new Promise(setImmediate);
const opened = async (): Promise<FakeCamera> => {
  const opening = input.useCamera();
  cameras.at(-1)!.open();
  expect(await opening).toBe(true);
  return cameras.at(-1)!;
};

describe('one machine for take and camera', () => {
  test('opens, gives frames, goes back to the take', async () => {
    const camera = await opened();
    camera.events.onFrame(FIRST_TAKE.frameAt(1));
    expect([input.source, input.frame?.time]).toEqual(['camera', 1]);
    input.useTake();
    expect([input.source, input.frame, input.camera, camera.stopped]).toEqual(['take', null, null, true]);
  });
  test('a camera that was wished away while it opened is closed, and never shown', async () => {
    const opening = input.useCamera();
    input.useTake();
    cameras[0]!.open();
    expect(await opening).toBe(false);
    expect([input.source, input.state, cameras[0]!.stopped]).toEqual(['take', null, true]);
    cameras[0]!.events.onFrame(FIRST_TAKE.frameAt(2));
    cameras[0]!.events.onError(new IconiaError('camera.lost', 'late'));
    expect([input.frame, input.problem]).toEqual([null, null]);
  });
  test('flipped while the first opens: only the last one is shown', async () => {
    const first = input.useCamera('user');
    const second = input.useCamera('environment');
    cameras[1]!.open();
    cameras[0]!.open();
    expect([await first, await second]).toEqual([false, true]);
    expect([cameras[0]!.stopped, cameras[1]!.stopped, input.facing]).toEqual([true, false, 'environment']);
  });
  test('one that cannot be opened, or goes away, says why and leaves the take', async () => {
    const opening = input.useCamera();
    cameras[0]!.refuse(new IconiaError('camera.refused', 'Not allowed.'));
    expect(await opening).toBe(false);
    expect([input.source, input.problem]).toEqual(['take', 'Not allowed.']);
    const camera = await opened();
    expect(input.problem).toBeNull();
    camera.events.onError(new IconiaError('camera.lost', 'It went away.'));
    expect([input.source, input.problem, camera.stopped]).toEqual(['take', 'It went away.', true]);
  });
  test('that the floor is guessed is said until things are put down; another problem stays', async () => {
    const camera = await opened();
    const room = new AssumedRoom(['floor']);
    camera.room = room;
    room.turn(fromAxisAngle([1, 0, 0], -25));
    camera.events.onGuessedRoom!();
    camera.events.onFrame(FIRST_TAKE.frameAt(1));
    expect(input.problem).toMatch(/guessed/);
    room.tap({ x: 0.5, y: 0.6 }, { fovY: 60, aspect: 1 });
    expect(room.state).toBe('placed');
    camera.events.onFrame(FIRST_TAKE.frameAt(1.1));
    expect(input.problem).toBeNull();
    camera.events.onTrackerLost!(new IconiaError('tracker.failed', 'The face tracker cannot go on.'));
    camera.events.onFrame(FIRST_TAKE.frameAt(1.2));
    expect(input.problem).toBe('The face tracker cannot go on.');
  });
  test('people are looked for, and the microphone asked for, only where they are needed', async () => {
    input.need({ ...FACES, people: true, microphone: true });
    expect(microphones).toEqual([]);
    const camera = await opened();
    expect(camera.needs?.people).toBe(true);
    microphones[0]!.allow();
    await settle();
    expect(input.loudness).toBe(0.4);
    input.need({ ...FACES, people: false, microphone: false });
    expect([camera.needs?.people, microphones[0]!.stopped, input.loudness]).toEqual([false, true, null]);
  });
  test('a microphone that is allowed after the camera went is closed at once', async () => {
    input.need({ ...FACES, people: false, microphone: true });
    await opened();
    input.useTake();
    microphones[0]!.allow();
    await settle();
    expect([microphones[0]!.stopped, input.loudness]).toEqual([true, null]);
  });
  test('a microphone that is refused: the camera goes on, and it is said', async () => {
    input.need({ ...FACES, people: false, microphone: true });
    await opened();
    microphones[0]!.refuse(new Error('NotAllowedError'));
    await settle();
    expect([input.source, input.problem]).toEqual(['camera', expect.stringContaining('hears nothing')]);
  });
  test('a camera is told what to look for before it opens, and whenever that changes', async () => {
    input.need({ ...FACES, faces: 0, pictures: [PICTURE] });
    const opening = input.useCamera();
    expect(cameras[0]!.needs).toMatchObject({ faces: 0, pictures: [{ id: 1 }] });
    cameras[0]!.open();
    await opening;
    expect(input.seeks).toBe('picture');
    input.need({ ...FACES, pictures: [PICTURE] });
    expect(cameras[0]!.needs).toMatchObject({ faces: 1, pictures: [{ id: 1 }] });
    expect(input.seeks).toBe('several');
    const before = cameras[0]!.needs;
    input.need({ ...FACES, pictures: [{ ...PICTURE }] });
    expect(cameras[0]!.needs).toBe(before);
  });
  test('a printed picture lies before the viewer: the camera away from them, until they choose one', async () => {
    input.need({ ...FACES, faces: 0, pictures: [PICTURE] });
    expect(input.facing).toBe('environment');
    input.need(FACES);
    expect(input.facing).toBe('user');
    await input.flip();
    await input.flip();
    input.need({ ...FACES, faces: 0, pictures: [PICTURE] });
    expect(input.facing).toBe('user');
  });
  test('a tracker that stops is said; the camera goes on', async () => {
    const camera = await opened();
    camera.events.onTrackerLost!(new IconiaError('tracker.failed', 'The picture tracker stopped.'));
    expect([input.source, input.problem]).toEqual(['camera', 'The picture tracker stopped.']);
  });
});

describe('a camera that measures the room', () => {
  const FLOOR: Needs = { ...FACES, faces: 0, surfaces: ['floor'] };
  let worlds: FakeCamera[];
  const make = (isThere: boolean): void => {
    worlds = [];
    input = new LiveInput({
      onChange: () => {},
      camera: (events, facing) => {
        const camera = new FakeCamera(events, facing);
        cameras.push(camera);
        return camera;
      },
      world: (events) => {
        if (!isThere) return null;
        const world = new FakeCamera(events, 'environment');
        worlds.push(world);
        return world;
      },
    });
  };
  test('is opened for what only stands in a room, instead of the other', async () => {
    make(true);
    input.need(FLOOR);
    const opening = input.useCamera();
    worlds[0]!.open();
    expect(await opening).toBe(true);
    expect([input.camera, cameras.length, input.problem]).toEqual([worlds[0], 0, null]);
    input.useTake();
    expect(worlds[0]!.stopped).toBe(true);
  });
  test.each([
    ['a face', { ...FLOOR, faces: 1 }],
    ['a hand', { ...FLOOR, hands: 1 }],
    ['a printed picture', { ...FLOOR, pictures: [PICTURE] }],
    ['people', { ...FLOOR, people: true }],
    ['no room', { ...FACES, faces: 0 }],
  ] as const)('is not for an effect that needs %s too', async (_, needs) => {
    make(true);
    input.need(needs);
    const opening = input.useCamera('environment');
    cameras[0]!.open();
    expect(await opening).toBe(true);
    expect(worlds).toHaveLength(0);
  });
  test('where there is none the room is assumed, without a word; nor is it there for the camera that looks at the viewer', async () => {
    make(false);
    input.need(FLOOR);
    const opening = input.useCamera();
    cameras[0]!.open();
    expect(await opening).toBe(true);
    expect(input.problem).toBe(null);
    make(true);
    input.need(FLOOR);
    void input.useCamera('user');
    expect(worlds).toHaveLength(0);
  });
  test('one that turns out not to measure: the other is opened, and the viewer is told until things are put down', async () => {
    make(true);
    input.need(FLOOR);
    const opening = input.useCamera();
    worlds[0]!.refuse(new IconiaError('world.unavailable', 'no'));
    await settle();
    expect(worlds[0]!.stopped).toBe(true);
    const [camera] = cameras;
    camera!.open();
    expect(await opening).toBe(true);
    expect(input.problem).toMatch(/could not measure the room/);
    const room = new AssumedRoom(['floor']);
    camera!.room = room;
    room.turn(fromAxisAngle([1, 0, 0], -30));
    room.tap({ x: 0.5, y: 0.5 }, { fovY: 60, aspect: 1 });
    camera!.events.onFrame(FIRST_TAKE.frameAt(0));
    expect(input.problem).toBe(null);
  });
  test('one that the viewer refuses is not asked for another way', async () => {
    make(true);
    input.need(FLOOR);
    const opening = input.useCamera();
    worlds[0]!.refuse(new IconiaError('camera.refused', 'Allow it.'));
    expect(await opening).toBe(false);
    expect([input.problem, input.source, cameras.length]).toEqual(['Allow it.', 'take', 0]);
  });
});
