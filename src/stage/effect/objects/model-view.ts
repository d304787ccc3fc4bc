/** One model object in the scene: its copy of the model, its clip, its opacity. */
import { AnimationMixer, Group, Mesh, type Material, type Object3D } from 'three';
import type { Media } from '../../../core/kinds/values';
import type { ModelObject } from '../../../core/document/schema';
import type { Seconds, Unit } from '../../../core/units';
import { materialIdOf } from '../../../core/document/material-queries';
import { SurfaceMaterial } from '../../surface/surface-material';
import { disposeOf, slotOf, type OpenedModel } from '../model-store';
import { Blended } from '../blended';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

/** A mesh with the materials it came with. */
interface Dressed {
  readonly mesh: Mesh;
  readonly own: readonly Material[];
}

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
  /** The clips that play. */
  private playing = '';
  private faded: Faded[] = [];
  private dressed: Dressed[] = [];
  /** By the material of the document, and whether the mesh has tangents. */
  private readonly surfaces = new Map<string, SurfaceMaterial>();
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
      if (node instanceof Mesh) for (const m of materialsOf(node)) materials.add(m);
    });
    this.dressed = [];
    this.copy.traverse((node) => {
      if (node instanceof Mesh) this.dressed.push({ mesh: node, own: materialsOf(node) });
    });
    for (const material of materials) this.blended.prepare(material);
    this.blended.watch(this.copy);
    this.faded = [...materials].map((material) => ({
      material,
      opacity: material.opacity,
      transparent: material.transparent,
    }));
  }

  update(now: ObjectNow<ModelObject>): boolean {
    const { object, effect, opacity, time, order } = now;
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
    this.dress(now);
    if (object.hiddenParts !== this.without) {
      this.without = object.hiddenParts;
      const hidden = new Set(object.hiddenParts);
      this.copy.traverse((node) => {
        if (typeof node.userData.part === 'number') node.visible = !hidden.has(node.userData.part);
      });
    }
    const { media } = now;
    if (media) {
      const own = media.clip ?? object.clip ?? this.model.clips[0]?.name ?? null;
      this.play(own, media.at, media.over);
    } else this.play(object.clip, Math.max(0, time - object.startDelay));
    return true;
  }

  /** Gives each mesh the material it wears, or its own. */
  private dress(now: ObjectNow<ModelObject>): void {
    const { object, effect, opacity } = now;
    const worn = Object.keys(object.materials).length > 0;
    if (!worn && this.surfaces.size === 0) return;
    const done = new Map<string, Material>();
    for (const { mesh, own } of this.dressed) {
      const tangents = mesh.geometry.hasAttribute('tangent');
      let shadow: Mesh['customDepthMaterial'];
      const wears = own.map((material): Material => {
        const id = materialIdOf(object, slotOf(material));
        const put = id ? effect.materials[id] : undefined;
        if (!put) return material;
        const key = `${id} ${tangents}`;
        let surface = this.surfaces.get(key);
        if (!surface) {
          surface = new SurfaceMaterial(this.tools, this.blended, tangents);
          this.surfaces.set(key, surface);
        }
        const three =
          done.get(key) ??
          surface.update({
            ...object,
            effect,
            time: now.time,
            opacity,
            face: now.wearer,
            material: put,
          });
        done.set(key, three);
        shadow = surface.shadow ?? undefined;
        return three;
      });
      mesh.material = wears.length === 1 ? wears[0]! : wears;
      mesh.customDepthMaterial = shadow;
    }
    for (const [key, surface] of this.surfaces)
      if (!done.has(key)) {
        surface.dispose();
        this.surfaces.delete(key);
      }
  }

  /** A clip at a time; while it comes in over another, so much of each. */
  private play(name: string | null, time: Seconds, over: Media['over'] = null): void {
    const wanted = new Map<string, { at: Seconds; weight: number }>();
    if (name !== null) wanted.set(name, { at: time, weight: over ? over.share : 1 });
    // From rest a clip comes in over nothing.
    if (over && over.clip !== null && over.clip !== name)
      wanted.set(over.clip, { at: over.at, weight: 1 - over.share });
    else if (over && over.clip === name && name !== null) wanted.set(name, { at: time, weight: 1 });
    const found = this.model!.clips.filter((c) => wanted.has(c.name));
    const key = found.map((c) => c.name).join('\n');
    if (key !== this.playing) {
      this.mixer?.stopAllAction();
      this.playing = key;
    }
    if (found.length === 0) return;
    this.mixer ??= new AnimationMixer(this.copy!);
    for (const clip of found) {
      const { at, weight } = wanted.get(clip.name)!;
      const action = this.mixer.clipAction(clip);
      if (!action.isRunning()) action.play();
      action.time = clip.duration > 0 ? at % clip.duration : 0;
      action.setEffectiveWeight(weight);
    }
    this.mixer.update(0);
  }

  private clear(): void {
    if (this.copy) {
      this.mixer?.stopAllAction();
      this.copy.removeFromParent();
      for (const { mesh, own } of this.dressed) mesh.material = own.length === 1 ? own[0]! : [...own];
      for (const surface of this.surfaces.values()) surface.dispose();
      this.surfaces.clear();
      // Geometries and textures belong to the store.
      disposeOf(this.copy, false);
    }
    this.copy = this.mixer = null;
    this.playing = '';
    this.faded = [];
    this.dressed = [];
  }

  dispose(): void {
    this.clear();
    this.model = null;
  }
}

const materialsOf = (mesh: Mesh): Material[] =>
  Array.isArray(mesh.material) ? mesh.material : [mesh.material];
