/** Light surroundings as pictures of the whole sphere, by content. */
import {
  DataTexture,
  EquirectangularReflectionMapping,
  HalfFloatType,
  LinearFilter,
  RGBAFormat,
} from 'three';
import type { SurroundingsAsset } from '../../core/document/schema';
import type { FileSource } from './texture-store';

export class SurroundingsStore {
  private readonly pictures = new Map<string, DataTexture | 'loading' | 'failed'>();

  constructor(
    private readonly source: FileSource,
    private readonly onLoaded: () => void = () => {},
  ) {}

  /** Null while it is on its way. */
  get(asset: SurroundingsAsset): DataTexture | null {
    const known = this.pictures.get(asset.files[0]!.sha256);
    if (known === undefined) void this.load(asset);
    return known instanceof DataTexture ? known : null;
  }

  /** Resolves when it can light, or is known not to. */
  async load(asset: SurroundingsAsset): Promise<void> {
    const file = asset.files[0]!;
    if (this.pictures.get(file.sha256) instanceof DataTexture) return;
    this.pictures.set(file.sha256, 'loading');
    try {
      const { HDRLoader } = await import('three/addons/loaders/HDRLoader.js');
      const { data, width, height } = new HDRLoader()
        .setDataType(HalfFloatType)
        .parse(await (await this.source(file)).arrayBuffer());
      const texture = new DataTexture(data as Uint16Array, width, height, RGBAFormat, HalfFloatType);
      texture.mapping = EquirectangularReflectionMapping;
      texture.minFilter = texture.magFilter = LinearFilter;
      texture.flipY = true;
      texture.needsUpdate = true;
      this.pictures.set(file.sha256, texture);
    } catch {
      this.pictures.set(file.sha256, 'failed');
    }
    this.onLoaded();
  }

  dispose(): void {
    for (const texture of this.pictures.values()) if (texture instanceof DataTexture) texture.dispose();
    this.pictures.clear();
  }
}
