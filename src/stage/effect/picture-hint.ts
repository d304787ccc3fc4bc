/** The outline of a printed picture that is still to be found: what the viewer has to look for. */
import { Group, LineBasicMaterial, LineLoop, BufferGeometry, Vector3 } from 'three';
import type { Effect, Target } from '../../core/document/schema';
import { SCREEN_HEIGHT } from '../../core/placing/anchors';
import { FlatMesh, WHOLE, type FlatTools } from './objects/flat';
import type { TextureStore } from './texture-store';

/** Share of the view's width that the outline takes. */
const WIDE = 0.62;
const PALE = 0.4;

export class PictureHint {
  readonly node = new Group();
  private readonly flat: FlatMesh;
  private readonly frame = new LineLoop(
    new BufferGeometry().setFromPoints([
      new Vector3(-0.5, -0.5, 0),
      new Vector3(0.5, -0.5, 0),
      new Vector3(0.5, 0.5, 0),
      new Vector3(-0.5, 0.5, 0),
    ]),
    new LineBasicMaterial({ color: 0xffffff }),
  );

  constructor(tools: FlatTools) {
    this.flat = new FlatMesh(tools);
    this.node.add(this.flat.mesh, this.frame);
    this.node.visible = false;
    this.node.position.z = -0.5;
  }

  show(effect: Effect, target: Target | null, textures: TextureStore, aspect: number): void {
    const asset = target?.asset ? effect.assets[target.asset] : undefined;
    const picture = asset?.kind === 'picture' ? asset : null;
    this.node.visible = target !== null;
    if (!target) return;
    const width = WIDE * SCREEN_HEIGHT * aspect;
    const shape = picture ? picture.height / picture.width : Math.SQRT2;
    this.node.scale.set(width, width * shape, 1);
    const texture = picture ? textures.get(picture) : null;
    this.flat.mesh.visible = texture !== null;
    this.flat.style(
      { tint: '#ffffff', blend: 'normal', doubleSided: true, depthTest: false, depthWrite: false },
      texture,
      WHOLE,
      PALE,
    );
  }

  dispose(): void {
    this.flat.dispose();
    this.frame.geometry.dispose();
    this.frame.material.dispose();
  }
}
