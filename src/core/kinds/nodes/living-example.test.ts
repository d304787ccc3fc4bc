/** Each kind of node shows in its help what it does: something comes out of it, and that changes. */
import { expect, test } from '@jest/globals';
import { DRIVERS_OF_KIND, EXAMPLE_SECONDS, livingExample } from './living-example';
import { isEnd, NODE_KINDS, nodeKind, type NodeKind } from './nodes';
import { STEP } from '../../units';

/** They give one thing. */
const CONSTANT = new Set(['theObject', 'thePicture']);
const BY_MAKER = ['script', 'enter', 'leave', 'compound'];

test.each(NODE_KINDS.filter((kind) => !BY_MAKER.includes(kind)))('%s', (kind) => {
  const { inputs, outputs } = livingExample(kind)!;
  const steps = Math.round(EXAMPLE_SECONDS / STEP);
  for (const { values } of [...inputs, ...outputs]) expect(values).toHaveLength(steps);
  expect(outputs.map(({ port }) => port.name)).toEqual(nodeKind(kind).outputs.map(({ name }) => name));
  const changing = (isEnd(kind) ? inputs : outputs).filter(
    ({ values }) => new Set(values.map((value) => JSON.stringify(value))).size > 1,
  );
  if (!CONSTANT.has(kind)) expect(changing.length).toBeGreaterThan(0);
});
test('those whose maker says what they do have none', () => {
  expect(NODE_KINDS.filter((kind) => livingExample(kind) === null).sort()).toEqual([...BY_MAKER].sort());
});
test('what is told at inputs is told at inputs that there are', () => {
  for (const [kind, drivers] of Object.entries(DRIVERS_OF_KIND)) {
    const names = nodeKind(kind as NodeKind).inputs.map(({ name }) => name);
    for (const name of Object.keys(drivers))
      expect([kind, names]).toEqual([kind, expect.arrayContaining([name])]);
  }
});
test('it is the same each time', () => {
  expect(livingExample('randomBetween')).toEqual(livingExample('randomBetween'));
});
