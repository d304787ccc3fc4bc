/** Lashes: single hairs along the edge of each lid, longer towards the outer corner, carried by the lid. */
import { BufferAttribute, BufferGeometry, DoubleSide, Group, Mesh, MeshBasicMaterial } from 'three';
import { EYE_LEFT, EYE_RIGHT } from '../../core/face/landmarks';
import { Random } from '../../core/maths/random';
import { lerp } from '../../core/maths/scalar';
import { pointAt, type Vec3 } from '../../core/maths/vec3';
import type { Performer } from '../../core/takes/performer';
import { markPart } from '../parts';
import { strandPositions, strandTriangles, strandVertices } from './strand-geometry';

/** Points of a lash. */
const POINTS = 3;
const VERTICES = strandVertices(POINTS);
/** Landmarks of a lid's edge from the outer corner to the inner one. */
const EDGES = [EYE_RIGHT, EYE_LEFT].map((ring) => ({
  upper: [ring[0]!, ...ring.slice(9).reverse(), ring[8]!],
  lower: ring.slice(0, 9),
}));

/** One lash: where it stands along the lid, how long it is, and how it leans from its neighbours. */
interface Lash {
  readonly eye: 0 | 1;
  readonly lower: boolean;
  /** From the outer corner (0) to the inner one (1). */
  readonly along: number;
  /** Metres. */
  readonly length: number;
  readonly lean: number;
}

const grow = ({ seed, age }: Performer): Lash[] => {
  const random = new Random(seed + 5);
  const lashes: Lash[] = [];
  for (const eye of [0, 1] as const)
    for (const lower of [false, true]) {
      const count = Math.round((lower ? 34 : 78) * (1 - 0.3 * age));
      for (let n = 0; n < count; n++) {
        const along = lerp(0.03, 0.95, (n + random.next()) / count);
        const longest = lower ? 0.0022 : 0.0062 - 0.002 * age;
        // Longest a third from the outer corner, short at the inner one.
        const share = 1 - 0.62 * Math.abs(along - 0.25) ** 1.1;
        lashes.push({
          eye,
          lower,
          along,
          length: longest * share * random.between(0.72, 1.08),
          lean: 0.22 * random.normal(),
        });
      }
    }
  return lashes;
};

export class LashesView {
  readonly group = new Group();
  private readonly lashes: readonly Lash[];
  private readonly position: BufferAttribute;

  constructor(performer: Performer) {
    markPart(this.group, 'eyes');
    this.lashes = grow(performer);
    const geometry = new BufferGeometry();
    this.position = new BufferAttribute(new Float32Array(3 * VERTICES * this.lashes.length), 3);
    geometry.setAttribute('position', this.position);
    geometry.setIndex(this.lashes.flatMap((_, n) => strandTriangles(n * VERTICES, POINTS)));
    const mesh = new Mesh(geometry, new MeshBasicMaterial({ color: '#160d0a', side: DoubleSide }));
    mesh.frustumCulled = false;
    mesh.userData.noShadow = true;
    this.group.add(mesh);
  }

  /** `positions` are the head's vertices, landmarks first. */
  update(positions: ArrayLike<number>, shut: readonly [number, number]): void {
    let vertex = 0;
    for (const { eye, lower, along, length, lean } of this.lashes) {
      const edge = EDGES[eye]![lower ? 'lower' : 'upper'];
      const place = along * (edge.length - 1);
      const i = Math.min(edge.length - 2, Math.floor(place));
      const [a, b] = [pointAt(positions, edge[i]!), pointAt(positions, edge[i + 1]!)];
      const root = [0, 1, 2].map(
        (k) => lerp(a[k]!, b[k]!, place - i) + (k === 2 ? 0.0005 : 0),
      ) as unknown as Vec3;
      const outwards = (eye === 0 ? -1 : 1) * (0.85 - 1.25 * along) + lean;
      // Open lids raise the lashes, shut ones lay them down on the cheek; they bend up towards the tip.
      const rise = lower ? -0.7 : 0.2 - 1.2 * shut[eye]!;
      const bend = lower ? 0.25 : 1.1 - 0.35 * shut[eye]!;
      const points = Array.from({ length: POINTS }, (_, k): Vec3 => {
        const t = k / (POINTS - 1);
        return [
          root[0] + length * t * outwards * 0.7,
          root[1] + length * t * (rise + bend * t * 0.75),
          root[2] + length * t * (0.95 - 0.45 * t),
        ];
      });
      for (const at of strandPositions({ points, normal: [0, 0.25, 1], width: 0.00022, colour: [0, 0, 0] }))
        this.position.setXYZ(vertex++, ...at);
    }
    this.position.needsUpdate = true;
  }
}
