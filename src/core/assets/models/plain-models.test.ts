import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { plain, png, text } from '../testing';
import { CUBE } from './testing';
import { cross, dot, length, subtract, type Vec3 } from '../../maths/vec3';
import { companionsOf } from './companions';
import { inspectModel } from './inspect';
import { cornerNormals } from './normals';
import { readObj } from './obj';
import { plainDocument } from './plain-model';
import { readStl } from './stl';
import { triangulate } from './triangulate';

describe('polygons become triangles', () => {
  const area = (points: readonly Vec3[], order: readonly number[]): number => {
    let sum = 0;
    for (let i = 0; i < order.length; i += 3) {
      const [a, b, c] = [points[order[i]!]!, points[order[i + 1]!]!, points[order[i + 2]!]!];
      sum += length(cross(subtract(b, a), subtract(c, a))) / 2;
    }
    return sum;
  };
  test('an L that is not convex keeps its area and its side', () => {
    const l: Vec3[] = [
      [0, 0, 0],
      [2, 0, 0],
      [2, 1, 0],
      [1, 1, 0],
      [1, 2, 0],
      [0, 2, 0],
    ];
    const order = triangulate(l);
    expect(order).toHaveLength(12);
    expect(area(l, order)).toBeCloseTo(3, 9);
    for (let i = 0; i < order.length; i += 3) {
      const [a, b, c] = [l[order[i]!]!, l[order[i + 1]!]!, l[order[i + 2]!]!];
      expect(cross(subtract(b, a), subtract(c, a))[2]).toBeGreaterThan(0);
    }
  });
  test('corners on a straight side change nothing', () => {
    const l: Vec3[] = [
      [0, 0, 0],
      [1, 0, 0],
      [2, 0, 0],
      [2, 1, 0],
      [1, 1, 0],
      [1, 1.5, 0],
      [1, 2, 0],
      [0, 2, 0],
    ];
    expect(area(l, triangulate(l))).toBeCloseTo(3, 9);
  });
  test('any star, in any plane, gives n - 2 triangles of the same area', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.2, max: 1, noNaN: true }), { minLength: 5, maxLength: 20 }),
        fc.integer({ min: 0, max: 2 }),
        (radii, axis) => {
          const flat = radii.map((r, i) => {
            const a = (i / radii.length) * 2 * Math.PI;
            return [r * Math.cos(a), r * Math.sin(a)] as const;
          });
          const points = flat.map(([x, y]): Vec3 =>
            axis === 0 ? [3, x, y] : axis === 1 ? [y, 3, x] : [x, y, 3],
          );
          const shoelace =
            Math.abs(
              flat.reduce(
                (s, [x, y], i) =>
                  s + x * flat[(i + 1) % flat.length]![1] - flat[(i + 1) % flat.length]![0] * y,
                0,
              ),
            ) / 2;
          const order = triangulate(points);
          return order.length === (points.length - 2) * 3 && Math.abs(area(points, order) - shoelace) < 1e-9;
        },
      ),
    );
  });
  test('what has no area or crosses itself does not hang', () => {
    expect(triangulate([[0, 0, 0]])).toEqual([]);
    expect(triangulate(Array.from({ length: 6 }, (): Vec3 => [1, 1, 1]))).toHaveLength(12);
    expect(
      triangulate([
        [0, 0, 0],
        [1, 1, 0],
        [1, 0, 0],
        [0, 1, 0],
      ]).length,
    ).toBeGreaterThan(0);
  });
});

test('normals are smooth over gentle edges and sharp over hard ones', () => {
  // Two squares that meet at an angle: corners on the shared edge.
  const roof = (fold: number): Float32Array => {
    const [c, s] = [Math.cos((fold * Math.PI) / 180), Math.sin((fold * Math.PI) / 180)];
    const positions = [0, 0, 0, 1, 0, 0, 0, 0, -1, 0, 0, 0, -c, -s, 0, 0, 0, 1];
    return cornerNormals(positions, [0, 1, 2, 3, 4, 5], 40);
  };
  const n = (list: Float32Array, i: number): Vec3 => [list[i * 3]!, list[i * 3 + 1]!, list[i * 3 + 2]!];
  expect(dot(n(roof(60), 0), [0, 1, 0])).toBeCloseTo(1, 5);
  expect(Math.abs(n(roof(20), 0)[0])).toBeGreaterThan(0.05);
});

const MTL = `newmtl Shell\nKd 0.5 0.5 0.5\nNs 100\nd 0.5\nmap_Kd -s 1 1 1 tex/wood grain.png\n`;

describe('OBJ', () => {
  const texture = png(plain(4, 4, [200, 100, 50, 255]));
  test('quads, negative numbers, parts, materials and a texture with options before its name', () => {
    const companions = companionsOf(
      new Map([
        ['m/box.mtl', text(MTL)],
        ['textures/Wood Grain.png', texture],
      ]),
      'm/',
    );
    const model = readObj(text(CUBE), 'm/box.obj', companions);
    expect(model.notes).toEqual([]);
    expect(model.meshes.map((m) => m.part)).toEqual(['Box', 'Lid']);
    const document = plainDocument(model.meshes, model.materials);
    const facts = inspectModel(document);
    expect(facts).toMatchObject({
      triangles: 12,
      materials: 1,
      textures: 1,
      texturePixels: 4,
      low: [-1, -1, -1],
      high: [1, 1, 1],
    });
    const material = document.getRoot().listMaterials()[0]!;
    expect(material.getAlphaMode()).toBe('BLEND');
    expect(material.getBaseColorFactor()).toEqual([1, 1, 1, 0.5]);
    // All normals point out of the cube.
    const primitive = document.getRoot().listMeshes()[0]!.listPrimitives()[0]!;
    const [p, q]: [number[], number[]] = [[], []];
    for (let i = 0; i < primitive.getAttribute('POSITION')!.getCount(); i++) {
      primitive.getAttribute('POSITION')!.getElement(i, p);
      primitive.getAttribute('NORMAL')!.getElement(i, q);
      expect(dot(p as unknown as Vec3, q as unknown as Vec3)).toBeGreaterThan(0.9);
    }
  });
  test('what did not come along is named', () => {
    expect(readObj(text(CUBE), 'box.obj').notes[0]).toContain('box.mtl');
    const half = readObj(text(CUBE), 'box.obj', companionsOf(new Map([['box.mtl', text(MTL)]])));
    expect(half.notes[0]).toContain('wood grain.png');
  });
  test.each([
    ['a point that is not there', 'v 0 0 0\nf 1 2 3\n', 'line 2'],
    ['a point zero', 'v 0 0 0\nf 0 0 0\n', 'line 2'],
    ['a missing number', 'v 0 0\n', 'line 1'],
    ['points alone', 'v 0 0 0\nv 1 0 0\n', 'no faces'],
    ['points that are no numbers', 'v a b c\nv 1 0 0\nv 0 1 0\nf 1 2 3\n', 'numbers'],
  ])('%s is a sentence', (_what, obj, words) => {
    expect(() => readObj(text(obj), 'shell.obj')).toThrow(
      expect.objectContaining({
        name: 'IconiaError',
        message: expect.stringMatching(new RegExp(`shell\\.obj.*${words}`)),
      }),
    );
  });
});

describe('STL', () => {
  const triangle = [0, 0, 0, 1, 0, 0, 0, 1, 0];
  const binary = (triangles: number[][]): Uint8Array => {
    const bytes = new Uint8Array(84 + 50 * triangles.length);
    const view = new DataView(bytes.buffer);
    view.setUint32(80, triangles.length, true);
    triangles.forEach((t, i) => t.forEach((x, k) => view.setFloat32(84 + 50 * i + 12 + 4 * k, x, true)));
    return bytes;
  };
  const ascii =
    'solid s\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\nendloop\nendfacet\nendsolid s\n';
  test('binary and text give the same triangle', () => {
    for (const bytes of [binary([triangle]), text(ascii)])
      expect(readStl(bytes, 's.stl').meshes[0]!.positions).toEqual(triangle);
  });
  test('points that are no numbers are left out with their triangle, and that is said', () => {
    const model = readStl(binary([triangle, [NaN, ...triangle.slice(1)]]), 's.stl');
    expect(model.meshes[0]!.positions).toHaveLength(9);
    expect(model.notes[0]).toContain('1 triangles');
  });
  test('cut off or empty, it is a sentence', () => {
    for (const bytes of [binary([triangle]).slice(0, 100), binary([]), text(ascii.slice(0, 80))])
      expect(() => readStl(bytes, 's.stl')).toThrow(
        expect.objectContaining({ message: expect.stringContaining('s.stl') }),
      );
  });
});
