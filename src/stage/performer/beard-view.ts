/** A beard or a moustache of single hairs, longer towards the chin; it goes along with jaw and lips. */
import { DoubleSide, Group, Mesh, MeshLambertMaterial } from 'three';
import { Random } from '../../core/maths/random';
import { lerp, smoothstep } from '../../core/maths/scalar';
import { add, normalise, scale, type Vec3 } from '../../core/maths/vec3';
import type { Performer } from '../../core/takes/performer';
import { markPart } from '../parts';
import { paintCanvas } from './canvas';
import { at, cutLips, SHEET, traceBeard, traceMoustache } from './face-painting';
import { SkinStrands, type Grow, type Surface } from './skin-strands';
import { strandColour } from './strand-geometry';

const MASK = 256;

/** How thick it grows over the sheet, 0 to 1. */
const thickness = (traced: typeof traceBeard, soft: number): ((u: number, v: number) => number) => {
  const { context: g } = paintCanvas(MASK, MASK);
  g.scale(MASK / SHEET, MASK / SHEET);
  g.filter = `blur(${soft}px)`;
  traced(g);
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

/** Whether a mesh is part of a beard: hair, but not that of the head. */
export const isBeard = (mesh: Mesh): boolean => mesh.parent?.userData.beard === true;

/** What a beard is made of, by how much of one there is. */
const GROWN = {
  full: { count: 5200, long: 1, soft: 4, traced: traceBeard },
  moustache: { count: 300, long: 0.7, soft: 2, traced: traceMoustache },
} as const;
export type Grown = keyof typeof GROWN;

export class BeardView {
  readonly group = new Group();
  private readonly strands: SkinStrands;

  constructor(performer: Performer, grown: Grown, rest: Surface) {
    markPart(this.group, 'hair');
    this.group.userData.beard = true;
    const { count, long, soft, traced } = GROWN[grown];
    const random = new Random(performer.seed + 71);
    const colour = performer.hair.style === 'bald' ? performer.brows.colour : performer.hair.colour;
    const thick = thickness(traced, soft);
    const chin = at(152)[1] / SHEET;
    const lip = at(0)[1] / SHEET;
    const places: { u: number; v: number; grow: Grow }[] = [];
    for (let n = 0; n < count * 12 && places.length < count; n++) {
      const [u, v] = [random.next(), random.between(0.5, 1)];
      const here = thick(u, v);
      // Towards its edge it grows thinner, hair by hair.
      if (random.next() > here ** 1.4) continue;
      const above = smoothstep(lip + 0.012, lip - 0.004, v) * smoothstep(0.2, 0.1, Math.abs(u - 0.5));
      const low = smoothstep(lip, chin, v);
      const length = long * lerp(0.0045, 0.0155, low) * (0.55 + 0.45 * here) * random.between(0.7, 1.15);
      const sideways = (u - 0.5) * (2.2 * above + 0.55) + 0.24 * random.normal() * 0.6;
      const lift = lerp(0.28, 0.5, low) + 0.12 * random.normal();
      const tint = strandColour(colour, random, 0.5);
      places.push({
        u,
        v,
        grow: (root, normal) => {
          const down: Vec3 = [sideways, -1 + 0.1 * random.normal(), 0.1 * random.normal()];
          const along = normalise(add(down, scale(normal, -0.6 * Math.min(0, down[1] * normal[1]) + lift)));
          const middle = add(root, scale(along, 0.55 * length));
          // The further out, the more it hangs.
          const tip = add(
            middle,
            scale(normalise(add(along, [sideways * 0.3, -0.7 * low - 0.15, -0.15 * low])), 0.45 * length),
          );
          return {
            points: [root, middle, tip],
            normal,
            width: grown === 'full' ? 0.00062 : 0.00045,
            colour: tint,
            root: 0.5,
          };
        },
      });
    }
    this.strands = new SkinStrands(places, rest);
    const mesh = new Mesh(
      this.strands.geometry,
      new MeshLambertMaterial({ vertexColors: true, side: DoubleSide }),
    );
    mesh.frustumCulled = false;
    mesh.userData.noShadow = true;
    this.group.add(mesh);
  }

  update(surface: Surface): void {
    this.strands.update(surface);
  }
}
