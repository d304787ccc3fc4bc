import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { changeObject, removeObject } from '../edits/object-edits';
import { applyEdit, edit } from './edit';
import { renameEffect } from '../edits/effect-edits';
import { mergeOnto } from './merge';
import { sampleEffect } from './sample';
import { effectSchema, type Effect, type ObjectId } from './schema';

const A = 'obj_sample0' as ObjectId;
/** How opaque the first card is. */
const opaque = (opacity: number) =>
  edit('Opacity', (d) => {
    Object.assign(d.objects[A]!, { opacity });
  });
const B = 'obj_sample1' as ObjectId;
const base = sampleEffect(2, 1);
const edited = (effect: Effect, ...edits: Parameters<typeof applyEdit>[1][]): Effect =>
  edits.reduce((e, edit) => applyEdit(e, edit).effect, effect);

describe('merging two lines of work', () => {
  test('changes in different places are both kept, and nothing is told', () => {
    const mine = edited(base, changeObject(base, A, { move: [1, 2, 3] }));
    const theirs = edited(base, renameEffect('Theirs'), changeObject(base, B, { visible: false }));
    const { effect, clashes } = mergeOnto(base, mine, theirs)!;
    expect(effect.name).toBe('Theirs');
    expect(effect.objects[A]!.move).toEqual([1, 2, 3]);
    expect(effect.objects[B]!.visible).toBe(false);
    expect(clashes).toEqual([]);
  });
  test('the same field set in both: mine, and it is told with both values', () => {
    const mine = edited(base, renameEffect('Mine'), opaque(0.5));
    const theirs = edited(base, renameEffect('Theirs'), opaque(0.25));
    const merged = mergeOnto(base, mine, theirs)!;
    expect(merged.effect.name).toBe('Mine');
    expect([...merged.clashes].sort((a, b) => a.path.length - b.path.length)).toEqual([
      { path: ['name'], mine: 'Mine', theirs: 'Theirs' },
      { path: ['objects', A, 'opacity'], mine: 0.5, theirs: 0.25 },
    ]);
  });
  test('the same field set to the same: no clash', () => {
    const both = edited(base, renameEffect('Same'));
    expect(mergeOnto(base, both, edited(base, renameEffect('Same')))!.clashes).toEqual([]);
  });
  test('nothing done here: theirs as it is', () => {
    const theirs = edited(base, renameEffect('Theirs'));
    expect(mergeOnto(base, base, theirs)!.effect).toBe(theirs);
  });
  test('changed in one, deleted in the other, either way round: they do not fit', () => {
    const changed = edited(base, changeObject(base, A, { visible: false }));
    const deleted = edited(base, removeObject(base, A));
    expect(mergeOnto(base, changed, deleted)).toBeNull();
    expect(mergeOnto(base, deleted, changed)).toBeNull();
  });
  test('deleted in both: gone, and what else was done is there', () => {
    const mine = edited(base, removeObject(base, A), renameEffect('Mine'));
    const merged = mergeOnto(base, mine, edited(base, removeObject(base, A)))!;
    expect(merged.effect.objects[A]).toBeUndefined();
    expect(merged.effect.name).toBe('Mine');
  });
  test('a list that one put into or took from while the other changed it does not fit: places mean something else', () => {
    const listed = { ...base, listing: { ...base.listing, tags: ['one', 'two', 'three'] } };
    const tags = (...names: string[]): Effect => ({ ...listed, listing: { ...listed.listing, tags: names } });
    expect(mergeOnto(listed, tags('two', 'three'), tags('one', 'two', 'drei'))).toBeNull();
    expect(
      mergeOnto(listed, tags('eins', 'two', 'three'), tags('one', 'two', 'drei'))!.effect.listing.tags,
    ).toEqual(['eins', 'two', 'drei']);
  });
  test('whatever is merged is a valid document', () => {
    const any = fc.constantFrom(
      (e: Effect) => removeObject(e, A),
      (e: Effect) => changeObject(e, B, { visible: false }),
      (e: Effect) => changeObject(e, A, { move: [0, 0, 9] }),
      () => renameEffect('Other'),
    );
    fc.assert(
      fc.property(fc.array(any, { maxLength: 4 }), fc.array(any, { maxLength: 4 }), (here, there) => {
        const run = (list: typeof here) => list.reduce((e, make) => applyEdit(e, make(e)).effect, base);
        const merged = mergeOnto(base, run(here), run(there));
        return merged === null || effectSchema.safeParse(merged.effect).success;
      }),
    );
  });
});
