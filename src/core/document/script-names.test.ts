import { expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { newPort } from '../kinds/nodes/declared-ports';
import { boundReads, SCRIPT_API, scriptDeclarations } from './script-names';

const jawOpen = { kind: 'expression', face: 1, name: 'jawOpen' } as const;
const time = { kind: 'time' } as const;
const KNOWN = [
  { name: 'jawOpen', signal: jawOpen, words: 'jaw open', seek: '' },
  { name: 'time', signal: time, words: 'time (s) */ ', seek: '' },
];

test('what a script reads is bound by name, dotted or in brackets; what it meant before it goes on meaning', () => {
  const source = `read.jawOpen + read['time'] + read.nothing + unread.jawOpen2; // bread.time`;
  expect(boundReads(source, {}, KNOWN)).toEqual({ jawOpen, time });
  const before = { jawOpen: { kind: 'expression', face: 2, name: 'jawOpen' } as const };
  expect(boundReads('read.jawOpen', before, KNOWN)).toEqual(before);
  expect(boundReads('1 + 1', before, KNOWN)).toEqual({});
});

test('declarations tell ports with their units, and no words end a comment', () => {
  const told = scriptDeclarations(
    {
      takes: [{ ...newPort('reach'), unit: 'centimetres' }, newPort('tap', 'event')],
      gives: [newPort('tint', 'colour')],
    },
    KNOWN,
  );
  expect(told).toContain('/** a number, in m. */\n  readonly reach: number;');
  expect(told).toContain('readonly tap: boolean;');
  expect(told).toContain('tint?: [number, number, number] | number[] | string;');
  expect(told.split('*/').length).toBe(told.split('/**').length);
});

test('the reference in the documentation is what the editor knows', () => {
  expect(readFileSync('docs/scripting.md', 'utf8')).toContain(SCRIPT_API.trim());
});
