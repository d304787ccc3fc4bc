/** The page's side of the reading worker: cancelling, giving up, crashing, and never losing other work over it. */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import * as Comlink from 'comlink';
import { IconiaError } from '../core/errors';
import { Cancelled, IntakeClient } from './intake-client';
import type { PlannedJob } from './intake-worker';

type Answering = { read(job: PlannedJob, hooks: { progress(share: number): void }): Promise<unknown> };

/** Answers as the test says, on the other end of a message channel. */
let answering: Answering;
const workers: FakeWorker[] = [];

class FakeWorker {
  readonly port: MessagePort;
  readonly other: MessagePort;
  terminated = false;
  private readonly onError = new Set<(event: ErrorEvent) => void>();
  constructor() {
    const { port1, port2 } = new MessageChannel();
    [this.port, this.other] = [port1, port2];
    Comlink.expose({ read: (...args: Parameters<Answering['read']>) => answering.read(...args) }, this.other);
    this.port.start();
    workers.push(this);
  }
  postMessage(message: unknown, transfer: Transferable[] = []): void {
    if (!this.terminated) this.port.postMessage(message, transfer);
  }
  addEventListener(kind: string, listener: (event: never) => void): void {
    if (kind === 'error') this.onError.add(listener as (event: ErrorEvent) => void);
    else this.port.addEventListener(kind as 'message', listener as never);
  }
  removeEventListener(kind: string, listener: (event: never) => void): void {
    if (kind === 'error') this.onError.delete(listener as (event: ErrorEvent) => void);
    else this.port.removeEventListener(kind as 'message', listener as never);
  }
  terminate(): void {
    this.terminated = true;
    this.port.close();
    this.other.close();
  }
  crash(message: string): void {
    for (const listener of [...this.onError]) listener({ message, preventDefault: () => {} } as ErrorEvent);
  }
}

const job = (name: string): PlannedJob => ({ name, path: name, kind: 'picture' }) as unknown as PlannedJob;
const done = (name: string) => ({
  ok: true,
  value: { drafts: [], notes: [name], artwork: null, sheet: null },
});
const never = new Promise<unknown>(() => {});
const settled = () => new Promise((resolve) => setTimeout(resolve, 20));

const clients: IntakeClient[] = [];
const client = (file = 30, drawing = 30): IntakeClient => {
  const made = new IntakeClient({ file, drawing });
  clients.push(made);
  return made;
};

beforeEach(() => {
  workers.length = 0;
  Object.assign(globalThis, { Worker: FakeWorker });
});
afterEach(() => {
  for (const worker of workers) worker.terminate();
  Reflect.deleteProperty(globalThis, 'Worker');
});

describe('reading in the worker', () => {
  test('what it answers comes back, with progress on the way', async () => {
    const shares: number[] = [];
    answering = {
      read: async ({ name }, hooks) => {
        await hooks.progress(0.5);
        return done(name);
      },
    };
    const read = await client().read(job('crown.png'), { progress: (share) => shares.push(share) });
    expect(read.notes).toEqual(['crown.png']);
    expect(shares).toEqual([0.5]);
  });
  test('a refusal is thrown with its code and sentence; the worker lives on', async () => {
    answering = {
      read: () => Promise.resolve({ ok: false, code: 'picture.broken', message: 'a.png is damaged.' }),
    };
    const intake = client();
    await expect(intake.read(job('a.png'))).rejects.toMatchObject({
      code: 'picture.broken',
      message: 'a.png is damaged.',
    });
    answering = { read: ({ name }) => Promise.resolve(done(name)) };
    await intake.read(job('b.png'));
    expect(workers).toHaveLength(1);
  });
  test('cancelling ends the worker at once; the next file gets a new one', async () => {
    answering = { read: () => never };
    const intake = client();
    const abort = new AbortController();
    const reading = intake.read(job('huge.psd'), { signal: abort.signal });
    await settled();
    abort.abort();
    await expect(reading).rejects.toBeInstanceOf(Cancelled);
    expect(workers[0]!.terminated).toBe(true);
    answering = { read: ({ name }) => Promise.resolve(done(name)) };
    expect((await intake.read(job('b.png'))).notes).toEqual(['b.png']);
    expect(workers).toHaveLength(2);
  });
  test('what was cancelled before it began starts no worker', async () => {
    const abort = new AbortController();
    abort.abort();
    await expect(client().read(job('a.png'), { signal: abort.signal })).rejects.toBeInstanceOf(Cancelled);
    expect(workers).toHaveLength(0);
  });
  test('a file that takes too long is given up, with its name', async () => {
    answering = { read: () => never };
    const reading = client(0.05).read(job('slow.fbx'));
    await expect(reading).rejects.toBeInstanceOf(IconiaError);
    await expect(reading).rejects.toThrow(/^slow\.fbx took longer than 0\.05 seconds/);
    expect(workers[0]!.terminated).toBe(true);
  });
  test('a drawing is given up sooner than other files', async () => {
    answering = { read: () => never };
    const reading = client(30, 0.05).read({ ...job('waves.svg'), kind: 'drawing' });
    await expect(reading).rejects.toThrow(/^waves\.svg took longer than 0\.05 seconds/);
    expect(workers[0]!.terminated).toBe(true);
  });
  test('a reader that stops says so, with the name of the file', async () => {
    answering = { read: () => never };
    const reading = client().read(job('odd.glb'));
    const said = expect(reading).rejects.toThrow('odd.glb could not be read: out of memory.');
    await settled();
    workers[0]!.crash('out of memory');
    await said;
    expect(workers[0]!.terminated).toBe(true);
  });
  test('cancelling one piece of work does not lose another: it starts again in a new worker', async () => {
    const asked: string[] = [];
    answering = {
      read: ({ name }) => {
        asked.push(name);
        return name === 'wanted.png' && asked.filter((n) => n === name).length > 1
          ? Promise.resolve(done(name))
          : never;
      },
    };
    const intake = client();
    const abort = new AbortController();
    const unwanted = intake.read(job('unwanted.psd'), { signal: abort.signal });
    const wanted = intake.read(job('wanted.png'));
    await settled();
    abort.abort();
    await expect(unwanted).rejects.toBeInstanceOf(Cancelled);
    expect((await wanted).notes).toEqual(['wanted.png']);
    expect(asked).toEqual(['unwanted.psd', 'wanted.png', 'wanted.png']);
    expect(workers.map((w) => w.terminated)).toEqual([true, false]);
  });
});
