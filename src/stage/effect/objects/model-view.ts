/** One model object in the scene: its copy of the model, its clip, its opacity. */
import { AnimationMixer, Group, Mesh, type Material, type Object3D } from 'three';
import type { ModelObject } from '../../../core/document/schema';
import type { Seconds, Unit } from '../../../core/units';
import { disposeOf, type OpenedModel } from '../model-store';
import { Blended } from '../blended';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

interface Faded {
  readonly material: Material;
  readonly opacity: Unit;
  readonly transparent: boolean;
}

export class ModelView implements ObjectView<ModelObject> {
  readonly node = new Group();
  private model: OpenedModel | null = null;
  private copy: Object3D | null = null;
  private mixer: AnimationMixer | null = null;
  private playing: string | null = null;
  private faded: Faded[] = [];
  private without: readonly number[] = [];

  private readonly blended: Blended;

  constructor(private readonly tools: ViewTools) {
    this.blended = new Blended(tools.beneath);
  }

  /** Shows a model, or nothing while it is on its way. */
  private show(model: OpenedModel | null): void {
    if (model === this.model) return;
    this.clear();
    this.model = model;
    if (!model) return;
    this.copy = model.copy();
    this.node.add(this.copy);
    this.without = [];
    const materials = new Set<Material>();
    this.copy.traverse((node) => {
      if (node instanceof Mesh) node.castShadow = node.receiveShadow = true;
      if (node instanceof Mesh)
        for (const m of Array.isArray(node.material)
          ? (node.material as Material[])
          : [node.material as Material])
          materials.add(m);
    });
    for (const material of materials) this.blended.prepare(material);
    this.blended.watch(this.copy);
    this.faded = [...materials].map((material) => ({
      material,
      opacity: material.opacity,
      transparent: material.transparent,
    }));
  }

  update({ object, effect, opacity, time, order }: ObjectNow<ModelObject>): boolean {
    const asset = effect.assets[object.asset];
    this.show(asset?.kind === 'model' ? this.tools.stores.models.get(asset) : null);
    if (!this.copy || !this.model || opacity === 0) return false;
    this.copy.traverse((node) => (node.renderOrder = order));
    for (const { material, opacity: own, transparent } of this.faded) {
      this.blended.style(material, object.blend, transparent || opacity < 1);
      material.opacity = own * opacity;
      material.depthTest = object.depthTest;
      material.depthWrite = object.depthWrite && !transparent;
    }
    if (object.hiddenParts !== this.without) {
      this.without = object.hiddenParts;
      const hidden = new Set(object.hiddenParts);
      this.copy.traverse((node) => {
        if (typeof node.userData.part === 'number') node.visible = !hidden.has(node.userData.part);
      });
    }
    this.play(object.clip, Math.max(0, time - object.startDelay));
    return true;
  }

  private play(name: string | null, time: Seconds): void {
    const clip = name === null ? undefined : this.model!.clips.find((c) => c.name === name);
    if (!clip) {
      if (this.playing !== null) this.mixer?.stopAllAction();
      this.playing = null;
      return;
    }
    this.mixer ??= new AnimationMixer(this.copy!);
    if (this.playing !== name) {
      this.mixer.stopAllAction();
      this.mixer.clipAction(clip).play();
      this.playing = name;
    }
    this.mixer.setTime(clip.duration > 0 ? time % clip.duration : 0);
  }

  private clear(): void {
    if (this.copy) {
      this.mixer?.stopAllAction();
      this.copy.removeFromParent();
      // Geometries and textures belong to the store.
      disposeOf(this.copy, false);
    }
    this.copy = this.mixer = null;
    this.playing = null;
    this.faded = [];
  }

  dispose(): void {
    this.clear();
    this.model = null;
  }
}
