/** A hand with its sleeve, and the mug it may hold. */
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  CylinderGeometry,
  DoubleSide,
  Group,
  LatheGeometry,
  Mesh,
  MeshLambertMaterial,
  MeshPhongMaterial,
  TorusGeometry,
  Vector2,
} from 'three';
import { deformHand, handSkin } from '../../core/takes/hand';
import { smoothstep } from '../../core/maths/scalar';
import type { SceneHand } from '../../core/takes/scene';
import { SKINS } from '../../core/takes/skin-tones';
import { markPart } from '../parts';
import { skinMaterial } from './skin-material';

const mug = (): Group => {
  const group = new Group();
  markPart(group, 'object');
  const glaze = new MeshPhongMaterial({
    color: 0xd8d2c2,
    specular: 0x666666,
    shininess: 40,
    side: DoubleSide,
  });
  const wall = new LatheGeometry(
    [
      [0.0001, -0.046],
      [0.034, -0.046],
      [0.039, -0.042],
      [0.0405, 0],
      [0.0405, 0.045],
      [0.038, 0.0465],
      [0.0365, 0.045],
      [0.0365, -0.04],
    ].map(([x, y]) => new Vector2(x, y)),
    40,
  );
  const band = new Mesh(
    new CylinderGeometry(0.0409, 0.0409, 0.014, 40, 1, true),
    new MeshLambertMaterial({ color: 0x2f6f73 }),
  );
  band.position.y = 0.012;
  const handle = new Mesh(new TorusGeometry(0.022, 0.0055, 12, 28), glaze);
  handle.position.set(0.046, 0, 0);
  handle.scale.x = 0.8;
  group.add(new Mesh(wall, glaze), band, handle);
  // Its handle lies in the fist.
  group.position.set(-0.004, 0.072, 0.046);
  group.rotation.set(0, 0, 0);
  return group;
};

export class HandView {
  readonly group = new Group();
  private readonly geometry = new BufferGeometry();
  private shown = '';

  constructor(private readonly made: SceneHand) {
    const hand = made;
    markPart(this.group, 'hand');
    const { positions, triangles } = handSkin();
    const left = hand.side === 'left';
    const count = positions.length / 3;
    const skin = SKINS[hand.performer.tone];
    const [base, flush, palm] = [new Color(skin.base), new Color(skin.flush), new Color(skin.base)];
    // Palms are lighter than backs, the more so the darker the skin.
    palm.lerp(new Color('#e3b497'), 0.45);
    const colours = new Float32Array(count * 3);
    for (let i = 0; i < count; i++) {
      const inner =
        smoothstep(-0.002, 0.008, positions[3 * i + 2]!) * smoothstep(-0.03, 0.02, positions[3 * i + 1]!);
      const tips = smoothstep(0.14, 0.18, positions[3 * i + 1]!);
      const c = base
        .clone()
        .lerp(palm, 0.8 * inner)
        .lerp(flush, 0.28 * tips + 0.1 * inner);
      colours.set([c.r, c.g, c.b], 3 * i);
    }
    this.geometry.setAttribute('position', new BufferAttribute(positions.slice(), 3));
    this.geometry.setAttribute('color', new BufferAttribute(colours, 3));
    this.geometry.setIndex(new BufferAttribute(left ? triangles.slice().reverse() : triangles, 1));
    const mesh = new Mesh(this.geometry, skinMaterial(hand.performer.tone, { vertexColors: true }));
    mesh.frustumCulled = false;
    const sleeve = new Mesh(
      new CylinderGeometry(0.036, 0.052, 0.34, 32, 1, true),
      new MeshLambertMaterial({ color: new Color(hand.performer.clothes.colour), side: DoubleSide }),
    );
    sleeve.position.y = -0.225;
    sleeve.scale.z = 0.86;
    markPart(sleeve, 'body');
    this.group.add(mesh, sleeve);
    if (hand.mug) this.group.add(mug());
  }

  /** Whether this is still the same person's same hand. */
  fits({ performer, side, mug }: SceneHand): boolean {
    return performer === this.made.performer && side === this.made.side && mug === this.made.mug;
  }

  update({ pose, bend, side }: SceneHand): void {
    this.group.position.fromArray(pose.position);
    this.group.quaternion.fromArray(pose.rotation);
    const key = JSON.stringify(bend);
    if (key === this.shown) return;
    this.shown = key;
    const position = this.geometry.getAttribute('position') as BufferAttribute;
    deformHand(bend, side === 'left', position.array as Float32Array);
    position.needsUpdate = true;
    this.geometry.computeVertexNormals();
  }
}
