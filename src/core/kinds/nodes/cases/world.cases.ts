/** Known answers. */
import { expect } from '@jest/globals';
import { composeMatrix, type Matrix } from '../../../maths/matrix';
import { fromAxisAngle, IDENTITY } from '../../../maths/quaternion';
import { toSrgb } from '../../../maths/srgb';
import type { Vec3 } from '../../../maths/vec3';
import type { Anchor } from '../../../schema/anchor-schema';
import type { BODY_NODES } from '../body-nodes';
import type { NodeWorld } from '../node-kind';
import type { OBJECT_NODES, OBJECT_WRITERS } from '../object-nodes';
import { NOWHERE_WORLD } from '../run-alone';
import type { PLACED_NODES, WORLD_NODES } from '../world-nodes';
import { near, once, times, type CasesOf } from './testing';

const TURN = fromAxisAngle([0, 1, 0], 90);
const at = (x: number, y: number, z: number): Matrix => composeMatrix([x, y, z], TURN, [2, 2, 2]);
const NOT: readonly unknown[] = [[NaN, NaN, NaN], [...IDENTITY], 0];
const TURNED = TURN.map(near);
/** Things stick where their anchor says, as far as the test gives: faces and hands at their number. */
const seen = (kind: Anchor['kind'], ...matrices: readonly Matrix[]): { world: NodeWorld } => ({
  world: {
    ...NOWHERE_WORLD,
    anchors: (anchor) =>
      anchor.kind === kind ? matrices.map((matrix, instance) => ({ instance, matrix })) : [],
  },
});
/** Objects at places, by their ids. */
const placed = (
  places: Readonly<Record<string, readonly Vec3[]>>,
  more: Partial<NodeWorld> = {},
): { world: NodeWorld } => ({
  world: {
    ...NOWHERE_WORLD,
    placesOf: (id) => (places[id] ?? []).map((p) => composeMatrix(p, IDENTITY, [1, 1, 1])),
    ...more,
  },
});
const MISSES = [[NaN, NaN, NaN], 0, NaN];

export const WORLD_CASES: CasesOf<typeof WORLD_NODES & typeof PLACED_NODES> = {
  facePlace: [
    {
      given: [{ face: 2 }, { face: 3 }],
      gives: [[[4, 5, 6], TURNED, 1], NOT],
      at: seen('head', at(1, 2, 3), at(4, 5, 6)),
    },
  ],
  handPlace: [
    { given: [{}], gives: [[[1, 2, 3], TURNED, 1]], at: seen('hand', at(1, 2, 3)) },
    once({}, ...NOT),
  ],
  picturePlace: [
    {
      given: [{}],
      gives: [[[1, 2, 3], TURNED, 1]],
      at: seen('picture', at(1, 2, 3)),
      set: { picture: 'target_tide' },
    },
    { given: [{}], gives: [NOT], at: seen('picture', at(1, 2, 3)) },
  ],
  surfacePlace: [{ given: [{}], gives: [[[1, 2, 3], TURNED, 1]], at: seen('world', at(1, 2, 3)) }],
  viewerPlace: [once({}, [0, 0, 0], [0, 0, 0, 1])],
  pictureLight: [
    {
      given: [{}],
      gives: [[[1, 0, 0], 0.4, [0, 1, 0], 1]],
      at: {
        world: { ...NOWHERE_WORLD, light: { direction: [0, 1, 0], colour: '#ff0000', brightness: 0.4 } },
      },
    },
    once({}, [1, 1, 1], NaN, [0, 1, 0], 0),
  ],
  pictureColour: [
    {
      given: [{ across: 0.25, down: 0.75, size: 0.1 }],
      gives: [[[0.25, 0.75, 0.1], toSrgb(0.2126 * 0.25 + 0.7152 * 0.75 + 0.0722 * 0.1), 1]],
      at: {
        world: {
          ...NOWHERE_WORLD,
          colourAround: (x: number, y: number, size: number) => [x, y, size] as const,
        },
      },
    },
    once({}, [NaN, NaN, NaN], NaN, 0),
  ],
  tapPlace: [
    {
      // The picture is as wide as high and opens by 90 degrees: its right edge is seen at 45.
      given: [{}, {}],
      gives: [
        [1, 1, 0.5, [0, 0, 0], [near(Math.SQRT1_2), near(0), near(-Math.SQRT1_2)], 'obj_crab'],
        [1, 1, 0.5, [0, 0, 0], [near(Math.SQRT1_2), near(0), near(-Math.SQRT1_2)], 'obj_crab'],
      ],
      at: placed(
        {},
        {
          taps: [
            { x: 0.1, y: 0.1 },
            { x: 1, y: 0.5 },
          ],
          touched: (x) => (x === 1 ? 'obj_crab' : null),
        },
      ),
    },
    once({}, 0, NaN, NaN, [NaN, NaN, NaN], [0, 0, -1], ''),
  ],
  pictureRay: [once({ across: 0.5, down: 0 }, [0, 0, 0], [near(0), near(Math.SQRT1_2), near(-Math.SQRT1_2)])],
  onPicture: [
    once({ position: [1, 0, -1] }, near(1), near(0.5), 1),
    once({ position: [0, 0, 1] }, NaN, NaN, 0),
  ],
  rayToPlane: [
    once({ from: [0, 1, 0], along: [0, -1, -1], point: [0, 0, 0] }, [0, 0, -1], 1, near(Math.SQRT2)),
    once({ from: [0, 1, 0], along: [0, 1, 0] }, ...MISSES),
    once({ up: [0, 0, 0] }, ...MISSES),
  ],
  rayToBall: [
    once({ centre: [0, 0, -2], radius: 0.5 }, [0, 0, near(-1.5)], 1, near(1.5)),
    once({ centre: [0, 3, -2], radius: 0.5 }, ...MISSES),
    once({ centre: [0, 0, -2], radius: 0 }, ...MISSES),
  ],
  rayToObject: [
    { given: [{ object: 'obj_crab' }], gives: [[[0, 0, -3], 1, 3]], at: placed({}, { meets: () => 3 }) },
    once({ object: 'obj_crab' }, ...MISSES),
  ],
  objectPlace: [
    {
      given: [{ object: 'obj_crab' }],
      gives: [[[1, 2, 3], [0, 0, 0, 1], 1]],
      at: placed({ obj_crab: [[1, 2, 3]] }),
    },
    once({ object: '' }, ...NOT),
  ],
  copiesOf: [
    {
      given: [{ object: 'obj_crab' }, { object: 'obj_gull' }],
      gives: [
        [2, [1, 4], [2, 5], [3, 6]],
        [0, [], [], []],
      ],
      at: placed({
        obj_crab: [
          [1, 2, 3],
          [4, 5, 6],
        ],
      }),
    },
  ],
  objectsApart: [
    {
      given: [
        { a: 'obj_crab', b: 'obj_gull' },
        { a: 'obj_crab', b: 'obj_gone' },
      ],
      gives: [[5], [NaN]],
      at: placed({ obj_crab: [[0, 0, 0]], obj_gull: [[3, 4, 0]] }),
    },
  ],
  nearestObject: [
    {
      given: [{ to: [3, 3, 0], a: 'obj_crab', c: 'obj_gull' }, { a: 'obj_gone' }],
      gives: [
        ['obj_gull', 1],
        ['', NaN],
      ],
      at: placed({ obj_crab: [[0, 0, 0]], obj_gull: [[3, 4, 0]] }),
    },
  ],
};

export const OBJECT_CASES: CasesOf<typeof OBJECT_NODES & typeof OBJECT_WRITERS> = {
  theObject: [{ given: [{}], gives: [['obj_crab']], set: { object: 'obj_crab' } }, once({}, '')],
  whichObject: [once({ which: 2, a: 'obj_a', b: 'obj_b' }, 'obj_b'), once({ which: 9 }, '')],
  sameObject: [once({ a: 'obj_a', b: 'obj_a' }, 1), once({ a: 'obj_a', b: 'obj_b' }, 0), once({}, 0)],
  thePicture: [{ given: [{}], gives: [['asset_kelp']], set: { picture: 'asset_kelp' } }, once({}, '')],
  whichPicture: [once({ which: 1.2, a: 'asset_a', b: 'asset_b' }, 'asset_a'), once({ which: NaN }, '')],
  writeOf: [once({ object: 'obj_a', value: 2 })],
  writePicture: [once({ picture: 'asset_a' })],
};

export const BODY_CASES: CasesOf<typeof BODY_NODES> = {
  body: [
    {
      given: [{ from: [0, 1, 0] }, { 'let go': 1, from: [0, 1, 0], speed: [6, 0, 0] }, { from: [9, 9, 9] }],
      gives: [
        [[0, 1, 0], [0, 0, 0], 0, 0],
        [[0, 1, 0], [6, 0, 0], 0, 1],
        [[near(0.1), near(1 - (9.81 / 3600) * 0.625), 0], [6, near(-9.81 / 60), 0], 0, 1],
      ],
    },
    // What is not there is not let go of.
    { given: [{ 'let go': 1, from: [NaN, 0, 0] }], gives: [[[NaN, 0, 0], [0, 0, 0], 0, 0]] },
    {
      given: [{ 'let go': 1, from: [0, 0.02, 0], speed: [0, -3, 0], 'has floor': 1 }, { 'has floor': 1 }],
      gives: [
        [[0, 0.02, 0], [0, -3, 0], 1, 1],
        [[0, expect.closeTo(0.04, 1), 0], [0, expect.closeTo(1.4, 0), 0], 0, 1],
      ],
    },
  ],
  string: [
    {
      given: times(1, { from: [0, 1, 0], long: 0.6 }),
      gives: [
        [
          [0, near(0.4), 0],
          [0, near(0.7), 0],
          times(7, 0 as never),
          [1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4].map(near),
          times(7, 0 as never),
        ],
      ],
    },
    once({ from: [NaN, 0, 0] }, [NaN, NaN, NaN], [NaN, NaN, NaN], [], [], []),
  ],
};
