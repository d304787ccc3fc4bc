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
import { clamp } from '../../maths/scalar';
import { defineNode, input, num, output, pure, vector } from './node-kind';

const words = (name: string, note: string, also = '') => ({
  name,
  group: 'Points and vectors' as const,
  note,
  also,
});
const turns = (name: string, note: string, also = '') => ({ name, group: 'Rotations' as const, note, also });
const VECTOR = [output('vector', 'vector')];
const ROTATION = [output('rotation', 'rotation')];
const NUMBER = [output('value', 'number')];
const rotation = (name: string) => input(name, 'rotation', [0, 0, 0]);
type Pair = readonly [Vec3, Vec3];

export const VECTOR_NODES = {
  joinPoint: pure(
    words('Join point', 'A point from its x and y.', 'make vector2 combine'),
    [num('x'), num('y')],
    [output('point', 'point')],
    ([x, y]: readonly number[]) => [[x!, y!]],
  ),
  splitPoint: pure(
    words('Split point', 'x and y of a point.', 'break vector2 separate'),
    [input('point', 'point', [0, 0])],
    [output('x', 'number'), output('y', 'number')],
    ([[x, y]]: readonly [readonly [number, number]]) => [x, y],
  ),
  joinVector: pure(
    words('Join vector', 'A vector from its x, y and z.', 'make vector3 combine position'),
    [num('x'), num('y'), num('z')],
    VECTOR,
    ([x, y, z]: readonly number[]) => [[x!, y!, z!]],
  ),
  splitVector: pure(
    words('Split vector', 'x, y and z of a vector.', 'break vector3 separate'),
    [vector('vector')],
    [output('x', 'number'), output('y', 'number'), output('z', 'number')],
    ([a]: readonly [Vec3]) => [...a],
  ),
  addVectors: pure(
    words('Add vectors', 'Two vectors together.', 'plus sum offset'),
    [vector('a'), vector('b')],
    VECTOR,
    ([a, b]: Pair) => [v.add(a, b)],
  ),
  subtractVectors: pure(
    words('Subtract vectors', 'From the second to the first.', 'minus difference from to'),
    [vector('a'), vector('b')],
    VECTOR,
    ([a, b]: Pair) => [v.subtract(a, b)],
  ),
  multiplyVectors: pure(
    words('Multiply vectors', 'Each number by the other’s.', 'times product'),
    [vector('a', [1, 1, 1]), vector('b', [1, 1, 1])],
    VECTOR,
    ([a, b]: Pair) => [v.multiply(a, b)],
  ),
  scaleVector: pure(
    words('Scale vector', 'A vector times a number.', 'multiply longer shorter'),
    [vector('vector'), num('by', 1)],
    VECTOR,
    ([a, k]: readonly [Vec3, number]) => [v.scale(a, k)],
  ),
  mixVectors: pure(
    words('Mix vectors', 'From one vector to another by a share.', 'blend lerp interpolate'),
    [vector('a'), vector('b'), num('share', 0.5, { unit: 'percent' })],
    VECTOR,
    ([a, b, k]: readonly [Vec3, Vec3, number]) => [v.mix(a, b, k)],
  ),
  lengthOf: pure(
    words('Length', 'How long a vector is.', 'magnitude size norm'),
    [vector('vector')],
    NUMBER,
    ([a]: readonly [Vec3]) => [v.length(a)],
  ),
  distance: pure(
    words('Distance', 'How far two places are apart.', 'between far near'),
    [vector('a'), vector('b')],
    NUMBER,
    ([a, b]: Pair) => [v.distance(a, b)],
  ),
  direction: pure(
    words('Direction', 'A vector of length 1 the same way; nothing stays nothing.', 'normalise unit'),
    [vector('vector')],
    VECTOR,
    ([a]: readonly [Vec3]) => [v.length(a) === 0 ? a : v.normalise(a)],
  ),
  dotProduct: pure(
    words('Dot product', 'How far one vector goes along another.', 'scalar inner projection'),
    [vector('a'), vector('b')],
    NUMBER,
    ([a, b]: Pair) => [v.dot(a, b)],
  ),
  crossProduct: pure(
    words('Cross product', 'Square to both.', 'normal perpendicular'),
    [vector('a'), vector('b')],
    VECTOR,
    ([a, b]: Pair) => [v.cross(a, b)],
  ),
  vectorAngle: pure(
    words('Angle of two vectors', 'Between their directions; none where one is nothing.', 'between degrees'),
    [vector('a', [1, 0, 0]), vector('b', [0, 1, 0])],
    [output('angle', 'number', { unit: 'degrees' })],
    ([a, b]: Pair) => [(Math.acos(clamp(v.dot(a, b) / (v.length(a) * v.length(b)), -1, 1)) * 180) / Math.PI],
  ),
};

export const ROTATION_NODES = {
  rotationFrom: pure(
    turns('Rotation from angles', 'Three angles, about x, then y, then z.', 'euler make'),
    [vector('angles')],
    ROTATION,
    ([a]: readonly [Vec3]) => [fromAngles(a)],
  ),
  anglesOf: pure(
    turns('Angles of a rotation', 'Three angles, about x, y and z.', 'euler split'),
    [rotation('rotation')],
    [output('angles', 'vector')],
    ([q]: readonly [Quaternion]) => [toAngles(q)],
  ),
  aboutAxis: defineNode({
    ...turns('Turn about an axis', 'By an angle about x, y or z.', 'axis angle spin'),
    inputs: [num('angle', 0, { unit: 'degrees' })],
    outputs: ROTATION,
    fields: { axis: choice('Which axis', { x: 'x', y: 'y', z: 'z' }) },
    fresh: { axis: 'y' },
    run: {
      as: 'values',
      of: ([angle]: readonly number[], { axis }) => [fromAxisAngle(v.UNIT_AXES[axis], angle!)],
    },
  }),
  lookingAt: pure(
    turns(
      'Looking at',
      'Turned so that the front looks from one place to another, upright.',
      'aim face point towards',
    ),
    [vector('from'), vector('to', [0, 0, 1])],
    ROTATION,
    ([from, to]: Pair) => [facing(v.subtract(to, from))],
  ),
  turnAfter: pure(
    turns('One turn after another', 'First the one, then the other.', 'multiply combine rotations'),
    [rotation('first'), rotation('then')],
    ROTATION,
    ([a, b]: readonly [Quaternion, Quaternion]) => [multiplyQuaternions(b, a)],
  ),
  mixRotations: pure(
    turns('Mix rotations', 'From one to the other the short way, by a share.', 'slerp blend interpolate'),
    [rotation('a'), rotation('b'), num('share', 0.5, { unit: 'percent' })],
    ROTATION,
    ([a, b, k]: readonly [Quaternion, Quaternion, number]) => [slerp(a, b, k)],
  ),
  turned: pure(
    turns('Turn a vector', 'The vector, turned.', 'rotate apply'),
    [vector('vector'), rotation('by')],
    VECTOR,
    ([a, q]: readonly [Vec3, Quaternion]) => [rotate(q, a)],
  ),
  rotationAngle: pure(
    turns('Angle of two rotations', 'How far one is turned from the other.', 'difference between'),
    [rotation('a'), rotation('b')],
    [output('angle', 'number', { unit: 'degrees' })],
    ([a, b]: readonly [Quaternion, Quaternion]) => [angleBetween(a, b)],
  ),
};
