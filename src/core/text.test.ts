import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cutText, isKeepable, keepable } from './text';

describe('texts are cut between letters', () => {
  test('an emoji at the edge is left out whole', () => {
    const name = `${'a'.repeat(79)}🦀 and more`;
    expect(cutText(name, 80)).toBe('a'.repeat(79));
    expect(isKeepable(name.slice(0, 80))).toBe(false);
  });
  test('flags, families and accents stay whole', () => {
    expect(cutText('ab👩‍👩‍👧cd', 5)).toBe('ab');
    expect(cutText('ab👩‍👩‍👧cd', 10)).toBe('ab👩‍👩‍👧');
    expect(cutText('cafe\u0301s', 4)).toBe('caf');
    expect(cutText('x🇳🇴', 3)).toBe('x');
  });
  test('what is short enough stays, without what cannot be kept', () => {
    expect(cutText('Kelp Crown', 80)).toBe('Kelp Crown');
    expect(cutText('Kelp\0 Crown', 80)).toBe('Kelp Crown');
    expect(cutText('Kelp \ud83e', 80)).toBe('Kelp \ufffd');
  });
  test('a single letter that is too long is cut between its code points', () => {
    const piled = `e${'\u0301'.repeat(200)}`;
    expect(cutText(piled, 80)).toBe(piled.slice(0, 80));
    expect(isKeepable(cutText('👩‍👩‍👧', 4))).toBe(true);
  });
  test('whatever the text: keepable, no longer than asked, and a beginning of it', () => {
    const units = fc.array(fc.integer({ min: 0, max: 0xffff }), { maxLength: 60 });
    fc.assert(
      fc.property(units, fc.integer({ min: 1, max: 40 }), (codes, most) => {
        const text = String.fromCharCode(...codes);
        const cut = cutText(text, most);
        expect(isKeepable(cut)).toBe(true);
        expect(cut.length).toBeLessThanOrEqual(most);
        expect(keepable(text).startsWith(cut)).toBe(true);
      }),
      { seed: 41, numRuns: 500 },
    );
  });
});
