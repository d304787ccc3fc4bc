/** The effect's objects as a scene: kept in step with the document, posed by frame and runtime each draw. */
import {
  BufferAttribute,
  BufferGeometry,
  Group,
  Mesh,
  MeshBasicMaterial,
  PlaneGeometry,
  Scene,
  type Object3D,
  type ShaderMaterial,
  type WebGLRenderer,
} from 'three';
import { frameAt, frameIndex } from '../../core/assets/frames/sheets';
import { SHELL_TRIANGLES, shellPositions, SHELL_POINTS } from '../../core/face/head-shell';
import { featurePoint } from '../../core/face/feature-points';
import { anchorOf, parentOf, stackOrder } from '../../core/document/queries';
import type { Card, Effect, EffectObject, ObjectId } from '../../core/document/schema';
import type { Values } from '../../core/behave/runtime';
import type { TrackFrame } from '../../core/tracking/track-frame';
import type { Seconds, Unit } from '../../core/units';
import { Beneath } from './beneath';
import { createCardMaterial, seesBeneath, styleCardMaterial } from './card-material';
import { ModelLight } from './model-light';
import type { ModelStore } from './model-store';
import { ModelView } from './model-view';
import type { TextureStore } from './texture-store';

const DEGREES = Math.PI / 180;
const WHOLE = [0, 0, 1, 1] as const;

/** One object of the Stack in the scene. */
export interface ObjectNode {
  object: EffectObject;
  readonly node: Object3D;
  readonly model: ModelView | null;
  parent: ObjectId | null;
  /** Of the anchor its outermost group sticks to. */
  face: number;
  /** What stands higher in the Stack is drawn later. */
  order: number;
}

const shellGeometry = (): BufferGeometry => {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(SHELL_POINTS * 3), 3));
  geometry.setIndex([...SHELL_TRIANGLES]);
  return geometry;
};

/** Where pictures and models come from. */
export interface Stores {
  readonly textures: TextureStore;
  readonly models: ModelStore;
}

export class EffectView {
  readonly scene = new Scene();
  private readonly heads: Group[] = [];
  private readonly nodes = new Map<ObjectId, ObjectNode>();
  private readonly beneath = new Beneath();
  private readonly light = new ModelLight(this.scene);
  private effect: Effect | null = null;
  private inOrder: readonly EffectObject[] = [];
  private hasModels = false;

  constructor(private readonly stores: Stores) {}

  get objectNodes(): ReadonlyMap<ObjectId, ObjectNode> {
    return this.nodes;
  }

  /** Takes over the document; only what changed is touched. */
  sync(effect: Effect): void {
    if (effect === this.effect) return;
    this.effect = effect;
    for (const [id, entry] of this.nodes)
      if (effect.objects[id]?.kind !== entry.object.kind) this.remove(id, entry);
    this.inOrder = stackOrder(effect);
    this.inOrder.forEach((object, i) => {
      const entry = this.nodes.get(object.id) ?? this.create(object);
      entry.object = object;
      entry.face = anchorOf(effect, object).face;
      entry.parent = parentOf(effect, object)?.id ?? null;
      // Occluders come before everything.
      entry.order = object.kind === 'occluder' ? -1 : 10_000 - i;
      entry.node.renderOrder = entry.order;
    });
    // Now that all are there, each hangs in its group or in its head.
    for (const object of this.inOrder) {
      const entry = this.nodes.get(object.id)!;
      const home = entry.parent ? this.nodes.get(entry.parent)!.node : this.headGroup(entry.face);
      if (entry.node.parent !== home) home.add(entry.node);
    }
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
    const model = object.kind === 'model' ? new ModelView() : null;
    const node = model?.node ?? this.nodeFor(object);
    node.userData.objectId = object.id;
    const entry: ObjectNode = { object, node, model, parent: null, face: 1, order: 0 };
    this.nodes.set(object.id, entry);
    return entry;
  }

  private nodeFor(object: EffectObject): Object3D {
    if (object.kind === 'group') return new Group();
    if (object.kind === 'occluder') {
      const shell = new Mesh(shellGeometry(), new MeshBasicMaterial({ colorWrite: false }));
      shell.frustumCulled = false;
      return shell;
    }
    const material = createCardMaterial();
    const card = new Mesh(new PlaneGeometry(1, 1), material);
    card.onBeforeRender = (renderer) => {
      const { object: now } = this.nodes.get(object.id)!;
      if (now.kind === 'card' && seesBeneath(now)) this.beneath.copyFor(renderer, material);
    };
    return card;
  }

  private remove(id: ObjectId, { node, model }: ObjectNode): void {
    // What hung in a group finds its new place in `sync`.
    for (const child of [...node.children]) if (objectIdOf(child) !== id) child.removeFromParent();
    node.removeFromParent();
    model?.dispose();
    if (node instanceof Mesh) {
      (node.geometry as BufferGeometry).dispose();
      (node.material as ShaderMaterial).dispose();
    }
    this.nodes.delete(id);
  }

  /**
   * Poses everything for a frame. `valuesOf` gives what behaviour makes of an object; `time` is how long the
   * effect has been running: sequences and clips follow it.
   */
  update(frame: TrackFrame, valuesOf: (id: ObjectId) => Readonly<Values> | null, time: Seconds): void {
    this.heads.forEach((group, i) => {
      const face = frame.faces[i];
      group.visible = face !== undefined;
      if (!face) return;
      group.position.fromArray(face.pose.position);
      group.quaternion.fromArray(face.pose.rotation);
    });
    const effect = this.effect;
    if (!effect) return;
    let models = false;
    /** What groups leave of their members' opacity. */
    const faded = new Map<ObjectId, Unit>();
    for (const object of this.inOrder) {
      const entry = this.nodes.get(object.id)!;
      const { node, parent } = entry;
      const face = frame.faces[entry.face - 1];
      const values = valuesOf(object.id);
      node.visible = face !== undefined && values !== null && values.visible;
      if (!face || !values || !node.visible) continue;
      const opacity = values.opacity * (parent ? (faded.get(parent) ?? 1) : 1);
      const [x, y, z] = parent ? [0, 0, 0] : featurePoint(face.landmarks, object.anchor.point);
      node.position.set(x + values.move[0], y + values.move[1], z + values.move[2]);
      node.rotation.set(values.turn[0] * DEGREES, values.turn[1] * DEGREES, values.turn[2] * DEGREES, 'XYZ');
      node.scale.fromArray(values.scale);
      switch (object.kind) {
        case 'card':
          this.updateCard(node as Mesh<BufferGeometry, ShaderMaterial>, object, values, opacity, time);
          break;
        case 'group':
          faded.set(object.id, opacity);
          break;
        case 'model': {
          const asset = effect.assets[object.asset];
          entry.model!.show(asset?.kind === 'model' ? this.stores.models.get(asset) : null);
          entry.model!.update(object, opacity, time, entry.order);
          if (opacity === 0) node.visible = false;
          models = true;
          break;
        }
        case 'occluder': {
          const position = (node as Mesh).geometry.getAttribute('position') as BufferAttribute;
          shellPositions(face.landmarks, position.array as Float32Array);
          position.needsUpdate = true;
        }
      }
    }
    this.light.update(models, frame.light);
    this.hasModels = models;
  }

  /** Draws what `update` has posed. */
  draw(renderer: WebGLRenderer, camera: Parameters<WebGLRenderer['render']>[1]): void {
    if (this.hasModels) this.light.reflect(renderer);
    renderer.render(this.scene, camera);
  }

  private updateCard(
    node: Mesh<BufferGeometry, ShaderMaterial>,
    card: Card,
    values: Readonly<Values>,
    opacity: Unit,
    time: Seconds,
  ): void {
    const asset = this.effect?.assets[card.asset];
    const shown =
      asset?.kind === 'sequence' ? frameAt(asset, frameIndex(asset, time)) : { file: 0, rect: WHOLE };
    const texture =
      asset?.kind === 'picture' || asset?.kind === 'sequence'
        ? this.stores.textures.get(asset, shown.file)
        : null;
    styleCardMaterial(node.material, card, texture, shown.rect);
    node.material.uniforms.opacity!.value = opacity;
    node.scale.set(card.extent[0] * values.scale[0], card.extent[1] * values.scale[1], values.scale[2] || 1);
    if (!texture || opacity === 0) node.visible = false;
  }

  dispose(): void {
    for (const [id, entry] of this.nodes) this.remove(id, entry);
    this.beneath.dispose();
    this.light.dispose();
  }
}

/** The object a node of the scene stands for, or belongs to. */
export const objectIdOf = (node: Object3D): ObjectId | null => {
  for (let o: Object3D | null = node; o; o = o.parent)
    if (o.userData.objectId) return o.userData.objectId as ObjectId;
  return null;
};

/** Whether the node and all it hangs in are shown. */
const isShown = (node: Object3D): boolean => {
  for (let o: Object3D | null = node; o; o = o.parent) if (!o.visible) return false;
  return true;
};

/** Nodes that can be picked: cards and models that are shown. */
export const pickable = (view: EffectView): Object3D[] =>
  [...view.objectNodes.values()]
    .filter(({ object, node }) => (object.kind === 'card' || object.kind === 'model') && isShown(node))
    .map(({ node }) => node);

/**
 * Of what a ray meets, what is seen there: the topmost card of the Stack, unless a model stands before it.
 * Occluders are not asked; what they hide can still be picked.
 */
export const topmost = (
  hits: readonly { readonly object: Object3D; readonly distance: number }[],
  view: EffectView,
): ObjectId | null => {
  let model: { id: ObjectId; distance: number } | null = null;
  let card: { id: ObjectId; order: number; distance: number } | null = null;
  for (const hit of hits) {
    const id = objectIdOf(hit.object);
    const entry = id ? view.objectNodes.get(id) : undefined;
    if (!id || !entry) continue;
    if (entry.model) {
      if (!model || hit.distance < model.distance) model = { id, distance: hit.distance };
    } else if (!card || entry.order > card.order) card = { id, order: entry.order, distance: hit.distance };
  }
  if (card && model) return card.distance <= model.distance ? card.id : model.id;
  return card?.id ?? model?.id ?? null;
};
