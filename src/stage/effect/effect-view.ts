/** The effect's objects as a scene: kept in step with the document, posed by frame and runtime each draw. */
import {
  BufferAttribute,
  BufferGeometry,
  Group,
  Mesh,
  MeshBasicMaterial,
  Object3D,
  PlaneGeometry,
  Scene,
  type ShaderMaterial,
} from 'three';
import { SHELL_TRIANGLES, shellPositions, SHELL_POINTS } from '../../core/face/head-shell';
import { featurePoint } from '../../core/face/feature-points';
import { stackOrder } from '../../core/document/queries';
import type { Card, Effect, EffectObject, ObjectId } from '../../core/document/schema';
import type { Values } from '../../core/behave/runtime';
import type { TrackFrame } from '../../core/tracking/track-frame';
import { createCardMaterial, styleCardMaterial } from './card-material';
import type { TextureStore } from './texture-store';

const DEGREES = Math.PI / 180;

/** One object of the Stack in the scene. */
export interface ObjectNode {
  object: EffectObject;
  readonly node: Mesh<BufferGeometry, ShaderMaterial | MeshBasicMaterial>;
}

const shellGeometry = (): BufferGeometry => {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(SHELL_POINTS * 3), 3));
  geometry.setIndex([...SHELL_TRIANGLES]);
  return geometry;
};

export class EffectView {
  readonly scene = new Scene();
  private readonly heads: Group[] = [];
  private readonly nodes = new Map<ObjectId, ObjectNode>();
  private effect: Effect | null = null;

  constructor(private readonly textures: TextureStore) {}

  get objectNodes(): ReadonlyMap<ObjectId, ObjectNode> {
    return this.nodes;
  }

  /** Takes over the document; only what changed is touched. */
  sync(effect: Effect): void {
    if (effect === this.effect) return;
    this.effect = effect;
    for (const [id, { node }] of this.nodes) {
      if (effect.objects[id]) continue;
      this.remove(id, node);
    }
    stackOrder(effect).forEach((object, i) => {
      const known = this.nodes.get(object.id);
      const entry = known ?? this.create(object);
      entry.object = object;
      // What stands higher in the Stack is drawn later; occluders come before everything.
      entry.node.renderOrder = object.kind === 'occluder' ? -1 : 10_000 - i;
      this.headGroup(object.anchor.face).add(entry.node);
    });
  }

  private headGroup(face: number): Group {
    while (this.heads.length < face) {
      const group = new Group();
      this.heads.push(group);
      this.scene.add(group);
    }
    return this.heads[face - 1]!;
  }

  private create(object: EffectObject): ObjectNode {
    const node =
      object.kind === 'card'
        ? new Mesh<BufferGeometry, ShaderMaterial | MeshBasicMaterial>(
            new PlaneGeometry(1, 1),
            createCardMaterial(),
          )
        : new Mesh<BufferGeometry, ShaderMaterial | MeshBasicMaterial>(
            shellGeometry(),
            new MeshBasicMaterial({ colorWrite: false }),
          );
    node.frustumCulled = object.kind === 'card';
    node.userData.objectId = object.id;
    const entry = { object, node };
    this.nodes.set(object.id, entry);
    return entry;
  }

  private remove(id: ObjectId, node: ObjectNode['node']): void {
    node.removeFromParent();
    node.geometry.dispose();
    node.material.dispose();
    this.nodes.delete(id);
  }

  /** Poses everything for a frame. `valuesOf` gives what behaviour makes of an object. */
  update(frame: TrackFrame, valuesOf: (id: ObjectId) => Readonly<Values> | null): void {
    this.heads.forEach((group, i) => {
      const face = frame.faces[i];
      group.visible = face !== undefined;
      if (!face) return;
      group.position.fromArray(face.pose.position);
      group.quaternion.fromArray(face.pose.rotation);
    });
    for (const { object, node } of this.nodes.values()) {
      const face = frame.faces[object.anchor.face - 1];
      const values = valuesOf(object.id);
      node.visible = face !== undefined && values !== null && values.visible;
      if (!face || !values || !node.visible) continue;
      const [x, y, z] = featurePoint(face.landmarks, object.anchor.point);
      node.position.set(x + values.move[0], y + values.move[1], z + values.move[2]);
      node.rotation.set(values.turn[0] * DEGREES, values.turn[1] * DEGREES, values.turn[2] * DEGREES, 'XYZ');
      if (object.kind === 'card') this.updateCard(node, object, values);
      else {
        node.scale.fromArray(values.scale);
        const position = node.geometry.getAttribute('position') as BufferAttribute;
        shellPositions(face.landmarks, position.array as Float32Array);
        position.needsUpdate = true;
      }
    }
  }

  private updateCard(node: ObjectNode['node'], card: Card, values: Readonly<Values>): void {
    const material = node.material as ShaderMaterial;
    const asset = this.effect?.assets[card.asset];
    const texture = asset ? this.textures.get(asset) : null;
    styleCardMaterial(material, card, texture);
    material.uniforms.opacity!.value = values.opacity;
    node.scale.set(card.extent[0] * values.scale[0], card.extent[1] * values.scale[1], values.scale[2] || 1);
    if (!texture || values.opacity === 0) node.visible = false;
  }

  dispose(): void {
    for (const [id, { node }] of this.nodes) this.remove(id, node);
  }
}

/** The object a node of the scene stands for. */
export const objectIdOf = (node: Object3D): ObjectId | null =>
  (node.userData.objectId as ObjectId | undefined) ?? null;
