/** @jest-environment ./scripts/jest-page.mjs */
import { beforeEach, expect, test } from '@jest/globals';
import { FIRST_SETTINGS, keepSettings, readSettings } from './kept-settings';

beforeEach(() => localStorage.clear());

test('what was set is there the next time', () => {
  expect(readSettings()).toEqual(FIRST_SETTINGS);
  const set = { ...FIRST_SETTINGS, tool: 'lasso' as const, size: 12, mirrored: false };
  keepSettings(set);
  expect(readSettings()).toEqual(set);
});

test('what is damaged, or of another kind, is left for what is usual', () => {
  for (const kept of ['{', 'null', '{"tool":"spray"}', JSON.stringify({ ...FIRST_SETTINGS, size: 9000 })]) {
    localStorage.setItem('iconia.painter', kept);
    expect(readSettings()).toEqual(FIRST_SETTINGS);
  }
});
