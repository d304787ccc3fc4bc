/** Models by content; each is opened once, and every object that shows it gets a copy of its own. */
import type { AnimationClip, Group, Material, Mesh, Object3D } from 'three';
import { partNames } from '../../core/assets/models/part-names';
import type { ModelAsset } from '../../core/document/schema';
import { ContentStore, type Arrivals } from './content-store';
import type { FileSource } from './texture-store';

export interface OpenedModel {
  readonly scene: Group;
  readonly clips: readonly AnimationClip[];
  /** A copy with bones and materials of its own. */
  copy(): Object3D;
}

/** A part of a model, by its place in the part tree. */
export interface ModelPartName {
  readonly index: number;
  readonly name: string;
  readonly depth: number;
}

/** A material of a model, by its number in the file. */
export interface ModelMaterialName {
  readonly slot: string;
  readonly name: string;
  /** Whether what wears it says how pictures lie on it (texture coordinates). */
  readonly hasLayout: boolean;
}

const findNode = (root: Object3D | undefined, is: (node: Object3D) => boolean): Object3D | undefined => {
  let found: Object3D | undefined;
  root?.traverse((node) => {
    if (!found && is(node)) found = node;
  });
  return found;
};

/** The number of a model's own material. */
export const slotOf = (material: Material): string => String(material.userData.slot ?? 0);

export class ModelStore {
  readonly content: ContentStore<OpenedModel>;

  constructor(
    private readonly source: FileSource,
    arrivals: Arrivals,
  ) {
    this.content = new ContentStore({ dispose: (model) => disposeOf(model.scene) }, arrivals);
  }

  /** The model, or null while it is on its way. */
  get(asset: ModelAsset): OpenedModel | null {
    const sha = asset.files[0]!.sha256;
    if (!this.content.knows(sha)) void this.load(asset).catch(() => undefined);
    return this.content.get(sha);
  }

  /** The part tree of a model that is here, without what a preparation has put around it; empty while it is on its way. */
  partsOf(asset: ModelAsset): ModelPartName[] {
    const model = this.get(asset);
    const parts: ModelPartName[] = [];
    const walk = (node: Object3D, depth: number): void => {
      const { part, partName } = node.userData as PartData;
      if (partName) parts.push({ index: part!, name: partName, depth });
      for (const child of node.children) walk(child, partName ? depth + 1 : depth);
    };
    if (model) walk(model.scene, 0);
    return parts;
  }

  /** The materials of a model that is here, or of one of its parts, in the order of its file; empty while it is on its way. */
  materialsOf(asset: ModelAsset, part?: number): ModelMaterialName[] {
    const found = new Map<string, ModelMaterialName>();
    let root: Object3D | undefined = this.get(asset)?.scene;
    if (part !== undefined) root = findNode(root, (node) => node.userData.part === part);
    root?.traverse((node) => {
      const mesh = node as Mesh;
      if (!mesh.isMesh) return;
      const hasLayout = mesh.geometry.hasAttribute('uv');
      for (const material of Array.isArray(mesh.material) ? mesh.material : [mesh.material]) {
        const slot = slotOf(material);
        const known = found.get(slot);
        found.set(slot, {
          slot,
          name: material.name || `Material ${Number(slot) + 1}`,
          hasLayout: hasLayout && known?.hasLayout !== false,
        });
      }
    });
    return [...found.values()].sort((a, b) => Number(a.slot) - Number(b.slot));
  }

  /** Resolves when the model can be drawn; rejects when it cannot. */
  async load(asset: ModelAsset): Promise<void> {
    const file = asset.files[0]!;
    await this.content.load(file.sha256, async () => ({
      value: await openModel(await (await this.source(file)).arrayBuffer()),
      // About what its meshes and pictures take once they are unpacked.
      bytes: 4 * file.bytes,
    }));
  }

  dispose(): void {
    this.content.dispose();
  }
}

/** What is written on the nodes of a model. */
export interface PartData {
  /** Its place in the part tree. */
  part?: number;
  /** What it is called in lists; empty for what is no part to a creator. */
  partName?: string;
}

/** The names in a file. */
interface Named {
  readonly nodes?: readonly { readonly name?: string; readonly mesh?: number }[];
  readonly meshes?: readonly { readonly name?: string }[];
}

/** Numbers and names the nodes that are parts, as `partFacts` does from the file; `nameOf` says what is no node of it by null. */
const nameParts = (scene: Object3D, nameOf: (object: Object3D) => string | null): void => {
  const found: { object: Object3D; name: string; above: number | null }[] = [];
  const walk = (object: Object3D, above: number | null): void => {
    let here = above;
    const name = nameOf(object);
    if (name !== null) {
      here = found.length;
      found.push({ object, name, above });
    }
    for (const child of object.children) walk(child, here);
  };
  walk(scene, null);
  partNames(found).forEach((partName, part) =>
    Object.assign(found[part]!.object.userData, { part, partName }),
  );
};

/** Opens a GLB. The loader comes only with the first model, so that effects without one stay light. */
export const openModel = async (glb: ArrayBuffer): Promise<OpenedModel> => {
  const [{ GLTFLoader }, { clone }] = await Promise.all([
    import('three/addons/loaders/GLTFLoader.js'),
    import('three/addons/utils/SkeletonUtils.js'),
  ]);
  const { scene, animations, parser } = await new GLTFLoader().parseAsync(glb, '');
  // Parts are the nodes of the file, numbered as the part tree numbers them; copies keep their number.
  const origins = parser.associations as Map<unknown, { nodes?: number; materials?: number } | undefined>;
  const { nodes = [], meshes = [] } = parser.json as Named;
  nameParts(scene, (object) => {
    const node = nodes[origins.get(object)?.nodes ?? -1];
    // The loader makes names of its own; people know those of the file.
    return node ? node.name || meshes[node.mesh ?? -1]?.name || '' : null;
  });
  scene.traverse((object) => {
    const { isMesh, material } = object as Mesh;
    if (isMesh)
      for (const one of Array.isArray(material) ? material : [material])
        one.userData.slot = origins.get(one)?.materials ?? 0;
  });
  return {
    scene,
    clips: animations,
    copy: () => {
      const copy = clone(scene);
      const own = new Map<Material, Material>();
      copy.traverse((node) => {
        const mesh = node as Mesh;
        if (!mesh.isMesh) return;
        // Skinned meshes move out of the box they were measured in.
        mesh.frustumCulled = false;
        const ownOf = (material: Material): Material => {
          const known = own.get(material) ?? material.clone();
          own.set(material, known);
          return known;
        };
        mesh.material = Array.isArray(mesh.material) ? mesh.material.map(ownOf) : ownOf(mesh.material);
      });
      return copy;
    },
  };
};

/** Frees geometries, materials and textures below a node. */
export const disposeOf = (root: Object3D, withShared = true): void =>
  root.traverse((node) => {
    const mesh = node as Mesh;
    if (!mesh.isMesh) return;
    if (withShared) mesh.geometry.dispose();
    for (const material of Array.isArray(mesh.material) ? mesh.material : [mesh.material]) {
      if (withShared)
        for (const value of Object.values(material))
          if ((value as { isTexture?: boolean } | null)?.isTexture) (value as { dispose(): void }).dispose();
      material.dispose();
    }
  });
