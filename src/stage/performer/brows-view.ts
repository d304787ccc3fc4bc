/** Brows of single hairs over their painted shade: near the nose they stand up, towards the temple they lie down. */
import { DoubleSide, Mesh, MeshLambertMaterial } from 'three';
import { BROW_LEFT, BROW_RIGHT } from '../../core/face/landmarks';
import { Random } from '../../core/maths/random';
import { lerp } from '../../core/maths/scalar';
import { add, normalise, scale, type Vec3 } from '../../core/maths/vec3';
import type { Performer } from '../../core/takes/performer';
import { markPart } from '../parts';
import { alongRow, at, SHEET } from './face-painting';
import { SkinStrands, type Grow, type Surface } from './skin-strands';
import { strandColour } from './strand-geometry';

export class BrowsView {
  readonly mesh: Mesh;
  private readonly strands: SkinStrands;

  constructor({ brows, seed, age }: Performer, rest: Surface) {
    const random = new Random(seed + 23);
    const places: { u: number; v: number; grow: Grow }[] = [];
    for (const [ids, outwards] of [
      [BROW_RIGHT, -1],
      [BROW_LEFT, 1],
    ] as const) {
      const low = ids.slice(0, 5).map(at);
      const high = ids.slice(5).reverse().map(at);
      for (let n = 0; n < 150 + 190 * brows.fullness; n++) {
        const u = random.next() * 3.99;
        const inner = u / 4;
        // Thinner at both ends and at the rims.
        const v = 0.5 + 0.44 * (random.next() + random.next() - 1);
        if (random.next() > 0.35 + 4 * inner * (1 - inner) || (inner > 0.86 && random.next() < 0.3)) continue;
        const [a, b] = [alongRow(low, u), alongRow(high, u)];
        const [x, y] = [lerp(a[0], b[0], v), lerp(a[1], b[1], v)];
        const length =
          lerp(0.005, 0.0068, 4 * inner * (1 - inner)) * random.between(0.75, 1.15) * (1 + 0.2 * age);
        // From above they lie down, from below up: they meet along the middle.
        const rise = lerp(-0.1, 1.15, inner ** 1.6) + 0.55 * (0.5 - v) + 0.12 * random.normal();
        const out = outwards * lerp(1, 0.35, inner ** 2);
        const colour = strandColour(brows.colour, random, 0.4);
        places.push({
          u: x / SHEET,
          v: y / SHEET,
          grow: (root, normal) => {
            const along = normalise(
              add([out, rise, 0] as Vec3, scale(normal, 0.2 - (out * normal[0] + rise * normal[1]))),
            );
            const middle = add(root, scale(along, 0.5 * length));
            const tip = add(
              middle,
              scale(normalise(add(along, add([out * 0.5, -0.25, 0], scale(normal, -0.16)))), 0.5 * length),
            );
            return { points: [root, middle, tip], normal, width: 0.00034, colour, root: 0.85 };
          },
        });
      }
    }
    this.strands = new SkinStrands(places, rest);
    this.mesh = new Mesh(
      this.strands.geometry,
      new MeshLambertMaterial({ vertexColors: true, side: DoubleSide }),
    );
    // Part of the face: what is put on faces lies on brows too.
    markPart(this.mesh, 'skin');
    this.mesh.frustumCulled = false;
    this.mesh.userData.noShadow = true;
  }

  update(surface: Surface): void {
    this.strands.update(surface);
  }
}
