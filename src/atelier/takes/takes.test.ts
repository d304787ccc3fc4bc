import { beforeEach, describe, expect, test } from '@jest/globals';
import { FIRST_TAKE, SHIPPED_TAKES } from '../../core/takes/library';
import { kindsOf, sortOf } from '../stores/takes';
import { useTakeDraft } from './use-take-draft';

/** The part of the browser's storage that drafts use. */
class FakeStorage {
  readonly kept = new Map<string, string>();
  getItem = (key: string) => this.kept.get(key) ?? null;
  setItem = (key: string, value: string) => void this.kept.set(key, value);
  removeItem = (key: string) => void this.kept.delete(key);
}
let storage: FakeStorage;
beforeEach(() => {
  storage = new FakeStorage();
  Object.assign(globalThis, { localStorage: storage });
});
const settled = () => new Promise((next) => setTimeout(next, 0));
const spec = FIRST_TAKE.spec;

describe('a take in the making', () => {
  test('undo and redo bring every step back, a gesture is one step', () => {
    const draft = useTakeDraft('new', spec);
    draft.change('choose a light', { light: 'dim' });
    for (const name of ['M', 'Mi', 'Mine']) draft.change('rename the take', { name }, 'name');
    expect(draft.spec.value).toMatchObject({ light: 'dim', name: 'Mine' });
    draft.undo();
    expect(draft.spec.value).toMatchObject({ light: 'dim', name: spec.name });
    expect(draft.redoLabel.value).toBe('rename the take');
    draft.undo();
    expect(draft.spec.value).toEqual(spec);
    expect(draft.undoLabel.value).toBeNull();
    draft.undo();
    draft.redo();
    draft.redo();
    expect(draft.spec.value.name).toBe('Mine');
    draft.redo();
    expect(draft.redoLabel.value).toBeNull();
  });
  test('after the end of a gesture the same gesture is a new step', () => {
    const draft = useTakeDraft('new', spec);
    draft.change('change the length', { duration: 13 }, 'length');
    draft.endGesture();
    draft.change('change the length', { duration: 14 }, 'length');
    draft.undo();
    expect(draft.spec.value.duration).toBe(13);
  });
  test('a new edit forgets what was undone', () => {
    const draft = useTakeDraft('new', spec);
    draft.change('choose a room', { room: 'paper' });
    draft.undo();
    draft.change('choose a light', { light: 'dim' });
    expect(draft.redoLabel.value).toBeNull();
  });
  test('what is wrong is said once, and the last good take goes on playing', () => {
    const draft = useTakeDraft('new', spec);
    expect(draft.problems.value).toEqual([]);
    const good = draft.take.value;
    draft.change('rename', { name: '  ' });
    expect(draft.problems.value).toEqual(['Give the take a name.']);
    expect(draft.take.value).toBe(good);
    draft.change('rename', { name: 'Named' });
    expect(draft.problems.value).toEqual([]);
    expect(draft.take.value.name).toBe('Named');
  });
  test('people in one place and an empty room are warned of, but no hindrance', () => {
    const draft = useTakeDraft('new', spec);
    const [marin] = spec.cast;
    draft.change('add', { cast: [marin!, { ...marin!, performer: 'piet' }] });
    expect(draft.warnings.value[0]).toMatch(/^Marin and Piet stand in each other/);
    draft.change('remove all', { cast: [] });
    expect(draft.warnings.value[0]).toMatch(/nothing before the camera/);
    draft.change('choose a room', { room: 'garden' });
    expect(draft.warnings.value).toEqual([]);
    expect(draft.problems.value).toEqual([]);
  });
  test('an unsaved draft survives; a saved one and an unchanged one leave nothing behind', async () => {
    const draft = useTakeDraft('abc', spec);
    draft.change('rename', { name: 'Kept' });
    await settled();
    expect(useTakeDraft('abc', spec).spec.value.name).toBe('Kept');
    expect(useTakeDraft('other', spec).spec.value.name).toBe(spec.name);
    draft.undo();
    await settled();
    expect(storage.kept.size).toBe(0);
    draft.change('rename', { name: 'Saved' });
    await settled();
    draft.saved(draft.spec.value);
    await settled();
    expect(storage.kept.size).toBe(0);
    expect(draft.changed.value).toBe(false);
  });
  test('a draft that was spoilt in the browser is left aside', () => {
    storage.setItem('iconia.take-draft.abc', '{"name": 3}');
    expect(useTakeDraft('abc', spec).spec.value).toEqual(spec);
    storage.setItem('iconia.take-draft.abc', 'no JSON');
    expect(useTakeDraft('abc', spec).spec.value).toEqual(spec);
  });
});

describe('sorting takes', () => {
  const sort = (id: string) => sortOf(SHIPPED_TAKES.find((t) => t.id === id)!);
  test('by what is before the camera', () => {
    expect(sort('neutral')).toBe('face');
    expect(sort('skin-tones')).toBe('face');
    expect(sort('two-people')).toBe('people');
    expect(sort('garden-path')).toBe('world');
    expect(sort('picture-tilting')).toBe('picture');
  });
  test('what happens is named once, in a fixed order', () => {
    expect(kindsOf(FIRST_TAKE)).toEqual(['turned', 'mouthOpen', 'pucker', 'browsUp', 'eyesClosed']);
    for (const take of SHIPPED_TAKES) expect(new Set(kindsOf(take)).size).toBe(kindsOf(take).length);
  });
  test('every kind of mark can be found by the filter', () => {
    const marked = new Set(SHIPPED_TAKES.flatMap((t) => t.marks.map((m) => m.kind)));
    const found = new Set(SHIPPED_TAKES.flatMap((t) => kindsOf(t)));
    expect([...marked].filter((k) => !found.has(k))).toEqual([]);
  });
});
