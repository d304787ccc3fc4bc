import { expect, test } from '@jest/globals';
import { AS_IT_IS } from './as-it-is';
import { partFacts } from './part-facts';
import { partNames } from './part-names';
import { prepareModel } from './prepare';
import { lantern, tools } from './testing';
import { writeGlb, openGlb } from './open-model';
import { decoders } from './testing';

const near = (v: readonly number[]) => v.map((x) => expect.closeTo(x, 5));

test('parts are measured in the axes and metres of the model, whatever nodes above them turn and size', () => {
  const tree = partFacts(lantern());
  expect(tree.map((p) => [p.name, p.above])).toEqual([
    ['Lantern', null],
    ['Body', 0],
    ['Lid of brass', 0],
    ['Knob', 2],
    ['Glass', 0],
  ]);
  const [whole, body, lid, knob, glass] = tree as [(typeof tree)[0], ...typeof tree];
  // The hinge is at the back of the upper edge.
  expect(lid!.origin).toEqual(near([0, 0.2, -0.1]));
  expect(lid!.box!.low).toEqual(near([-0.1, 0, 0]));
  // With the knob that hangs in it.
  expect(lid!.box!.high).toEqual(near([0.1, 0.05, 0.2]));
  expect(knob!.origin).toEqual(near([0, 0.22, 0]));
  expect(body!.box).toEqual({ low: near([-0.1, 0, -0.1]), high: near([0.1, 0.2, 0.1]) });
  expect(whole.box!.high).toEqual(near([0.1, 0.25, 0.1]));
  expect(glass!.origin).toEqual(near([0, 0, 0]));
});

test('a node that only holds the mesh of the one above is no part of its own; beside others it is that node itself', () =>
  expect(
    partNames([
      { name: 'Lower half', above: null },
      { name: 'Lid', above: 0 },
      { name: 'Lid', above: 1 },
      { name: 'Pearl', above: 0 },
      { name: 'Lower half', above: 0 },
      { name: '', above: 0 },
    ]),
  ).toEqual(['Lower half', 'Lid', '', 'Pearl', 'Lower half itself', 'Part 6']));

test('the node of a preparation is no part, and parts are measured as they were prepared', async () => {
  const { document } = await prepareModel(
    lantern(),
    { ...AS_IT_IS, size: { kind: 'longest', metres: 0.5 } },
    tools,
  );
  const tree = partFacts(await openGlb(await writeGlb(document), 'lantern.glb', decoders));
  expect(tree.map((p) => p.name)).toEqual(['', 'Lantern', 'Body', 'Lid of brass', 'Knob', 'Glass']);
  expect(tree[3]!.origin).toEqual(near([0, 0.4, -0.2]));
});
