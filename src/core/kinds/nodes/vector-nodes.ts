/** Points, vectors and rotations. Angles are degrees. */
import { choice } from '../../schema/properties';
import {
  angleBetween,
  fromAngles,
  fromAxisAngle,
  multiplyQuaternions,
  rotate,
  slerp,
  toAngles,
  type Quaternion,
} from '../../maths/quaternion';
import * as v from '../../maths/vec3';
import type { Vec3 } from '../../maths/vec3';
import { facing } from '../../maths/facing';
import { onPath } from '../../maths/path';
import { clamp } from '../../maths/scalar';
import { defineNode, input, num, output, pure, vector } from './node-kind';

const VECTOR = [output('vector', 'vector')];
const ROTATION = [output('rotation', 'rotation')];
const NUMBER = [output('value', 'number')];
const rotation = (name: string) => input(name, 'rotation', [0, 0, 0]);
type Pair = readonly [Vec3, Vec3];
type Numbers = readonly number[];

export const VECTOR_NODES = {
  joinPoint: pure([num('x'), num('y')], [output('point', 'point')], ([x, y]: readonly number[]) => [
    [x!, y!],
  ]),
  splitPoint: pure(
    [input('point', 'point', [0, 0])],
    [output('x', 'number'), output('y', 'number')],
    ([[x, y]]: readonly [readonly [number, number]]) => [x, y],
  ),
  joinVector: pure([num('x'), num('y'), num('z')], VECTOR, ([x, y, z]: readonly number[]) => [[x!, y!, z!]]),
  splitVector: pure(
    [vector('vector')],
    [output('x', 'number'), output('y', 'number'), output('z', 'number')],
    ([a]: readonly [Vec3]) => [...a],
  ),
  addVectors: pure([vector('a'), vector('b')], VECTOR, ([a, b]: Pair) => [v.add(a, b)]),
  subtractVectors: pure([vector('a'), vector('b')], VECTOR, ([a, b]: Pair) => [v.subtract(a, b)]),
  multiplyVectors: pure([vector('a', [1, 1, 1]), vector('b', [1, 1, 1])], VECTOR, ([a, b]: Pair) => [
    v.multiply(a, b),
  ]),
  scaleVector: pure([vector('vector'), num('by', 1)], VECTOR, ([a, k]: readonly [Vec3, number]) => [
    v.scale(a, k),
  ]),
  mixVectors: pure(
    [vector('a'), vector('b'), num('share', 0.5, { unit: 'percent' })],
    VECTOR,
    ([a, b, k]: readonly [Vec3, Vec3, number]) => [v.mix(a, b, k)],
  ),
  lengthOf: pure([vector('vector')], NUMBER, ([a]: readonly [Vec3]) => [v.length(a)]),
  distance: pure([vector('a'), vector('b')], NUMBER, ([a, b]: Pair) => [v.distance(a, b)]),
  direction: pure([vector('vector')], VECTOR, ([a]: readonly [Vec3]) => [
    v.length(a) === 0 ? a : v.normalise(a),
  ]),
  dotProduct: pure([vector('a'), vector('b')], NUMBER, ([a, b]: Pair) => [v.dot(a, b)]),
  crossProduct: pure([vector('a'), vector('b')], VECTOR, ([a, b]: Pair) => [v.cross(a, b)]),
  vectorAngle: pure(
    [vector('a', [1, 0, 0]), vector('b', [0, 1, 0])],
    [output('angle', 'number', { unit: 'degrees' })],
    ([a, b]: Pair) => [(Math.acos(clamp(v.dot(a, b) / (v.length(a) * v.length(b)), -1, 1)) * 180) / Math.PI],
  ),
  alongPath: defineNode({
    inputs: [
      num('share', 0, { unit: 'percent' }),
      ...(['a', 'b', 'c', 'd'] as const).map((name, i) => vector(name, [0.1 * i, 0, 0])),
    ],
    outputs: [output('position', 'vector'), output('along', 'vector')],
    fields: {
      ends: choice('Its ends', { open: 'from the first to the last', closed: 'round to the first again' }),
    },
    fresh: { ends: 'open' },
    run: {
      as: 'values',
      of: ([share, ...points]: readonly [number, ...Vec3[]], { ends }) => {
        const { at, along } = onPath(points, share, ends === 'closed');
        return [at, v.length(along) === 0 ? along : v.normalise(along)];
      },
    },
  }),
  pathThrough: defineNode({
    inputs: [
      num('share', 0, { unit: 'percent' }),
      ...['x', 'y', 'z'].map((name) => input(name, 'list', null)),
    ],
    outputs: [output('position', 'vector'), output('along', 'vector')],
    fields: {
      ends: choice('Its ends', { open: 'from the first to the last', closed: 'round to the first again' }),
    },
    fresh: { ends: 'open' },
    run: {
      as: 'values',
      of: ([share, xs, ys, zs]: readonly [number, Numbers, Numbers, Numbers], { ends }) => {
        const points = xs.map((x, i): Vec3 => [x, ys[i] ?? 0, zs[i] ?? 0]);
        const { at, along } = onPath(points, share, ends === 'closed');
        return [at, v.length(along) === 0 ? along : v.normalise(along)];
      },
    },
  }),
};

export const ROTATION_NODES = {
  rotationFrom: pure([vector('angles')], ROTATION, ([a]: readonly [Vec3]) => [fromAngles(a)]),
  anglesOf: pure([rotation('rotation')], [output('angles', 'vector')], ([q]: readonly [Quaternion]) => [
    toAngles(q),
  ]),
  aboutAxis: defineNode({
    inputs: [num('angle', 0, { unit: 'degrees' })],
    outputs: ROTATION,
    fields: { axis: choice('Which axis', { x: 'x', y: 'y', z: 'z' }) },
    fresh: { axis: 'y' },
    run: {
      as: 'values',
      of: ([angle]: readonly number[], { axis }) => [fromAxisAngle(v.UNIT_AXES[axis], angle!)],
    },
  }),
  lookingAt: pure([vector('from'), vector('to', [0, 0, 1])], ROTATION, ([from, to]: Pair) => [
    facing(v.subtract(to, from)),
  ]),
  turnAfter: pure(
    [rotation('first'), rotation('then')],
    ROTATION,
    ([a, b]: readonly [Quaternion, Quaternion]) => [multiplyQuaternions(b, a)],
  ),
  mixRotations: pure(
    [rotation('a'), rotation('b'), num('share', 0.5, { unit: 'percent' })],
    ROTATION,
    ([a, b, k]: readonly [Quaternion, Quaternion, number]) => [slerp(a, b, k)],
  ),
  turned: pure([vector('vector'), rotation('by')], VECTOR, ([a, q]: readonly [Vec3, Quaternion]) => [
    rotate(q, a),
  ]),
  rotationAngle: pure(
    [rotation('a'), rotation('b')],
    [output('angle', 'number', { unit: 'degrees' })],
    ([a, b]: readonly [Quaternion, Quaternion]) => [angleBetween(a, b)],
  ),
};
