import { describe, expect, test } from '@jest/globals';
import type { Light, ObjectId } from '../document/schema';
import { newLight } from '../kinds/objects/light';
import { FOREHEAD } from '../kinds/objects/placed';
import { composeMatrix, IDENTITY_MATRIX } from '../maths/matrix';
import { fromAngles, IDENTITY } from '../maths/quaternion';
import { faceLightsOf, MOST_LAMPS } from './face-lights';

const light = (kind: Light['light'], of: Partial<Light> = {}): Light => ({
  ...newLight(`obj_${kind}_light` as ObjectId, kind, 0, FOREHEAD),
  onFaces: 'beside',
  ...of,
});
const here = (of: Light, matrix = IDENTITY_MATRIX) => ({ light: of, matrix });

describe('lights that reach faces', () => {
  test('are none unless one says so', () => {
    expect(faceLightsOf([])).toBeNull();
    expect(faceLightsOf([here(light('point', { onFaces: 'no' }))])).toBeNull();
  });
  test('stand beside the light of the camera, or instead of it if any of them does', () => {
    const beside = here(light('ambient'));
    expect(faceLightsOf([beside])!.camera).toBe(1);
    expect(faceLightsOf([beside, here(light('point', { onFaces: 'instead' }))])!.camera).toBe(0);
  });
  test('a directional one shines along its own -Y, turned as its object is', () => {
    const up = faceLightsOf([here(light('directional'))])!.lamps[0]!;
    expect(up.at).toEqual([0, 1, 0]);
    const turned = composeMatrix([1, 2, 3], fromAngles([90, 0, 0]), [2, 2, 2]);
    const [x, y, z] = faceLightsOf([here(light('directional'), turned)])!.lamps[0]!.at;
    expect([x, y, z].map((v) => Math.round(v * 1000) / 1000)).toEqual([0, 0, 1]);
  });
  test('a point light is where it is; its strength and its colour (linear) count', () => {
    const at = composeMatrix([0.1, 0.2, 0.3], IDENTITY, [1, 1, 1]);
    const [full] = faceLightsOf([here(light('point', { colour: '#ff8000' }), at)])!.lamps;
    const [half] = faceLightsOf([here(light('point', { colour: '#ff8000', strength: 0.5 }), at)])!.lamps;
    expect(full!.at).toEqual([0.1, 0.2, 0.3]);
    full!.colour.forEach((c, i) => expect(half!.colour[i]!).toBeCloseTo(c / 2, 9));
    expect(full!.colour[1]! / full!.colour[0]!).toBeCloseTo(0.2158, 3);
    expect(full!.colour[2]).toBe(0);
  });
  test('surroundings are turned and dimmed with their object; of many lamps the strongest count', () => {
    const turned = composeMatrix([0, 0, 0], fromAngles([0, 40, 0]), [1, 1, 1]);
    const around = faceLightsOf([here(light('surroundings', { strength: 0.3 }), turned)])!;
    expect(around.surroundings).toMatchObject({ asset: null, strength: 0.3 });
    expect(around.surroundings!.turn[1]).toBeCloseTo(40, 6);
    const many = Array.from({ length: 20 }, (_, i) => here(light('ambient', { strength: i / 10 })));
    const { lamps } = faceLightsOf(many)!;
    expect(lamps).toHaveLength(MOST_LAMPS);
    expect(lamps[0]!.colour[0]).toBeCloseTo((1.9 * 1.2) / Math.PI, 6);
  });
});
