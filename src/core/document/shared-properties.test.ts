import { expect, test } from '@jest/globals';
import { NEW } from '../kinds/testing';
import { sharedProperties } from './shared-properties';

const { card, solid, text, light, layer } = NEW;

test('several of one kind share all their fields; where they differ is said', () => {
  const other = { ...card, tint: '#102030', move: [0.1, card.move[1], 0] as [number, number, number] };
  const shared = sharedProperties([card, other]);
  expect(Object.keys(shared)).toEqual(
    expect.arrayContaining(['opacity', 'tint', 'doubleSided', 'runs', 'move.0']),
  );
  expect(Object.entries(shared).flatMap(([path, { isMixed }]) => (isMixed ? [path] : []))).toEqual(
    expect.arrayContaining(['move.0', 'tint']),
  );
  expect(shared['move.1']!.isMixed).toBe(false);
  expect(shared.opacity).toMatchObject({ value: 1, isMixed: false });
});
test('of different kinds what both have; a colour of the one is no colour of the light', () => {
  const shared = Object.keys(sharedProperties([solid, text]));
  expect(shared).toContain('opacity');
  expect(shared).not.toContain('shape');
  expect(Object.keys(sharedProperties([solid, light]))).not.toContain('opacity');
});
test('on a face nothing has a place of its own, and no pivot is shared', () => {
  expect(Object.keys(sharedProperties([card, layer])).filter((p) => /^(move|turn|pivot)/.test(p))).toEqual(
    [],
  );
  expect(Object.keys(sharedProperties([card, solid])).filter((p) => p.startsWith('pivot'))).toEqual([]);
  expect(sharedProperties([])).toEqual({});
});
