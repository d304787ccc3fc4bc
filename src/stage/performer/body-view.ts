/** Neck and shoulders; they do not turn with the head. */
import {
  BufferGeometry,
  Color,
  DoubleSide,
  Float32BufferAttribute,
  Group,
  Mesh,
  MeshLambertMaterial,
} from 'three';
import { Random } from '../../core/maths/random';
import { smoothstep } from '../../core/maths/scalar';
import type { Clothes, Performer } from '../../core/takes/performer';
import { SKINS } from '../../core/takes/skin-tones';
import { markPart } from '../parts';
import { skinMaterial } from './skin-material';

/** Height, half-widths in x and z, centre in z, squareness (2 is an ellipse): centimetres. */
type Ring = readonly [number, number, number, number, number?];

const lathe = (
  rings: readonly Ring[],
  around: number,
  tint: (x: number, y: number, z: number) => number,
): BufferGeometry => {
  const positions: number[] = [];
  const colours: number[] = [];
  const index: number[] = [];
  for (const [y, rx, rz, cz, square = 2] of rings)
    for (let j = 0; j <= around; j++) {
      const a = (j / around) * 2 * Math.PI;
      const power = 2 / square;
      const bend = (v: number) => Math.sign(v) * Math.abs(v) ** power;
      const p = [bend(Math.cos(a)) * rx, y, cz + bend(Math.sin(a)) * rz].map((cm) => cm / 100) as [
        number,
        number,
        number,
      ];
      positions.push(...p);
      const t = tint(...p);
      colours.push(t, t * 0.985, t * 0.97);
    }
  for (let r = 0; r < rings.length - 1; r++)
    for (let j = 0; j < around; j++) {
      const a = r * (around + 1) + j;
      const b = a + around + 1;
      index.push(a, a + 1, b, b, a + 1, b + 1);
    }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('color', new Float32BufferAttribute(colours, 3));
  geometry.setIndex(index);
  geometry.computeVertexNormals();
  return geometry;
};

const NECK: readonly Ring[] = [
  [-1, 5.0, 4.0, -5.4],
  [-5, 5.1, 4.5, -5.2],
  [-8, 5.1, 4.8, -5.0],
  [-11, 5.2, 5.0, -4.9],
  [-13.5, 5.7, 5.5, -5],
  [-16, 7.2, 6.2, -5.4],
];

const TORSO: readonly Ring[] = [
  [-16.6, 14.6, 8.3, -5.8, 2.2],
  [-18.6, 17.4, 9.0, -5.8, 2.35],
  [-21.5, 19.2, 9.7, -5.7, 2.5],
  [-26, 20, 10.4, -5.5, 2.6],
  [-34, 20.2, 11, -5.2, 2.6],
  [-48, 19.6, 11.4, -5, 2.6],
  [-70, 19, 12, -5, 2.6],
];

const NECKLINES: Readonly<Record<Clothes, readonly Ring[]>> = {
  rollNeck: [
    [-11.4, 5.75, 5.7, -5.1],
    [-11.2, 6.15, 6.1, -5.1],
    [-11.9, 6.5, 6.5, -5.1],
    [-13.2, 6.75, 6.9, -5.2],
    [-14.1, 7.9, 7.2, -5.4],
    [-15.2, 11, 7.7, -5.6, 2.1],
  ],
  crewNeck: [
    [-14.7, 6.9, 6.7, -5],
    [-14.5, 7.35, 7.1, -5],
    [-14.9, 8.1, 7.4, -5.2],
    [-15.5, 10.9, 7.9, -5.6, 2.1],
  ],
  collar: [
    [-11.9, 6.0, 6.0, -5.2],
    [-11.6, 6.3, 6.4, -5.2],
    [-12.2, 6.8, 7, -5.1],
    [-14.5, 7.9, 8.1, -5],
    [-14.4, 7.5, 7.6, -5.1],
    [-13.6, 6.7, 6.8, -5.2],
    [-15.1, 9.6, 7.8, -5.6, 2.1],
  ],
};
/** What the skin shows below the neck, under an open neckline. */
const CHEST: readonly Ring[] = [
  [-15.4, 9.6, 7.2, -5.5],
  [-16.8, 13.6, 7.9, -5.7, 2.1],
];

export const bodyView = ({ clothes, tone, seed }: Performer): Group => {
  const random = new Random(seed);
  const skin = skinMaterial(tone, {
    color: new Color(SKINS[tone].base),
    vertexColors: true,
    side: DoubleSide,
  });
  const knit = new MeshLambertMaterial({
    color: new Color(clothes.colour),
    vertexColors: true,
    side: DoubleSide,
  });
  const body = new Group();
  markPart(body, 'body');
  const fold = (x: number, y: number, z: number) =>
    0.82 +
    0.18 * smoothstep(-0.12, -0.17, y) +
    0.035 * Math.sin(38 * x + 24 * y) * smoothstep(-0.17, -0.24, y) -
    (clothes.kind === 'collar' ? 0.3 * smoothstep(0.0035, 0.001, Math.abs(x)) * smoothstep(0, 0.02, z) : 0);
  // The chin shades the neck; the collar shades what is just below it.
  const neck = new Mesh(
    lathe(
      [...NECK, ...CHEST],
      48,
      (_x, y, z) => 0.5 + 0.44 * smoothstep(-0.085, -0.15, y) + 0.06 * smoothstep(-0.08, -0.02, z),
    ),
    skin,
  );
  markPart(neck, 'skin');
  body.add(
    neck,
    new Mesh(
      lathe(
        [...NECKLINES[clothes.kind], ...TORSO],
        72,
        (x, y, z) => fold(x, y, z) + 0.05 * (random.next() - 0.5),
      ),
      knit,
    ),
  );
  return body;
};
