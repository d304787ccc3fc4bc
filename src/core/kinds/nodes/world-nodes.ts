/** Where faces, hands, pictures, surfaces and the viewer are, and what rays from the picture meet. Metres. */
import { FEATURE_POINT_NAMES, type FeaturePoint } from '../../face/feature-points';
import { HAND_POINT_NAMES, type HandPoint } from '../../hand/points';
import { decomposeMatrix, transformPoint, type Matrix } from '../../maths/matrix';
import { toLocal } from '../../maths/pose';
import { IDENTITY } from '../../maths/quaternion';
import { intersectEllipsoid, intersectPlane, pointOn, rayThrough, type Ray } from '../../maths/ray';
import { linearOf, luminance, rgbOf, toSrgb } from '../../maths/srgb';
import { distance, length, type Vec3 } from '../../maths/vec3';
import { targetIdSchema, SURFACE_KINDS, type Anchor } from '../../schema/anchor-schema';
import { choice } from '../../schema/properties';
import { toChoose } from '../../schema/references';
import { defineNode, input, num, output, plainNode, pure, vector, type NodeInstant } from './node-kind';
import type { PortValue } from './ports';

const PLACE = [output('position', 'vector'), output('rotation', 'rotation'), output('there', 'truth')];
const NOWHERE: readonly PortValue[] = [[NaN, NaN, NaN], IDENTITY, 0];
/** What is not there has no position, so that nothing is written by it. */
const placeOf = (matrix: Matrix | undefined): readonly PortValue[] => {
  if (!matrix) return NOWHERE;
  const { move, rotation } = decomposeMatrix(matrix);
  return [move, rotation, 1];
};
const numbered = (at: NodeInstant, anchor: Anchor, number: number): readonly PortValue[] =>
  placeOf(at.world.anchors(anchor).find(({ instance }) => instance === Math.round(number) - 1)?.matrix);
/** Words of points: "eyeLeft" is "eye left". */
const wordsOf = <Name extends string>(names: readonly Name[]): Record<Name, string> =>
  Object.fromEntries(
    names.map((name) => [name, name.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)]),
  ) as Record<Name, string>;

const RAY = [output('from', 'vector'), output('along', 'vector')];
const ray = [vector('from'), vector('along', [0, 0, -1])];
const MEETS = [
  output('at', 'vector'),
  output('hits', 'truth'),
  output('far', 'number', { unit: 'centimetres' }),
];
const rayOf = (at: NodeInstant, x: number, y: number): Ray =>
  rayThrough(at.world.camera, at.world.view.fovY, at.world.view.aspect, x, y);
const met = (of: Ray, t: number | null): readonly PortValue[] => {
  if (t === null || !Number.isFinite(t)) return [[NaN, NaN, NaN], 0, NaN];
  const at = pointOn(of, t);
  return [at, 1, distance(at, of.from)];
};

export const WORLD_NODES = {
  facePlace: defineNode({
    inputs: [num('face', 1)],
    outputs: PLACE,
    fields: { point: choice('Which point of the face', wordsOf(FEATURE_POINT_NAMES)) },
    fresh: { point: 'noseTip' },
    needs: () => ['faces'],
    faceInput: 'face',
    run: {
      as: 'values',
      of: ([face]: readonly number[], { point }, at) =>
        numbered(at, { kind: 'head', face: 'every', point: point as FeaturePoint, grows: false }, face!),
    },
  }),
  handPlace: defineNode({
    inputs: [num('hand', 1)],
    outputs: PLACE,
    fields: { point: choice('Which point of the hand', wordsOf(HAND_POINT_NAMES)) },
    fresh: { point: 'indexTip' },
    needs: () => ['hands'],
    run: {
      as: 'values',
      of: ([hand]: readonly number[], { point }, at) =>
        numbered(at, { kind: 'hand', hand: 'every', point: point as HandPoint, grows: false }, hand!),
    },
  }),
  picturePlace: defineNode({
    inputs: [],
    outputs: PLACE,
    fields: { picture: toChoose(targetIdSchema, 'Which printed picture', { ask: 'Choose the picture' }) },
    fresh: { picture: null },
    needs: ({ picture }) => [{ picture }],
    run: {
      as: 'values',
      of: (_none: readonly never[], { picture }, at) =>
        picture === null
          ? NOWHERE
          : placeOf(at.world.anchors({ kind: 'picture', target: picture })[0]?.matrix),
    },
  }),
  surfacePlace: defineNode({
    inputs: [],
    outputs: PLACE,
    fields: { surface: choice('Which surface', wordsOf(SURFACE_KINDS)) },
    fresh: { surface: 'floor' },
    needs: ({ surface }) => [{ surface }],
    run: {
      as: 'values',
      of: (_none: readonly never[], { surface }, at) =>
        placeOf(at.world.anchors({ kind: 'world', surface })[0]?.matrix),
    },
  }),
  viewerPlace: plainNode({
    inputs: [],
    outputs: PLACE.slice(0, 2),
    run: {
      as: 'values',
      of: (_none: readonly never[], _set, { world: { camera } }) => [
        camera.pose.position,
        camera.pose.rotation,
      ],
    },
  }),
  pictureLight: plainNode({
    inputs: [],
    outputs: [
      output('colour', 'colour'),
      output('brightness', 'number', { unit: 'percent' }),
      output('towards', 'vector'),
      output('known', 'truth'),
    ],
    run: {
      as: 'values',
      of: (_none: readonly never[], _set, { world: { light } }) =>
        light
          ? [linearOf(rgbOf(light.colour)), light.brightness, light.direction, 1]
          : [[1, 1, 1], NaN, [0, 1, 0], 0],
    },
  }),
  pictureColour: plainNode({
    inputs: [num('across', 0.5), num('down', 0.5), num('size', 0.05, { unit: 'percent' })],
    outputs: [
      output('colour', 'colour'),
      output('brightness', 'number', { unit: 'percent' }),
      output('known', 'truth'),
    ],
    needs: () => ['colours'],
    run: {
      as: 'values',
      of: ([across, down, size]: readonly number[], _set, at) => {
        const colour = at.world.colourAround(across!, down!, size!);
        return colour ? [colour, toSrgb(luminance(colour)), 1] : [[NaN, NaN, NaN], NaN, 0];
      },
    },
  }),
  tapPlace: plainNode({
    inputs: [],
    outputs: [
      output('tapped', 'event'),
      output('across', 'number'),
      output('down', 'number'),
      ...RAY,
      output('object', 'object'),
    ],
    isPlaced: true,
    run: {
      as: 'memory',
      fresh: (): readonly PortValue[] => [NaN, NaN, [NaN, NaN, NaN], [0, 0, -1], ''],
      // The last one stays until the next.
      next: (state, _none: readonly never[], _set, at) => {
        const tap = at.world.taps.at(-1);
        const last = state as readonly PortValue[];
        if (!tap) return { state: last, out: [0, ...last] };
        const { from, along } = rayOf(at, tap.x, tap.y);
        const now = [tap.x, tap.y, from, along, at.world.touched(tap.x, tap.y) ?? ''];
        return { state: now, out: [1, ...now] };
      },
    },
  }),
  pictureRay: pure([num('across', 0.5), num('down', 0.5)], RAY, ([x, y]: readonly number[], at) => {
    const { from, along } = rayOf(at, x!, y!);
    return [from, along];
  }),
  onPicture: pure(
    [vector('position')],
    [output('across', 'number'), output('down', 'number'), output('before', 'truth')],
    ([position]: readonly [Vec3], { world: { camera, view } }) => {
      const [x, y, z] = toLocal(camera.pose, position);
      // Behind the viewer it is nowhere on the picture.
      if (!(z < -1e-6)) return [NaN, NaN, 0];
      const half = Math.tan((view.fovY * Math.PI) / 360) * -z;
      return [(x / (half * view.aspect) + 1) / 2, (1 - y / half) / 2, 1];
    },
  ),
  rayToPlane: pure(
    [...ray, vector('point'), vector('up', [0, 1, 0])],
    MEETS,
    ([from, along, point, up]: readonly [Vec3, Vec3, Vec3, Vec3]) =>
      met({ from, along }, length(up) === 0 ? null : intersectPlane({ from, along }, point, up)),
  ),
  rayToBall: pure(
    [...ray, vector('centre'), num('radius', 0.1, { unit: 'centimetres' })],
    MEETS,
    ([from, along, centre, radius]: readonly [Vec3, Vec3, Vec3, number]) =>
      met(
        { from, along },
        radius > 0 ? intersectEllipsoid({ from, along }, centre, [radius, radius, radius]) : null,
      ),
  ),
  rayToObject: plainNode({
    inputs: [...ray, input('object', 'object', null, { needed: true })],
    outputs: MEETS,
    isPlaced: true,
    run: {
      as: 'values',
      of: ([from, along, object]: readonly [Vec3, Vec3, string], _set, at) =>
        met({ from, along }, at.world.meets(object, { from, along })),
    },
  }),
};

const OBJECTS = ['a', 'b', 'c', 'd'].map((name) => input(name, 'object', null));
const objectIn = (name = 'object') => input(name, 'object', null, { needed: true });
const firstPlace = (at: NodeInstant, object: string): Vec3 | null => {
  const [matrix] = at.world.placesOf(object);
  return matrix ? transformPoint(matrix, [0, 0, 0]) : null;
};

/** Nodes that ask where objects are. */
export const PLACED_NODES = {
  objectPlace: plainNode({
    inputs: [objectIn()],
    outputs: PLACE,
    isPlaced: true,
    run: {
      as: 'values',
      of: ([object]: readonly string[], _set, at) => placeOf(at.world.placesOf(object!)[0]),
    },
  }),
  copiesOf: plainNode({
    inputs: [objectIn()],
    outputs: [output('count', 'number'), output('x', 'list'), output('y', 'list'), output('z', 'list')],
    isPlaced: true,
    run: {
      as: 'values',
      of: ([object]: readonly string[], _set, at) => {
        const all = at.world.placesOf(object!).map((matrix) => transformPoint(matrix, [0, 0, 0]));
        return [all.length, ...[0, 1, 2].map((k) => all.map((position) => position[k]!))];
      },
    },
  }),
  objectsApart: plainNode({
    inputs: [objectIn('a'), objectIn('b')],
    outputs: [output('far', 'number', { unit: 'centimetres' })],
    isPlaced: true,
    run: {
      as: 'values',
      of: ([a, b]: readonly string[], _set, at) => {
        const [from, to] = [firstPlace(at, a!), firstPlace(at, b!)];
        return [from && to ? distance(from, to) : NaN];
      },
    },
  }),
  nearestObject: plainNode({
    inputs: [vector('to'), ...OBJECTS],
    outputs: [output('object', 'object'), output('far', 'number', { unit: 'centimetres' })],
    isPlaced: true,
    run: {
      as: 'values',
      of: ([to, ...objects]: readonly [Vec3, ...string[]], _set, at) => {
        let [nearest, least] = ['', Infinity];
        for (const object of objects) {
          const place = object === '' ? null : firstPlace(at, object);
          const far = place ? distance(place, to) : NaN;
          if (far < least) [nearest, least] = [object, far];
        }
        return [nearest, nearest === '' ? NaN : least];
      },
    },
  }),
};
