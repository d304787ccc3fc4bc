/** One model object in the scene: its copy of the model, its clip, its opacity. */
import { AnimationMixer, Group, Mesh, type Material, type Object3D } from 'three';
import type { Media } from '../../../core/kinds/values';
import type { ModelObject } from '../../../core/document/schema';
import type { Seconds, Unit } from '../../../core/units';
import { materialIdOf, materialIdsOf } from '../../../core/document/material-queries';
import { SurfaceMaterial } from '../../surface/surface-material';
import { disposeOf, slotOf, type OpenedModel } from '../model-store';
import { Blended } from '../blended';
import type { PartNow } from '../../../core/placing/places';
import { partsAbove, posedParts, posePart, type PosedPart } from './model-parts';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

/** A mesh with the materials it came with. */
interface Dressed {
  readonly mesh: Mesh;
  readonly own: readonly Material[];
  /** Places in the part tree of the parts it lies in that are objects of their own, the innermost first. */
  readonly within: readonly number[];
}

interface Faded {
  readonly material: Material;
  readonly opacity: Unit;
  readonly transparent: boolean;
  /** Of the innermost part that it lies in; undefined for what is the model's own. */
  readonly part: number | undefined;
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
  /** By the material of the document, the part that wears it, and whether the mesh has tangents. */
  private readonly surfaces = new Map<string, SurfaceMaterial>();
  private without: readonly number[] = [];
  private posed: PosedPart[] = [];
  /** The parts that the copy was made for. */
  private partsKey = '';

  private readonly blended: Blended;

  constructor(private readonly tools: ViewTools) {
    this.blended = new Blended(tools.beneath);
  }

  /** Shows a model, or nothing while it is on its way. Parts that are objects of their own get materials of their own. */
  private show(model: OpenedModel | null, parts: readonly PartNow[]): void {
    const key = parts.map(({ id, part }) => `${id} ${part}`).join();
    if (model === this.model && key === this.partsKey) return;
    this.clear();
    this.model = model;
    this.partsKey = key;
    if (!model) return;
    this.copy = model.copy();
    this.posed = posedParts(this.copy, parts);
    this.node.add(this.copy);
    this.without = [];
    const numbers = new Set(this.posed.map(({ part }) => part));
    const made = new Map<string, Material>();
    this.copy.traverse((node) => {
      if (!(node instanceof Mesh)) return;
      node.castShadow = node.receiveShadow = true;
      const within = partsAbove(node, numbers);
      const [part] = within;
      const own = materialsOf(node).map((material): Material => {
        const at = `${part} ${material.uuid}`;
        const known = made.get(at) ?? (part === undefined ? material : material.clone());
        if (!made.has(at))
          this.faded.push({ material: known, opacity: known.opacity, transparent: known.transparent, part });
        made.set(at, known);
        return known;
      });
      node.material = own.length === 1 ? own[0]! : own;
      this.dressed.push({ mesh: node, own, within });
    });
    for (const { material } of this.faded) this.blended.prepare(material);
    this.blended.watch(this.copy);
  }

  update(now: ObjectNow<ModelObject>): boolean {
    const { object, effect, opacity, time, order, parts } = now;
    const asset = effect.assets[object.asset];
    this.show(asset?.kind === 'model' ? this.tools.stores.models.get(asset) : null, parts);
    if (!this.copy || !this.model || opacity === 0) return false;
    const opacityOf = new Map(parts.map((p) => [p.part, p.opacity]));
    this.copy.traverse((node) => (node.renderOrder = order));
    for (const { material, opacity: own, transparent, part } of this.faded) {
      const share = part === undefined ? opacity : (opacityOf.get(part) ?? opacity);
      this.blended.style(material, object.blend, transparent || share < 1);
      material.opacity = own * share;
      material.depthTest = object.depthTest;
      material.depthWrite = object.depthWrite && !transparent;
    }
    this.dress(now, opacityOf);
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
    // After the clips: what a part does by itself comes on top of what they do.
    for (const posed of this.posed)
      posePart(
        posed,
        parts.find((p) => p.part === posed.part)!,
      );
    return true;
  }

  /** Gives each mesh the material it wears, or its own. What a part wears goes before what is around it. */
  private dress(now: ObjectNow<ModelObject>, opacityOf: ReadonlyMap<number, Unit>): void {
    const { object, effect } = now;
    const wearers = new Map(now.parts.map((p) => [p.part, now.objectAt(p.index)]));
    const worn = [object, ...wearers.values()].some((o) => materialIdsOf(o).length > 0);
    if (!worn && this.surfaces.size === 0) return;
    const done = new Map<string, Material>();
    for (const { mesh, own, within } of this.dressed) {
      const tangents = mesh.geometry.hasAttribute('tangent');
      const chain = [...within.flatMap((part) => wearers.get(part) ?? []), object];
      const opacity = within.length === 0 ? now.opacity : (opacityOf.get(within[0]!) ?? now.opacity);
      let shadow: Mesh['customDepthMaterial'];
      const wears = own.map((material): Material => {
        const id = firstOf(chain, (wearer) => materialIdOf(wearer, slotOf(material)));
        const put = id ? effect.materials[id] : undefined;
        if (!put) return material;
        const key = `${within[0]} ${id} ${tangents}`;
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
    this.posed = [];
  }

  dispose(): void {
    this.clear();
    this.model = null;
  }
}

/** The first of them that has one. */
const firstOf = <T, R>(all: readonly T[], of: (one: T) => R | null): R | null => {
  for (const one of all) {
    const found = of(one);
    if (found !== null) return found;
  }
  return null;
};

const materialsOf = (mesh: Mesh): Material[] =>
  Array.isArray(mesh.material) ? mesh.material : [mesh.material];
