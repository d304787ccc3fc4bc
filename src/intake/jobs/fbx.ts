/** FBX, read by the drawing library's loader and written as GLB. */
import { FileLoader, LoadingManager, Texture, type Group } from 'three';
import { FBXLoader } from 'three/addons/loaders/FBXLoader.js';
import { GLTFExporter } from 'three/addons/exporters/GLTFExporter.js';
import type { Companions } from '../../core/assets/models/companions';
import { asRefusal, refuse } from '../../core/assets/refuse';

export interface FbxAsGlb {
  readonly glb: Uint8Array;
  readonly notes: readonly string[];
}

/** FBX counts in centimetres unless it says otherwise. */
const METRES = 0.01;

/** Hands textures that came along, or lie in the file, to the loader: a worker has no `Image`. */
class Textures {
  readonly pending: Promise<void>[] = [];
  readonly missing = new Set<string>();

  constructor(private readonly companions: Companions) {}

  setPath(): this {
    return this;
  }
  setCrossOrigin(): this {
    return this;
  }

  load(url: string): Texture {
    const texture = new Texture();
    this.pending.push(this.fill(texture, url));
    return texture;
  }

  private async fill(texture: Texture, url: string): Promise<void> {
    const blob = url.startsWith('blob:') ? await (await fetch(url)).blob() : this.find(url);
    if (!blob) {
      this.missing.add(url.replace(/^.*[\\/]/, ''));
      return;
    }
    try {
      texture.image = await createImageBitmap(blob, { imageOrientation: 'flipY' });
      texture.needsUpdate = true;
    } catch {
      this.missing.add(url.replace(/^.*[\\/]/, ''));
    }
  }

  private find(url: string): Blob | null {
    const bytes = this.companions.find(url);
    return bytes ? new Blob([bytes as BlobPart]) : null;
  }
}

const checkFbx = (bytes: Uint8Array, name: string): void => {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 400));
  if (head.startsWith('Kaydara')) {
    const version = bytes.length > 27 ? new DataView(bytes.buffer, bytes.byteOffset).getUint32(23, true) : 0;
    if (version < 6400 || version > 8000)
      refuse(
        'model.version',
        `${name} is FBX of a version that is not read (${version}). Export it as FBX 7.4 or as GLB.`,
      );
  } else if (/FBX 6\.[0-3]/.test(head))
    refuse('model.version', `${name} is an old FBX. Export it as FBX 7.4 or as GLB.`);
};

/** Textures that never arrived would stop the export. */
const withoutEmpty = (scene: Group): void =>
  scene.traverse((node) => {
    const { material } = node as { material?: Record<string, unknown> | Record<string, unknown>[] };
    for (const m of Array.isArray(material) ? material : material ? [material] : [])
      for (const [key, value] of Object.entries(m))
        if (value instanceof Texture && !(value.image as unknown)) m[key] = null;
  });

/** Throws `IconiaError`: `model.*`. */
export const fbxToGlb = async (
  bytes: Uint8Array,
  name: string,
  companions: Companions,
): Promise<FbxAsGlb> => {
  checkFbx(bytes, name);
  const manager = new LoadingManager();
  const textures = new Textures(companions);
  // Every ending the loader knows goes through here.
  manager.addHandler(/.*/, textures as unknown as FileLoader);
  try {
    const loader = new FBXLoader(manager);
    (loader as unknown as { textureLoader: Textures }).textureLoader = textures;
    const scene = loader.parse(bytes.slice().buffer, '');
    await Promise.all(textures.pending);
    withoutEmpty(scene);
    scene.scale.multiplyScalar(METRES);
    const glb = (await new GLTFExporter().parseAsync(scene, {
      binary: true,
      animations: scene.animations,
      onlyVisible: false,
    })) as ArrayBuffer;
    return {
      glb: new Uint8Array(glb),
      notes:
        textures.missing.size > 0
          ? [
              `These pictures did not come along, so the model is plain there: ${[...textures.missing].slice(0, 6).join(', ')}. Drop them together with ${name}.`,
            ]
          : [],
    };
  } catch (error) {
    throw asRefusal(error, 'model.broken', `${name} is an FBX that cannot be opened. Export it as GLB.`);
  }
};
