/** Where work could be lost: saves under way, other windows, servers that are away or refuse, browsers that keep nothing. */
import { beforeEach, describe, expect, test } from '@jest/globals';
import { changeObject } from '../../core/edits/object-edits';
import { edit } from '../../core/document/edit';
import { renameEffect } from '../../core/edits/effect-edits';
import { applyPatch, diff, type Patch } from '../../core/document/patch';
import { sampleEffect } from '../../core/document/sample';
import type { Effect, ObjectId } from '../../core/document/schema';
import { IconiaError } from '../../core/errors';
import { Stale, Unreachable, type EffectRecord } from '../api/client';
import { EffectSession } from './effect-session';
import type { KeptWork, Unsaved, UnsavedWork } from './unsaved-work';

const A = 'obj_sample0' as ObjectId;
/** How opaque the first card is. */
const opaque = (opacity: number) =>
  edit('Opacity', (d) => {
    Object.assign(d.objects[A]!, { opacity });
  });
const settle = async (): Promise<void> => {
  for (let i = 0; i < 30; i++) await Promise.resolve();
};

/** A server that holds effects with all their revisions, and fails as it is told to. */
class FakeServer {
  readonly effects = new Map<string, Effect[]>();
  failWith: (() => Error) | null = null;
  failCreate: (() => Error) | null = null;
  /** Saves wait for this. */
  held: Promise<void> | null = null;
  sent: { id: string; revision: number; patch: Patch }[] = [];

  put(id: string, effect: Effect): EffectRecord {
    this.effects.set(id, [...(this.effects.get(id) ?? []), effect]);
    return this.record(id);
  }
  record(id: string): EffectRecord {
    const all = this.effects.get(id)!;
    return { id, revision: all.length, effect: all.at(-1)!, updatedAt: '' };
  }
  async save(id: string, revision: number, patch: Patch): Promise<number> {
    this.sent.push({ id, revision, patch });
    await this.held;
    if (this.failWith) throw this.failWith();
    const now = this.record(id);
    if (now.revision !== revision) throw new Stale(now.revision, now.effect);
    return this.put(id, applyPatch(now.effect, patch)).revision;
  }
  async create(effect: Effect): Promise<EffectRecord> {
    if (this.failCreate) throw this.failCreate();
    return this.put(`copy-${this.effects.size}`, effect);
  }
  async at(id: string, revision: number): Promise<Effect | null> {
    return this.effects.get(id)?.[revision - 1] ?? null;
  }
  named(name: string): Effect | undefined {
    return [...this.effects.values()].map((all) => all.at(-1)!).find((e) => e.name === name);
  }
}
/** What sessions keep stands under their effect's id, what others have left behind a blank. */
class FakeWork implements UnsavedWork {
  readonly kept = new Map<string, Unsaved>();
  writes = 0;
  full = false;
  of(id: string): KeptWork {
    return {
      key: id,
      left: async () =>
        [...this.kept].flatMap(([key, work]) => (key.startsWith(`${id} `) ? [{ ...work, key }] : [])),
      write: async (work) => {
        if (this.full) throw new Error('QuotaExceededError');
        this.writes++;
        this.kept.set(id, work);
      },
      forget: async (keys) => keys.forEach((key) => this.kept.delete(key)),
    };
  }
}

let server: FakeServer;
let work: FakeWork;
let timers: { run: () => void; at: number }[];
let clock: number;
const open = (id: string): EffectSession =>
  new EffectSession(server.record(id), {
    server,
    work,
    now: () => 1_700_000_000_000,
    later: (run, after) => {
      const timer = { run, at: clock + after };
      timers.push(timer);
      return () => {
        timers = timers.filter((t) => t !== timer);
      };
    },
    onChange: () => {},
  });
/** Lets time pass. */
const pass = async (milliseconds: number): Promise<void> => {
  const end = clock + milliseconds;
  for (;;) {
    await settle();
    const next = timers.filter((t) => t.at <= end).sort((a, b) => a.at - b.at)[0];
    if (!next) break;
    timers = timers.filter((t) => t !== next);
    clock = next.at;
    next.run();
  }
  clock = end;
  await settle();
};
const rename = (session: EffectSession, name: string) => session.edit(renameEffect(name), null);

beforeEach(() => {
  server = new FakeServer();
  work = new FakeWork();
  timers = [];
  clock = 0;
  server.put('one', sampleEffect(2, 1));
  server.put('two', { ...sampleEffect(1, 0), name: 'Two' });
});

describe('saving', () => {
  test('an edit is sent after a moment, and what was kept is forgotten', async () => {
    const session = open('one');
    rename(session, 'Kelp');
    expect([session.state, server.sent.length]).toEqual(['unsaved', 0]);
    await pass(1000);
    expect([session.state, session.isSaved, server.record('one').effect.name]).toEqual([
      'saved',
      true,
      'Kelp',
    ]);
    expect(work.kept.size).toBe(0);
  });
  test('edits made while a save is under way are sent after it, on the revision it gave', async () => {
    const session = open('one');
    let release = (): void => {};
    server.held = new Promise((done) => (release = done));
    rename(session, 'First');
    await pass(400);
    rename(session, 'Second');
    release();
    server.held = null;
    await pass(1000);
    expect(server.sent.map((s) => s.revision)).toEqual([1, 2]);
    expect(server.record('one').effect.name).toBe('Second');
  });
  test('a save under way when another effect is opened stays with its own effect', async () => {
    const first = open('one');
    let release = (): void => {};
    server.held = new Promise((done) => (release = done));
    rename(first, 'Late');
    await pass(400);
    const closing = first.close();
    const second = open('two');
    rename(second, 'Two, changed');
    server.held = null;
    release();
    await pass(1000);
    await closing;
    expect(server.record('one').effect.name).toBe('Late');
    expect(server.record('two').effect.name).toBe('Two, changed');
    expect(second.state).toBe('saved');
    rename(second, 'And again');
    await pass(1000);
    expect(server.record('two').effect.name).toBe('And again');
  });
  test('what was not yet sent is sent when the session is closed', async () => {
    const session = open('one');
    rename(session, 'Just before');
    await session.close();
    expect(server.record('one').effect.name).toBe('Just before');
    await pass(60_000);
    expect(server.sent).toHaveLength(1);
  });
});

describe('trouble', () => {
  test('a server that is away: kept, said, tried again by itself', async () => {
    server.failWith = () => new Unreachable('away');
    const session = open('one');
    rename(session, 'Away');
    await pass(1000);
    expect(session.state).toBe('offline');
    expect(work.kept.get('one')).toMatchObject({ revision: 1 });
    await expect(session.flush()).rejects.toBeInstanceOf(Unreachable);
    server.failWith = null;
    await pass(4000);
    expect([session.state, server.record('one').effect.name, work.kept.size]).toEqual(['saved', 'Away', 0]);
  });
  test('a refused save says why, in a state of its own, is tried again, and forgets the sentence when it is mended', async () => {
    server.failWith = () => new IconiaError('effect.unreadable', 'name: too long.');
    const session = open('one');
    rename(session, 'Refused');
    await pass(1000);
    expect(session.state).toBe('refused');
    expect(session.notice).toContain('name: too long.');
    await expect(session.flush()).rejects.toMatchObject({ code: 'effect.unreadable' });
    server.failWith = null;
    await pass(20_000);
    expect([session.state, session.notice, server.record('one').effect.name]).toEqual([
      'saved',
      null,
      'Refused',
    ]);
  });
  test('another window’s work that does not fit: mine becomes a copy; while that cannot be made nothing is given up', async () => {
    const session = open('one');
    session.edit(changeObject(session.effect, A, { visible: false }), null);
    const theirs = server.record('one').effect;
    server.put('one', applyPatch(theirs, diff(theirs, removed(theirs))));
    server.failCreate = () => new Unreachable('away');
    await pass(1000);
    expect([session.state, session.effect.objects[A]!.visible]).toEqual(['apart', false]);
    expect(work.kept.has('one')).toBe(true);
    await expect(session.flush()).rejects.toBeInstanceOf(Unreachable);
    server.failCreate = null;
    await pass(4000);
    expect(session.state).toBe('saved');
    expect(session.effect.objects[A]).toBeUndefined();
    expect(session.notice).toContain('kept as “Sample (kept copy)”');
    expect(server.named('Sample (kept copy)')!.objects[A]!.visible).toBe(false);
    // And it goes on from there.
    rename(session, 'Onwards');
    await pass(1000);
    expect(server.record('one').effect.name).toBe('Onwards');
  });
  test('work of both windows that fits is all there, and said so', async () => {
    const session = open('one');
    session.edit(changeObject(session.effect, A, { visible: false }), null);
    server.put('one', { ...server.record('one').effect, name: 'Theirs' });
    await pass(1000);
    const { effect } = server.record('one');
    expect([effect.name, effect.objects[A]!.visible]).toEqual(['Theirs', false]);
    expect(session.notice).toContain('Both changes are in it now');
  });
  test('the same field set in both windows is named with both values, and not called both', async () => {
    const session = open('one');
    session.edit(opaque(0.5), null);
    const theirs = server.record('one').effect;
    const objects = { ...theirs.objects, [A]: { ...theirs.objects[A]!, opacity: 0.25 } };
    server.put('one', { ...theirs, objects } as Effect);
    await pass(1000);
    expect(session.notice).toContain('opacity of Shell 0 is 0.5 here, 0.25 there');
    expect(session.notice).not.toContain('Both changes are in it');
    expect(server.record('one').effect.objects[A]).toMatchObject({ opacity: 0.5 });
  });
  test('it is said to be kept when the browser has it, and not before', async () => {
    server.failWith = () => new Unreachable('away');
    const session = open('one');
    rename(session, 'Kept soon');
    expect(session.isKept).toBe(false);
    await pass(1000);
    expect([session.state, session.isKept]).toEqual(['offline', true]);
    rename(session, 'Kept later');
    expect(session.isKept).toBe(false);
    await pass(1000);
    expect(session.isKept).toBe(true);
  });
  test('a browser that keeps nothing is known', async () => {
    work.full = true;
    server.failWith = () => new Unreachable('away');
    const session = open('one');
    rename(session, 'Nowhere');
    await pass(1000);
    expect([session.state, session.keepsHere]).toEqual(['offline', false]);
  });
  test('a drag of a hundred moves is written a few times, as a patch, not as two documents', async () => {
    server.failWith = () => new Unreachable('away');
    const session = open('one');
    for (let i = 0; i < 100; i++) {
      session.edit(changeObject(session.effect, A, { move: [i / 100, 0, 0] }), 'drag');
      await pass(16);
    }
    await pass(600);
    expect(work.writes).toBeLessThan(6);
    expect(JSON.stringify(work.kept.get('one')).length).toBeLessThan(400);
    expect(work.kept.get('one')!.patch).toEqual([
      { op: 'replace', path: `/objects/${A}/move/2`, value: 0 },
      { op: 'replace', path: `/objects/${A}/move/0`, value: 0.99 },
    ]);
  });
});

describe('work that had not reached the server', () => {
  let windows = 0;
  const kept = async (patchOf: (e: Effect) => Effect): Promise<void> => {
    const { effect, revision } = server.record('one');
    const left = { revision, patch: diff(effect, patchOf(effect)), at: 1_700_000_000_000 };
    work.kept.set(`one window${++windows}`, left);
  };
  test('is put back on the revision it stood on, and said', async () => {
    await kept((e) => ({ ...e, name: 'Recovered' }));
    const session = open('one');
    await session.recover();
    expect(session.effect.name).toBe('Recovered');
    expect(session.notice).toMatch(/had not reached the server is here again\./);
    session.undo();
    expect(session.effect.name).toBe('Sample');
    session.redo();
    await pass(1000);
    expect([server.record('one').effect.name, work.kept.size]).toEqual(['Recovered', 0]);
  });
  test('does not take back what another window did since: both are there, and it is said', async () => {
    await kept((e) => ({ ...e, listing: { ...e.listing, summary: 'Kept here' } }));
    server.put('one', { ...server.record('one').effect, name: 'Newer there' });
    const session = open('one');
    await session.recover();
    await pass(1000);
    const { effect } = server.record('one');
    expect([effect.name, effect.listing.summary]).toEqual(['Newer there', 'Kept here']);
    expect(session.notice).toContain('on top of what was changed elsewhere since');
  });
  test('a field that was set anew since is named with both values', async () => {
    await kept((e) => ({ ...e, name: 'Old work' }));
    server.put('one', { ...server.record('one').effect, name: 'Newer there' });
    const session = open('one');
    await session.recover();
    expect(session.notice).toContain('name is “Old work” here, “Newer there” there');
  });
  test('that does not fit becomes a copy, and the effect stays as it is', async () => {
    await kept((e) => applyPatch(e, [{ op: 'replace', path: `/objects/${A}/visible`, value: false }]));
    server.put('one', removed(server.record('one').effect));
    const session = open('one');
    await session.recover();
    expect(session.effect.objects[A]).toBeUndefined();
    expect(session.notice).toContain('kept as “Sample (unsaved work)”');
    expect(server.named('Sample (unsaved work)')!.objects[A]!.visible).toBe(false);
    expect(work.kept.size).toBe(0);
  });
  test('of two windows is all put back; what both set is named', async () => {
    await kept((e) => ({ ...e, name: 'First', listing: { ...e.listing, summary: 'Of the first' } }));
    await kept((e) => ({ ...e, name: 'Second', listing: { ...e.listing, tags: ['second'] } }));
    const session = open('one');
    await session.recover();
    expect(session.effect).toMatchObject({
      name: 'Second',
      listing: { summary: 'Of the first', tags: ['second'] },
    });
    expect(session.notice).toContain('is here again.');
    expect(session.notice).toContain('name is “Second” here, “First” there');
    await pass(1000);
    expect([server.record('one').effect.name, work.kept.size]).toEqual(['Second', 0]);
  });
  test('of two windows, one of which does not fit: its copy is made once, whatever becomes of the other', async () => {
    await kept((e) => applyPatch(e, [{ op: 'replace', path: `/objects/${A}/visible`, value: false }]));
    await kept((e) => ({ ...e, listing: { ...e.listing, summary: 'Fits' } }));
    server.put('one', removed(server.record('one').effect));
    server.failWith = () => new Unreachable('away');
    const session = open('one');
    await session.recover();
    await pass(1000);
    expect(session.effect.listing.summary).toBe('Fits');
    // The copy's is gone; the other is kept until the server has it.
    expect([...work.kept.keys()].filter((key) => key !== 'one')).toHaveLength(1);
    expect(session.notice).toMatch(/kept as “Sample \(unsaved work\)” on Home\. Work of .* is here again/);
  });
  test('that is here already, of a window that was killed before it could forget it, is not said again', async () => {
    await kept((e) => ({ ...e, name: 'Saved' }));
    server.put('one', { ...server.record('one').effect, name: 'Saved' });
    const session = open('one');
    await session.recover();
    expect([session.notice, session.isSaved, work.kept.size]).toEqual([null, true, 0]);
  });
  test('stays in the browser while the copy cannot be made', async () => {
    await kept((e) => applyPatch(e, [{ op: 'replace', path: `/objects/${A}/visible`, value: false }]));
    server.put('one', removed(server.record('one').effect));
    server.failCreate = () => new Unreachable('away');
    const session = open('one');
    await session.recover();
    expect(session.notice).toContain('could not be put back yet');
    expect(work.kept.size).toBe(1);
  });
});

const removed = (effect: Effect): Effect => {
  const copy = structuredClone(effect) as { objects: Record<string, unknown>; cues: Record<string, unknown> };
  delete copy.objects[A];
  copy.cues = {};
  return copy as unknown as Effect;
};
