/** Single hairs: their ribbons, and that they stay on the skin they grow on. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Color } from 'three';
import { Random } from '../../core/maths/random';
import { distance, length, subtract, type Vec3 } from '../../core/maths/vec3';
import { deformHead, headTopology } from '../../core/takes/head-mesh';
import { performerOf } from '../../core/takes/library/performers';
import { BrowsView } from './brows-view';
import { looseEnds } from './hair/loose-ends';
import { HeadView } from './head-view';
import { skinMaterial } from './skin-material';
import {
  strandColour,
  strandGeometry,
  strandPositions,
  strandVertices,
  type Strand,
} from './strand-geometry';
import { SkinStrands } from './skin-strands';

const strand: Strand = {
  points: [
    [0, 0, 0],
    [0, 0.01, 0],
    [0, 0.02, 0],
  ],
  normal: [0, 0, 1],
  width: 0.001,
  colour: [0.2, 0.1, 0.05],
  root: 0.5,
  loose: [0.2, 0.8],
};

describe('a strand', () => {
  test('is as broad as told at the root, lies flat on what it grows from, and ends in a point', () => {
    const [a, b, c, d, tip] = strandPositions(strand) as [Vec3, Vec3, Vec3, Vec3, Vec3];
    expect(distance(a, b)).toBeCloseTo(0.001, 9);
    expect(distance(c, d)).toBeLessThan(0.001);
    expect(distance(c, d)).toBeGreaterThan(0.0005);
    expect(tip).toEqual([0, 0.02, 0]);
    for (const point of [a, b, c, d]) expect(point[2]).toBe(0);
  });
  test('a mesh of them: every triangle on vertices of one strand, dark at the root, looser towards the tip', () => {
    const geometry = strandGeometry([strand, strand]);
    expect(geometry.getAttribute('position').count).toBe(2 * strandVertices(3));
    const index = [...geometry.index!.array];
    expect(index).toHaveLength(2 * 3 * 3);
    for (let t = 0; t < index.length; t += 3) {
      const of = index.slice(t, t + 3).map((i) => Math.floor(i / strandVertices(3)));
      expect(new Set(of).size).toBe(1);
    }
    const colour = geometry.getAttribute('color');
    expect(colour.getX(0)).toBeCloseTo(0.1, 6);
    expect(colour.getX(4)).toBeCloseTo(0.2, 6);
    const loose = geometry.getAttribute('loose');
    expect([loose.getX(0), loose.getX(2), loose.getX(4)].map((x) => x.toFixed(2))).toEqual([
      '0.20',
      '0.50',
      '0.80',
    ]);
  });
  test('hairs are near the colour of the hair, none darker than half of it, none brighter than half more and a little light', () => {
    const base = new Color('#a5502a');
    const random = new Random(3);
    for (let n = 0; n < 400; n++) {
      const [r] = strandColour('#a5502a', random);
      expect(r).toBeGreaterThanOrEqual(0.55 * base.r - 1e-9);
      expect(r).toBeLessThanOrEqual(1.45 * base.r + 0.02);
    }
  });
});

describe('loose ends', () => {
  const point = (degrees: number, v: number): Vec3 => [
    0.09 * Math.sin((degrees * Math.PI) / 180),
    0.12 - 0.1 * v,
    0.09 * Math.cos((degrees * Math.PI) / 180),
  ];
  const options = {
    point,
    colour: '#201008',
    seed: 4,
    count: 120,
    degrees: [0, 60],
    roots: [0.7, 0.9],
    run: [0.1, 0.2],
    width: 0.0006,
  } as const;
  test('as many as told, along the shell, each running beyond its root', () => {
    const position = looseEnds(options).getAttribute('position');
    expect(position.count).toBe(120 * strandVertices(4));
    for (let n = 0; n < 120; n++) {
      const first = n * strandVertices(4);
      const [root, tip] = [position.getY(first), position.getY(first + 6)];
      expect(tip).toBeLessThan(root - 0.006);
      expect(root).toBeGreaterThan(0.12 - 0.1 * 0.92);
      expect(tip).toBeGreaterThan(0.12 - 0.1 * 1.12);
    }
  });
  test('the same seed grows the same, another seed others', () => {
    const of = (seed: number) => [...looseEnds({ ...options, seed }).getAttribute('position').array];
    expect(of(4)).toEqual(of(4));
    expect(of(5)).not.toEqual(of(4));
  });
  test('thinning leaves fewer towards the end of the roots', () => {
    const lows = [
      ...looseEnds({ ...options, count: 400, thinning: true }).getAttribute('position').array,
    ].filter((_, i) => i % 3 === 1 && Math.floor(i / 3) % strandVertices(4) === 0);
    const far = lows.filter((y) => y < 0.12 - 0.1 * 0.8).length;
    expect(far).toBeLessThan(0.35 * lows.length);
    expect(far).toBeGreaterThan(0);
  });
});

describe('hairs on the skin', () => {
  const performer = performerOf('asha');
  const head = new HeadView(performer, skinMaterial(performer.tone));
  const surface = () => head.surface;
  test('wherever they grow they are rooted on the skin, whatever the face does', () => {
    head.update({});
    const { uv } = headTopology();
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 467 }),
        fc.float({ min: 0, max: 1, noNaN: true }),
        fc.float({ min: 0, max: 1, noNaN: true }),
        (i, jawOpen, browInnerUp) => {
          head.update({});
          const strands = new SkinStrands(
            [
              {
                u: uv[2 * i]!,
                v: uv[2 * i + 1]!,
                grow: (root, normal) => ({
                  ...strand,
                  normal,
                  points: [root, [root[0], root[1], root[2] + 0.01]],
                }),
              },
            ],
            surface(),
          );
          head.update({ jawOpen, browInnerUp });
          strands.update(surface());
          const position = strands.geometry.getAttribute('position');
          // The tip stands 1 cm before the landmark it grows on.
          const tip: Vec3 = [position.getX(2), position.getY(2), position.getZ(2) - 0.01];
          const at = [0, 1, 2].map((k) => surface().positions[3 * i + k]!) as unknown as Vec3;
          expect(distance(tip, at)).toBeLessThan(1e-4);
        },
      ),
      { numRuns: 40 },
    );
  });
  test('outside of the layout nothing grows', () => {
    const none = new SkinStrands([{ u: 5, v: 5, grow: () => strand }], surface());
    expect(none.geometry.getAttribute('position').count).toBe(0);
  });
  test('brows go up with the brow, and stand within a few millimetres of the skin', () => {
    head.update({});
    const brows = new BrowsView(performer, surface());
    brows.update(surface());
    const heights = () => {
      const { array } = brows.mesh.geometry.getAttribute('position');
      return [...array].filter((_, i) => i % 3 === 1);
    };
    const mean = (all: readonly number[]) => all.reduce((a, b) => a + b, 0) / all.length;
    const rest = mean(heights());
    head.update({ browInnerUp: 1, browOuterUpLeft: 1, browOuterUpRight: 1 });
    brows.update(surface());
    expect(mean(heights()) - rest).toBeGreaterThan(0.003);
    const still = new Float32Array(3 * headTopology().count);
    deformHead(performer, {}, headTopology().count, still);
    head.update({});
    brows.update(surface());
    const position = brows.mesh.geometry.getAttribute('position');
    for (let n = 0; n < position.count; n += 5) {
      const root: Vec3 = [position.getX(n), position.getY(n), position.getZ(n)];
      let nearest = Infinity;
      for (let i = 0; i < still.length; i += 3)
        nearest = Math.min(nearest, length(subtract(root, [still[i]!, still[i + 1]!, still[i + 2]!])));
      expect(nearest).toBeLessThan(0.003);
    }
  });
});
