/** Draws nothing, hides what is behind it: the wearer's head, or the shape of a model. */
import { BufferAttribute, BufferGeometry, Group, Mesh, MeshBasicMaterial, type Object3D } from 'three';
import type { Occluder } from '../../../core/document/schema';
import { SHELL_POINTS, SHELL_TRIANGLES, shellPositions } from '../../../core/face/head-shell';
import type { OpenedModel } from '../model-store';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

const shellGeometry = (): BufferGeometry => {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(SHELL_POINTS * 3), 3));
  geometry.setIndex([...SHELL_TRIANGLES]);
  return geometry;
};

export class OccluderView implements ObjectView<Occluder> {
  readonly node = new Group();
  private readonly unseen = new MeshBasicMaterial({ colorWrite: false });
  private readonly shell = new Mesh(shellGeometry(), this.unseen);
  private model: OpenedModel | null = null;
  private copy: Object3D | null = null;

  constructor(private readonly tools: ViewTools) {
    this.shell.frustumCulled = false;
    this.node.add(this.shell);
  }

  update({ object, effect, face, order }: ObjectNow<Occluder>): boolean {
    const asset = object.asset === null ? undefined : effect.assets[object.asset];
    this.shell.visible = object.asset === null;
    this.show(asset?.kind === 'model' ? this.tools.stores.models.get(asset) : null);
    this.shell.renderOrder = order;
    this.copy?.traverse((node) => (node.renderOrder = order));
    if (object.asset !== null) return this.copy !== null;
    if (!face) return false;
    const position = this.shell.geometry.getAttribute('position') as BufferAttribute;
    shellPositions(face.landmarks, position.array as Float32Array);
    position.needsUpdate = true;
    return true;
  }

  private show(model: OpenedModel | null): void {
    if (model === this.model) return;
    this.copy?.removeFromParent();
    this.model = model;
    this.copy = model?.copy() ?? null;
    if (!this.copy) return;
    this.copy.traverse((node) => {
      if (node instanceof Mesh) node.material = this.unseen;
    });
    this.node.add(this.copy);
  }

  dispose(): void {
    this.shell.geometry.dispose();
    this.unseen.dispose();
  }
}
