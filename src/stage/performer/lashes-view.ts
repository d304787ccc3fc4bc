/** Lashes: a fringe of fine hairs along the edge of each upper lid, carried by the lid. */
import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  Group,
  Mesh,
  MeshBasicMaterial,
  type Texture,
} from 'three';
import { EYE_LEFT, EYE_RIGHT } from '../../core/face/landmarks';
import { Random } from '../../core/maths/random';
import { pointAt } from '../../core/maths/vec3';
import type { Performer } from '../../core/takes/performer';
import { paintCanvas, textureOf } from './canvas';
import { markPart } from '../parts';

const texture = (seed: number): Texture => {
  const { canvas, context: g } = paintCanvas(256, 64);
  const random = new Random(seed);
  g.lineCap = 'round';
  for (let n = 0; n < 58; n++) {
    const x = (n / 57) * 250 + 3;
    // Longer towards the outer corner, which is at the left of the sheet.
    const long = 26 + 26 * (1 - x / 256) + random.between(-7, 5);
    g.strokeStyle = `rgba(16,9,7,${random.between(0.75, 1)})`;
    g.lineWidth = random.between(1.3, 2.2);
    g.beginPath();
    g.moveTo(x, 64);
    g.quadraticCurveTo(x - 2, 64 - long * 0.6, x - 10 * (1 - x / 160), 64 - long);
    g.stroke();
  }
  const made = textureOf(canvas);
  made.flipY = false;
  return made;
};

const STEPS = 9;
const rows = [EYE_RIGHT, EYE_LEFT].map((ring) => [ring[0]!, ...ring.slice(9).reverse(), ring[8]!]);

export class LashesView {
  readonly group = new Group();
  private readonly fringes: BufferGeometry[] = [];
  private readonly length: number;

  constructor(performer: Performer) {
    markPart(this.group, 'eyes');
    this.length = 0.0062 - 0.002 * performer.age;
    const material = new MeshBasicMaterial({
      map: texture(performer.seed),
      transparent: true,
      side: DoubleSide,
      depthWrite: false,
      forceSinglePass: true,
    });
    for (let eye = 0; eye < 2; eye++) {
      const geometry = new BufferGeometry();
      geometry.setAttribute('position', new BufferAttribute(new Float32Array(STEPS * 6), 3));
      const uv = new Float32Array(STEPS * 4);
      const index: number[] = [];
      for (let k = 0; k < STEPS; k++) {
        uv.set([k / (STEPS - 1), 1, k / (STEPS - 1), 0], 4 * k);
        if (k > 0) index.push(2 * k - 2, 2 * k, 2 * k - 1, 2 * k - 1, 2 * k, 2 * k + 1);
      }
      geometry.setAttribute('uv', new BufferAttribute(uv, 2));
      geometry.setIndex(index);
      const mesh = new Mesh(geometry, material);
      mesh.frustumCulled = false;
      mesh.renderOrder = 2;
      this.fringes.push(geometry);
      this.group.add(mesh);
    }
  }

  /** `positions` are the head's vertices, landmarks first. */
  update(positions: ArrayLike<number>, shut: readonly [number, number]): void {
    this.fringes.forEach((geometry, eye) => {
      const attribute = geometry.getAttribute('position') as BufferAttribute;
      const outwards = eye === 0 ? -1 : 1;
      rows[eye]!.forEach((landmark, k) => {
        const [x, y, z] = pointAt(positions, landmark);
        // Open lids raise the lashes; shut ones lay them down on the cheek.
        const up = 0.75 - 1.35 * shut[eye]!;
        const outer = 1 - k / (STEPS - 1);
        const l = this.length;
        attribute.setXYZ(2 * k, x, y - 0.0002, z + 0.0006);
        attribute.setXYZ(2 * k + 1, x + outwards * l * 0.6 * outer, y + l * up, z + l * 0.62);
      });
      attribute.needsUpdate = true;
    });
  }
}
