import { expect, test } from '@jest/globals';
import { blankEffect } from '../core/document/defaults';
import { planNodes } from '../core/program/circuits';
import { newBehaviourNode } from '../core/kinds/nodes/nodes';
import type { NodeId } from '../core/document/schema';
import { conversionInto, troubleWords, valueWords } from './circuit-words';

test('values at ports are written in the unit of the fields beside them', () => {
  expect(valueWords(0.3, 'number', 'centimetres')).toBe('30 cm');
  expect(valueWords(0.256, 'number', 'percent')).toBe('25.6%');
  expect(valueWords(90, 'number', 'degrees')).toBe('90°');
  expect(valueWords([0.01, 0, -0.02], 'vector', 'centimetres')).toBe('1 0 -2 cm');
  expect(valueWords(2.345, 'number')).toBe('2.35');
  expect(valueWords(Number.NaN, 'number', 'centimetres')).toBe('–');
  expect(valueWords([Number.NaN, 0, 0], 'vector', 'centimetres')).toBe('–');
  expect(valueWords([1, 0.2158605, 0], 'colour')).toBe('#ff8000');
  expect(valueWords(1, 'truth')).toBe('yes');
  expect(valueWords(0, 'event')).toBe('');
  expect(valueWords([1, 2, 3, 4], 'list')).toBe('4 numbers');
  expect(valueWords('Low tide at nine', 'text')).toBe('Low tide at…');
});

test('only a wire that brings another type says how it is read', () => {
  const id = (name: string) => `node_${name}` as NodeId;
  const wire = (node: string, port: string) => ({ node: id(node), port });
  const all = [
    newBehaviourNode(id('one'), 'number'),
    newBehaviourNode(id('yes'), 'yesNo'),
    newBehaviourNode(id('sum'), 'add', [0, 0], {
      inputs: { a: wire('one', 'value'), b: wire('yes', 'yes') },
    }),
  ];
  const nodes = Object.fromEntries(all.map((n) => [n.id, n]));
  expect(conversionInto(nodes, all[2]!, 'a')).toBeNull();
  expect(conversionInto(nodes, all[2]!, 'b')).toEqual({
    mark: 'y → n',
    words: 'Brings yes or no, read as a number: 1 for yes, 0 for no.',
  });
  expect(conversionInto(nodes, all[1]!, 'yes')).toBeNull();
});

test('objects and pictures at ports are called by their names', () => {
  const names = (id: string): string | undefined =>
    ({ obj_crab: 'Crab', asset_long: 'Kelp forest at low tide' })[id];
  expect(valueWords('obj_crab', 'object', 'plain', names)).toBe('Crab');
  expect(valueWords('asset_long', 'picture', 'plain', names)).toBe('Kelp forest…');
  expect(valueWords('', 'object', 'plain', names)).toBe('none');
  expect(valueWords('obj_gone', 'object', 'plain', names)).toBe('one that is…');
});
test.each([
  ['thePicture', 'It needs a picture that was brought in: choose one.'],
  ['theObject', 'It needs an object: choose one.'],
  ['picturePlace', 'It needs a printed picture: choose one.'],
] as const)('what a node %s lacks is said', (kind, words) => {
  const node = newBehaviourNode('node_aaaa' as NodeId, kind);
  const { troubles } = planNodes({ [node.id]: node });
  const effect = blankEffect('Tide');
  expect(troubles.map((trouble) => troubleWords(effect, { [node.id]: node }, trouble))).toContain(words);
});
