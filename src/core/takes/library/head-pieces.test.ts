/** A head piece that came in 100 times too large, mended by two repairs, on every head of every take. */
import { beforeAll, describe, expect, test } from '@jest/globals';
import { MeshoptSimplifier } from 'meshoptimizer';
import { AS_IT_IS } from '../../assets/models/as-it-is';
import { worldTriangles } from '../../assets/models/inspect';
import { plainDocument } from '../../assets/models/plain-model';
import { prepareModel } from '../../assets/models/prepare';
import { crownMesh } from '../../assets/testing';
import { newModel } from '../../kinds/objects/model';
import type { AssetId, ModelAsset, ObjectId } from '../../document/schema';
import { featurePoint } from '../../face/feature-points';
import { headFactor } from '../../face/head-factor';
import { add, pointAt, scale, type Vec3 } from '../../maths/vec3';
import { headMesh, trueLandmarks } from '../head-mesh';
import { sharpCodec } from '../../../../scripts/sharp-codec';
import { SHIPPED_TAKES } from './index';

/** Eight directions around the head, from the front on. */
const SECTORS = 8;
const sectorOf = (x: number, z: number): number =>
  (Math.round((Math.atan2(x, z) / (2 * Math.PI)) * SECTORS) + SECTORS) % SECTORS;

/** The mended crown's points, about its pivot. */
let crown: Vec3[] = [];
beforeAll(async () => {
  const wrong = plainDocument(crownMesh(100, true), new Map());
  const { document } = await prepareModel(
    wrong,
    { ...AS_IT_IS, size: { kind: 'head', as: 'crown' }, pivot: { kind: 'base' } },
    {
      codec: sharpCodec,
      simplifier: async () => {
        await MeshoptSimplifier.ready;
        return MeshoptSimplifier;
      },
    },
  );
  const corners = worldTriangles(document);
  crown = Array.from({ length: corners.length / 3 }, (_, i) => pointAt(corners, i));
});

/** How far the crown's inner side is from the axis in each direction, within 3 cm above its base. */
const innerRing = (): number[] => {
  const radii = Array<number>(SECTORS).fill(Infinity);
  for (const [x, y, z] of crown)
    if (y < 0.03) radii[sectorOf(x, z)] = Math.min(radii[sectorOf(x, z)]!, Math.hypot(x, z));
  return radii;
};

describe('a crown fitted to the head', () => {
  test('is as wide as a head, with its pivot in the middle of its base', () => {
    const xs = crown.map(([x]) => x);
    expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan(0.18);
    expect(Math.max(...xs) - Math.min(...xs)).toBeLessThan(0.24);
    expect(Math.min(...crown.map(([, y]) => y))).toBeCloseTo(0, 4);
    expect(Math.max(...xs) + Math.min(...xs)).toBeCloseTo(0, 3);
  });

  for (const take of SHIPPED_TAKES.filter((t) => t.performers.length > 0))
    test(`closes around each head of ${take.name}`, () => {
      const asset = {
        id: 'asset_crown' as AssetId,
        name: 'crown.glb',
        clips: [],
        low: [0, 0, 0],
      } as unknown as ModelAsset;
      const placed = newModel('obj_crown' as ObjectId, asset, 1);
      const ring = innerRing();
      // Whoever is there at a dozen moments, with the faces they make.
      const there = Array.from(
        { length: 12 },
        (_, i) => take.sceneAt((i / 12) * take.duration).people,
      ).flat();
      expect(new Set(there.map((p) => p.performer)).size).toBe(take.performers.length);
      for (const { performer, expressions } of there) {
        const landmarks = trueLandmarks(performer, expressions);
        // It grows with the head, and so does the way from the crown point to its seat.
        const k = headFactor(landmarks);
        const seat = add(featurePoint(landmarks, 'crown'), scale(placed.move, k));
        const { positions } = headMesh(performer);
        const skull = Array<number>(SECTORS).fill(0);
        let top = -Infinity;
        for (let i = 0; i < positions.length / 3; i++) {
          const [x, y, z] = pointAt(positions, i).map((v, k) => v - seat[k]!) as unknown as Vec3;
          top = Math.max(top, y);
          if (y > 0 && y < 0.02) skull[sectorOf(x, z)] = Math.max(skull[sectorOf(x, z)]!, Math.hypot(x, z));
        }
        // It closes around the skull with room for hair, and neither cuts into it nor hangs loose.
        for (let s = 0; s < SECTORS; s++) {
          expect(ring[s]! * k - skull[s]!).toBeGreaterThan(-0.004);
          expect(ring[s]! * k - skull[s]!).toBeLessThan(0.032);
        }
        // The head fills it: the skull rises out of the base. And the base clears the brows.
        expect(top).toBeGreaterThan(0.03);
        for (const brow of [105, 334]) expect(seat[1] - pointAt(landmarks, brow)[1]).toBeGreaterThan(0.008);
      }
    });
});
