import { describe, expect, test } from '@jest/globals';
import { headAnchor } from '../kinds/objects/placed';
import { positionOf } from '../maths/matrix';
import type { Vec3 } from '../maths/vec3';
import { projectPoint } from '../tracking/project';
import { HANDLED } from '../placing/handled';
import { placesOf } from '../placing/places';
import { box, effectWith } from '../placing/testing';
import { FIRST_TAKE } from '../takes/library';
import { gesturesOf } from './gestures';
import { Player } from './player';
import type { RecordedOf } from './recorded';

const at = (time: number, ...points: [number, number][]): RecordedOf<'fingers'> => ({
  time,
  input: { kind: 'fingers', fingers: points.map(([x, y], id) => ({ id, x, y })) },
});

describe('recorded gestures', () => {
  test('each from the first finger down to the last one up', () => {
    const touches = [at(1, [0.5, 0.5]), at(1.2, [0.6, 0.5], [0.2, 0.2]), at(1.5), at(3, [0, 0]), at(3.1)];
    expect(gesturesOf(touches)).toEqual([
      { from: 1, to: 1.5 },
      { from: 3, to: 3.1 },
    ]);
  });
  test('one that was cut off ends with its last record; none is none', () => {
    expect(gesturesOf([at(1, [0.5, 0.5]), at(2, [0.6, 0.5])])).toEqual([{ from: 1, to: 2 }]);
    expect(gesturesOf([at(1)])).toEqual([]);
  });
});

test('on a take a recorded drag is there at any moment, asked for in any order', () => {
  const effect = effectWith([
    box('crate', headAnchor('headCentre'), { byViewer: HANDLED, move: [0, 0, 0.12] }),
  ]);
  const placeAt = (player: Player, time: number): Vec3 => {
    const runtime = player.at(time);
    const frame = FIRST_TAKE.frameAt(time);
    const here = { frame, presence: runtime.presence, targets: player.program.targets, aspect: 9 / 16 };
    return positionOf(placesOf(player.program, runtime, here)[0]!.places[0]!.matrix);
  };
  const plain = new Player(effect, FIRST_TAKE);
  const { camera } = FIRST_TAKE.frameAt(2);
  const [x, y] = projectPoint(camera, camera.fovY, camera.aspect, placeAt(plain, 2))!;
  const recorded = [at(2, [x, y]), at(2.5, [x, y - 0.1]), at(3)];
  const dragged = new Player(effect, FIRST_TAKE, { recorded });
  expect(placeAt(dragged, 1)).toEqual(placeAt(plain, 1));
  const later = placeAt(dragged, 5);
  expect(later[1] - placeAt(plain, 5)[1]).toBeGreaterThan(0.02);
  expect(placeAt(dragged, 1.5)).toEqual(placeAt(plain, 1.5));
  expect(placeAt(dragged, 5)).toEqual(later);
});
