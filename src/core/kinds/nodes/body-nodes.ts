/** Simple motion of bodies: what is let go of and falls, what swings. Metres, in the fixed step. */
import { thrown, type Body } from '../../maths/body';
import { hangingRope, swungRope, type Rope } from '../../maths/rope';
import { clamp } from '../../maths/scalar';
import type { Vec3 } from '../../maths/vec3';
import { number } from '../../schema/properties';
import { STEP } from '../../units';
import { defineNode, event, num, output, plainNode, truth, vector } from './node-kind';

const CM = { unit: 'centimetres' } as const;
const isPlace = (v: Vec3): boolean => v.every((x) => Number.isFinite(x));
type BodyInputs = readonly [
  go: number,
  from: Vec3,
  speed: Vec3,
  radius: number,
  gravity: number,
  bounce: number,
  hasFloor: number,
  floor: number,
  ball: Vec3,
  ballRadius: number,
  box: Vec3,
  boxSize: Vec3,
];

export const BODY_NODES = {
  body: plainNode({
    inputs: [
      event('let go'),
      vector('from', [0, 0.3, 0]),
      vector('speed', [0, 0, 0], { label: 'speed then' }),
      num('radius', 0.02, CM),
      num('gravity', 9.81),
      num('bounce', 0.5, { unit: 'percent' }),
      truth('has floor', 0),
      num('floor', 0, CM),
      vector('ball'),
      num('ball radius', 0, CM),
      vector('box'),
      vector('box size'),
    ],
    outputs: [
      output('position', 'vector'),
      output('speed', 'vector'),
      output('hits', 'event'),
      output('runs', 'truth'),
    ],
    run: {
      as: 'memory',
      fresh: () => null,
      next: (state, given: BodyInputs) => {
        const [go, from, speed, radius, gravity, bounce, hasFloor, floor, ball, ballRadius, box, boxSize] =
          given;
        const before = go && isPlace(from) && isPlace(speed) ? { at: [...from], speed: [...speed] } : state;
        const was = before as Body | null;
        if (was === null) return { state: null, out: [[...from], [0, 0, 0], 0, 0] };
        const { body, hits } = thrown(
          was,
          {
            radius: Math.max(0, radius),
            gravity,
            bounce: clamp(bounce, 0, 1),
            floor: hasFloor ? floor : null,
            ball: isPlace(ball) ? { centre: ball, radius: ballRadius } : null,
            box: isPlace(box)
              ? { centre: box, half: [boxSize[0] / 2, boxSize[1] / 2, boxSize[2] / 2] }
              : null,
          },
          STEP,
        );
        return { state: body, out: [was.at, was.speed, hits ? 1 : 0, 1] };
      },
    },
  }),
  string: defineNode({
    inputs: [
      vector('from'),
      num('long', 0.1, { ...CM, label: 'length' }),
      num('gravity', 9.81),
      num('damping', 0.5, { unit: 'percent' }),
    ],
    outputs: [
      output('end', 'vector'),
      output('middle', 'vector'),
      output('x', 'list'),
      output('y', 'list'),
      output('z', 'list'),
    ],
    fields: { pieces: number({ name: 'Pieces', low: 2, high: 24, unit: 'count', whole: true }) },
    fresh: { pieces: 6 },
    run: {
      as: 'memory',
      fresh: () => null,
      next: (state, [from, long, gravity, damping]: readonly [Vec3, number, number, number], { pieces }) => {
        const length = Math.max(0.001, long || 0);
        let rope = state as Rope | null;
        if (isPlace(from))
          rope =
            rope?.points.length === pieces + 1
              ? swungRope(rope, [...from], length, { gravity, damping }, STEP)
              : hangingRope([...from], length, pieces);
        // Where what holds it is not seen, it stays as it was.
        if (rope === null) return { state: null, out: [NOT_THERE, NOT_THERE, [], [], []] };
        const { points } = rope;
        return {
          state: rope,
          out: [
            points.at(-1)!,
            points[Math.floor(points.length / 2)]!,
            ...[0, 1, 2].map((k) => points.map((point) => point[k]!)),
          ],
        };
      },
    },
  }),
};
const NOT_THERE: Vec3 = [NaN, NaN, NaN];
