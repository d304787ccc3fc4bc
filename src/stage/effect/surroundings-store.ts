/** Light surroundings as pictures of the whole sphere, by content. */
import {
  DataTexture,
  EquirectangularReflectionMapping,
  HalfFloatType,
  LinearFilter,
  RGBAFormat,
} from 'three';
import type { SurroundingsAsset } from '../../core/document/schema';
import { ContentStore, type Arrivals, type Made } from './content-store';
import type { FileSource } from './texture-store';

export class SurroundingsStore {
  readonly content: ContentStore<DataTexture>;

  constructor(
    private readonly source: FileSource,
    arrivals: Arrivals,
  ) {
    this.content = new ContentStore({ dispose: (texture) => texture.dispose() }, arrivals);
  }

  /** Null while it is on its way. */
  get(asset: SurroundingsAsset): DataTexture | null {
    const { sha256 } = asset.files[0]!;
    if (!this.content.knows(sha256)) void this.load(asset);
    return this.content.get(sha256);
  }

  /** Resolves when it can light, or is known not to. */
  async load(asset: SurroundingsAsset): Promise<void> {
    const file = asset.files[0]!;
    await this.content
      .load(file.sha256, async () => surroundingsOf(await this.source(file)))
      .catch(() => null);
  }

  dispose(): void {
    this.content.dispose();
  }
}

const surroundingsOf = async (blob: Blob): Promise<Made<DataTexture>> => {
  const { HDRLoader } = await import('three/addons/loaders/HDRLoader.js');
  const { data, width, height } = new HDRLoader().setDataType(HalfFloatType).parse(await blob.arrayBuffer());
  const texture = new DataTexture(data as Uint16Array, width, height, RGBAFormat, HalfFloatType);
  texture.mapping = EquirectangularReflectionMapping;
  texture.minFilter = texture.magFilter = LinearFilter;
  texture.flipY = true;
  texture.needsUpdate = true;
  return { value: texture, bytes: (data as Uint16Array).byteLength };
};
