/** A beard: layers over the skin where it grows, cut out by strands; it goes along with jaw and lips. */
import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  Group,
  Mesh,
  MeshLambertMaterial,
  type Texture,
} from 'three';
import { headTopology } from '../../core/takes/head-mesh';
import { smoothstep } from '../../core/maths/scalar';
import { Random } from '../../core/maths/random';
import type { Performer } from '../../core/takes/performer';
import { css, paintCanvas } from './canvas';
import { cutLips, SHEET, traceBeard } from './face-painting';
import { markPart } from '../parts';
import { madeSheet, sheetOf, sheetTexture, type Sheet } from './made-once';

const MASK = 256;
const PIXELS = 512;

/** How thick the beard is over the sheet, 0 to 1. */
const thickness = (): ((u: number, v: number) => number) => {
  const { context: g } = paintCanvas(MASK, MASK);
  g.scale(MASK / SHEET, MASK / SHEET);
  g.filter = 'blur(5px)';
  traceBeard(g);
  g.fillStyle = '#fff';
  g.fill();
  g.filter = 'none';
  cutLips(g);
  const { data } = g.getImageData(0, 0, MASK, MASK);
  return (u, v) => {
    const [x, y] = [u, v].map((t) => Math.min(MASK - 1, Math.max(0, Math.floor(t * MASK)))) as [
      number,
      number,
    ];
    return data[4 * (y * MASK + x) + 3]! / 255;
  };
};

const paintStrands = (performer: Performer, sparse: number, seed: number): Sheet => {
  const { context: g } = paintCanvas(PIXELS, PIXELS);
  g.scale(PIXELS / SHEET, PIXELS / SHEET);
  const random = new Random(seed);
  const colour = performer.hair.style === 'bald' ? performer.brows.colour : performer.hair.colour;
  for (let n = 0; n < 15000 * (1 - 0.6 * sparse); n++) {
    const [x, y] = [random.between(0, SHEET), random.between(520, SHEET)];
    const light = random.between(0.82, 1.28) * (0.78 + 0.3 * sparse);
    g.strokeStyle = css(colour, [light, light, light], 1);
    g.lineWidth = random.between(1.5, 2.6);
    g.beginPath();
    g.moveTo(x, y);
    g.quadraticCurveTo(
      x + random.between(-3, 3),
      y + 6,
      x + (x - 512) * 0.016 + random.between(-4, 4),
      y + random.between(8, 17),
    );
    g.stroke();
  }
  return sheetOf(g);
};

const strands = (performer: Performer, sparse: number, seed: number): Texture =>
  sheetTexture(
    madeSheet(`beard ${sparse} ${seed} ${JSON.stringify(performer)}`, () =>
      paintStrands(performer, sparse, seed),
    ),
  );

/** Whether a mesh is part of a beard: hair, but not that of the head. */
export const isBeard = (mesh: Mesh): boolean => mesh.parent?.userData.beard === true;

export class BeardView {
  readonly group = new Group();
  private readonly vertices: number[] = [];
  private readonly thick: Float32Array;
  private readonly layers: { geometry: BufferGeometry; lift: number }[] = [];

  constructor(performer: Performer) {
    markPart(this.group, 'hair');
    this.group.userData.beard = true;
    const { uv, triangles } = headTopology();
    const at = thickness();
    const all = Float32Array.from({ length: uv.length / 2 }, (_, i) => at(uv[2 * i]!, uv[2 * i + 1]!));
    const index: number[] = [];
    const renumbered = new Map<number, number>();
    for (let t = 0; t < triangles.length; t += 3) {
      const corners = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
      if (corners.every((i) => all[i]! < 0.06)) continue;
      for (const i of corners) {
        if (!renumbered.has(i)) {
          renumbered.set(i, this.vertices.length);
          this.vertices.push(i);
        }
        index.push(renumbered.get(i)!);
      }
    }
    // Long at the chin, short on the cheeks.
    this.thick = Float32Array.from(
      this.vertices,
      (i) => all[i]! * (0.3 + 0.7 * smoothstep(0.62, 0.86, uv[2 * i + 1]!)),
    );
    const own = Float32Array.from(this.vertices.flatMap((i) => [uv[2 * i]!, uv[2 * i + 1]!]));
    const [count, high] = [5, 0.0105];
    for (let n = 1; n <= count; n++) {
      const geometry = new BufferGeometry();
      geometry.setAttribute('position', new BufferAttribute(new Float32Array(this.vertices.length * 3), 3));
      geometry.setAttribute('normal', new BufferAttribute(new Float32Array(this.vertices.length * 3), 3));
      geometry.setAttribute('uv', new BufferAttribute(own, 2));
      geometry.setIndex(index);
      const mesh = new Mesh(
        geometry,
        new MeshLambertMaterial({
          map: strands(performer, n / count, performer.seed + n),
          alphaTest: 0.4,
          side: DoubleSide,
        }),
      );
      mesh.frustumCulled = false;
      this.layers.push({ geometry, lift: (high * n) / count });
      this.group.add(mesh);
    }
  }

  update({ positions, normals }: { positions: Float32Array; normals: Float32Array }): void {
    for (const { geometry, lift } of this.layers) {
      const [position, normal] = [geometry.getAttribute('position'), geometry.getAttribute('normal')];
      this.vertices.forEach((i, k) => {
        const high = lift * this.thick[k]!;
        const [nx, ny, nz] = [normals[3 * i]!, normals[3 * i + 1]!, normals[3 * i + 2]!];
        // Strands hang: the further out, the lower.
        position.setXYZ(
          k,
          positions[3 * i]! + nx * high,
          positions[3 * i + 1]! + ny * high - 0.75 * high * this.thick[k]!,
          positions[3 * i + 2]! + nz * high,
        );
        normal.setXYZ(k, nx, ny, nz);
      });
      position.needsUpdate = true;
      normal.needsUpdate = true;
    }
  }
}
