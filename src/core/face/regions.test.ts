import { describe, expect, test } from '@jest/globals';
import {
  faceRegion,
  FACE_REGIONS,
  outlinePath,
  regionCentre,
  type FaceRegion,
  type Outline,
} from './regions';
import { OVAL } from './landmarks';
import { UV } from './neutral';
import { isInside, polygonArea } from '../maths/polygon';

const area = (line: Outline): number => Math.abs(polygonArea(line));
const oval: Outline = OVAL.map((i) => [UV[2 * i]!, UV[2 * i + 1]!]);
const areaOf = (name: FaceRegion) =>
  faceRegion(name).outlines.reduce((s, l) => s + area(l), 0) -
  faceRegion(name).holes.reduce((s, l) => s + area(l), 0);

describe('regions of the face', () => {
  test('the lid line leaves no corner standing beside a shut lid: it runs out flat', () => {
    for (const line of faceRegion('liner').outlines) {
      const [out, corner] = [line[0]!, line[1]!];
      expect(Math.abs(out[0] - corner[0])).toBeGreaterThan(2 * Math.abs(out[1] - corner[1]));
    }
  });
  test.each(FACE_REGIONS)('%s lies on the face, is no line, and is the same on both sides', (name) => {
    const { outlines } = faceRegion(name);
    expect(areaOf(name)).toBeGreaterThan(0.0005);
    for (const line of outlines) {
      expect(
        isInside(
          line.reduce(([a, b], p) => [a + p[0] / line.length, b + p[1] / line.length] as const, [
            0, 0,
          ] as readonly [number, number]),
          oval,
        ),
      ).toBe(true);
      for (const [u, v] of line) expect(u > 0 && u < 1 && v > 0 && v < 1).toBe(true);
    }
    if (outlines.length === 2) {
      expect(area(outlines[0]!) / area(outlines[1]!)).toBeCloseTo(1, 1);
      const middle = (l: Outline) => l.reduce((s, p) => s + p[0], 0) / l.length;
      expect(middle(outlines[0]!) + middle(outlines[1]!)).toBeCloseTo(1, 1);
    }
  });
  test('the lips are both lips, without the mouth', () => {
    expect(areaOf('upperLip') + areaOf('lowerLip')).toBeCloseTo(areaOf('lips'), 3);
  });
  test('are where their names say', () => {
    const v = (name: FaceRegion) => regionCentre(name)[1];
    expect(v('forehead')).toBeLessThan(v('brows'));
    expect(v('brows')).toBeLessThan(v('lids'));
    expect(v('lids')).toBeLessThan(v('underEyes'));
    expect(v('nose')).toBeLessThan(v('lips'));
    expect(v('lips')).toBeLessThan(v('chin'));
    expect(regionCentre('cheeks')[0]).toBeLessThan(0.4);
  });
  test('become paths', () =>
    expect(
      outlinePath(
        [
          [0, 0],
          [1, 0.5],
        ],
        100,
      ),
    ).toBe('M0.0 0.0L100.0 50.0Z'));
});
