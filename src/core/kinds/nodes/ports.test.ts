import { describe, expect, test } from '@jest/globals';
import { NODE_WORDS } from './words/node-words';
import { NODE_KINDS } from './nodes';
import { conversion, converted, NOTHING, PORT_TYPES, portValue, refusal, type PortType } from './ports';

const TYPES = Object.keys(PORT_TYPES) as PortType[];
/** Something of each type that is not nothing, and what it becomes where it is read as another. */
const SAMPLES: Readonly<Record<PortType, number | string | readonly number[]>> = {
  number: 2.5,
  truth: 1,
  event: 1,
  point: [3, 4],
  vector: [1, 2, 3],
  colour: [0.1, 0.2, 0.3],
  rotation: [0, 1, 0, 0],
  text: 'ebb',
  list: [5, 6],
  object: 'obj_crab',
  picture: 'asset_crab',
};

describe('what is read as something else', () => {
  test.each([
    ['truth', 'number', 1],
    ['event', 'truth', 1],
    ['event', 'number', 1],
    ['point', 'vector', [3, 4, 0]],
    ['colour', 'vector', [0.1, 0.2, 0.3]],
    ['vector', 'list', [1, 2, 3]],
    ['number', 'list', [2.5]],
  ] as const)('%s as %s', (from, to, becomes) => {
    expect(conversion(from, to)).toEqual(expect.any(String));
    expect(converted(SAMPLES[from], from, to)).toEqual(becomes);
  });
  test('as it is needs no conversion; all others are refused in a sentence', () => {
    let allowed = 0;
    for (const from of TYPES)
      for (const to of TYPES) {
        if (from === to) expect(conversion(from, to)).toBeNull();
        else if (conversion(from, to) === undefined)
          expect(refusal(from, to)).toMatch(/^That gives .+, and .+ is wanted there\./);
        else allowed++;
      }
    expect(allowed).toBe(7);
  });
  test('a refusal names nodes that there are', () => {
    const names = new Set(NODE_KINDS.map((kind) => NODE_WORDS[kind].name));
    for (const from of TYPES)
      for (const to of TYPES)
        for (const [, named] of refusal(from, to).matchAll(/between them: ([^.]+)\./g))
          for (const name of named!.split(', behind ')) expect(names).toContain(name);
  });
});

describe('what a document holds for an input', () => {
  test('is read as its type, and as no other', () => {
    expect(portValue(3, 'number')).toBe(3);
    expect(portValue(3, 'truth')).toBe(1);
    expect(portValue(0, 'truth')).toBe(0);
    expect(portValue('#ffffff', 'colour')).toEqual([1, 1, 1]);
    expect(portValue([0, 180, 0], 'rotation')).toEqual([0, 1, 0, expect.closeTo(0, 9)]);
    expect(portValue('#ffffff', 'text')).toBe('#ffffff');
    for (const type of TYPES) expect(portValue(undefined, type)).toBeNull();
    expect(portValue('red', 'colour')).toBeNull();
    expect(portValue([1, 2], 'vector')).toBeNull();
    expect(portValue('3', 'number')).toBeNull();
  });
  test('nothing of a type has as many numbers as it says', () => {
    for (const type of TYPES) {
      const { width } = PORT_TYPES[type];
      const nothing = NOTHING[type];
      if (width > 1) expect(nothing).toHaveLength(width);
      if (width === 1) expect(nothing).toBe(0);
    }
  });
});
