/** Which lights are on: the camera's, or the effect's own. */
import { describe, expect, test } from '@jest/globals';
import {
  AmbientLight,
  DirectionalLight,
  HemisphereLight,
  PointLight,
  Scene,
  type Light as Lamp,
} from 'three';
import { FOREHEAD } from '../../core/kinds/objects/placed';
import { newLight } from '../../core/kinds/objects/light';
import type { LightKind, ObjectId } from '../../core/document/schema';
import { composeMatrix } from '../../core/maths/matrix';
import { fromAngles } from '../../core/maths/quaternion';
import type { Vec3 } from '../../core/maths/vec3';
import { EffectLight, type PlacedLight } from './effect-light';

const placed = (kind: LightKind, turn: Vec3 = [0, 0, 0], move: Vec3 = [0, 0, 0]): PlacedLight => ({
  light: newLight('obj_lamp' as ObjectId, kind, 0, FOREHEAD),
  matrix: composeMatrix(move, fromAngles(turn), [1, 1, 1]),
});
const setUp = () => {
  const scene = new Scene();
  const light = new EffectLight(scene);
  const on = (): Lamp[] => scene.children.filter((c): c is Lamp => 'isLight' in c && c.visible);
  return { scene, light, on };
};
const GROUND = { centre: [0, -1, -2] as Vec3, reach: 1.5, softness: 0.5 };
const estimate = { direction: [0, 1, 0] as Vec3, colour: '#ffeedd' as const, brightness: 0.3 };

describe('light on an effect', () => {
  test('with nothing to be lit no light is on', () => {
    const { light, on } = setUp();
    light.update(false, [], estimate, null);
    expect(on()).toEqual([]);
  });
  test('without lights of its own it is lit as the camera picture is', () => {
    const { light, on } = setUp();
    light.update(true, [], estimate, null);
    const [key, sky] = [
      on().find((l) => l instanceof DirectionalLight)!,
      on().find((l) => l instanceof HemisphereLight)!,
    ];
    expect(key.position.clone().normalize().toArray()).toEqual([0, 1, 0]);
    const dim = key.intensity;
    light.update(true, [], { ...estimate, brightness: 0.6 }, null);
    expect(key.intensity).toBeCloseTo(2 * dim, 9);
    expect(sky.intensity).toBeGreaterThan(0);
  });
  test('with lights of its own, by them alone, each of its kind', () => {
    const { light, on } = setUp();
    light.update(
      true,
      [placed('ambient'), placed('point', [0, 0, 0], [0.1, 0.2, 0.3]), placed('directional')],
      estimate,
      null,
    );
    expect(on().map((l) => l.constructor)).toEqual([AmbientLight, PointLight, DirectionalLight]);
    expect(on()[1]!.position.toArray()).toEqual([0.1, 0.2, 0.3]);
    // One is taken away: the next one is of another kind and takes its place.
    light.update(true, [placed('directional')], estimate, null);
    expect(on().map((l) => l.constructor)).toEqual([DirectionalLight]);
    light.update(true, [], estimate, null);
    expect(on().some((l) => l instanceof HemisphereLight)).toBe(true);
  });
  test('a directional light shines along its own -Y, and its shadow falls on the ground', () => {
    const { light, on } = setUp();
    light.update(true, [placed('directional', [0, 0, 90])], null, GROUND);
    const lamp = on()[0] as DirectionalLight;
    const from = lamp.position.clone().sub(lamp.target.position).normalize();
    expect(from.x).toBeCloseTo(-1, 9);
    expect(lamp.target.position.toArray()).toEqual(GROUND.centre);
    expect(lamp.castShadow).toBe(true);
    expect(light.shadows).toBe(true);
    light.update(true, [placed('directional')], null, null);
    expect(light.shadows).toBe(false);
  });
  test('softer shadows are blurred wider; a lamp that casts none casts none', () => {
    const { light, on } = setUp();
    const radius = (softness: number): number => {
      light.update(true, [placed('directional')], null, { ...GROUND, softness });
      return (on()[0] as DirectionalLight).shadow.radius;
    };
    expect(radius(1)).toBeGreaterThan(radius(0));
    const plain = placed('directional');
    light.update(true, [{ ...plain, light: { ...plain.light, shadows: false } }], null, GROUND);
    expect(light.shadows).toBe(false);
  });
  test('surroundings alone light by what is around, turned with their object', () => {
    const { scene, light, on } = setUp();
    const own = placed('surroundings', [0, 40, 0]);
    light.update(true, [{ ...own, light: { ...own.light, strength: 0.5 } }], estimate, null);
    expect(on()).toEqual([]);
    expect(scene.environmentIntensity).toBe(0.5);
    expect(scene.environmentRotation.y).toBeCloseTo((40 * Math.PI) / 180, 9);
  });
});
