/** One model object in the scene: its copy of the model, its clip, its opacity. */
import { AnimationMixer, Group, Mesh, type Material, type Object3D } from 'three';
import type { ModelObject } from '../../core/document/schema';
import type { Seconds, Unit } from '../../core/units';
import { disposeOf, type OpenedModel } from './model-store';

interface Faded {
  readonly material: Material;
  readonly opacity: Unit;
  readonly transparent: boolean;
}

export class ModelView {
  readonly node = new Group();
  private model: OpenedModel | null = null;
  private copy: Object3D | null = null;
  private mixer: AnimationMixer | null = null;
  private playing: string | null = null;
  private faded: Faded[] = [];

  /** Shows a model, or nothing while it is on its way. */
  show(model: OpenedModel | null): void {
    if (model === this.model) return;
    this.clear();
    this.model = model;
    if (!model) return;
    this.copy = model.copy();
    this.node.add(this.copy);
    const materials = new Set<Material>();
    this.copy.traverse((node) => {
      if (node instanceof Mesh)
        for (const m of Array.isArray(node.material)
          ? (node.material as Material[])
          : [node.material as Material])
          materials.add(m);
    });
    this.faded = [...materials].map((material) => ({
      material,
      opacity: material.opacity,
      transparent: material.transparent,
    }));
  }

  /** Brings clip and opacity to a moment. `order` decides between transparent things. */
  update(object: ModelObject, opacity: Unit, time: Seconds, order: number): void {
    if (!this.copy || !this.model) return;
    this.copy.traverse((node) => (node.renderOrder = order));
    for (const { material, opacity: own, transparent } of this.faded) {
      const clear = transparent || opacity < 1;
      if (material.transparent !== clear) material.needsUpdate = true;
      material.transparent = clear;
      material.opacity = own * opacity;
    }
    this.play(object.clip, time);
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
