/** Colour tables as textures, by content. */
import { Data3DTexture, FloatType, NearestFilter, RGBAFormat } from 'three';
import { readCube } from '../../core/assets/colour/cube';
import type { ColourTable } from '../../core/assets/colour/table';
import type { TableAsset } from '../../core/document/schema';
import { ContentStore, type Arrivals } from './content-store';
import type { FileSource } from './texture-store';

export interface OpenedTable {
  readonly table: ColourTable;
  /** Red along x, green along y, blue along z; a table of one dimension lies along x. */
  readonly texture: Data3DTexture;
}

const textureOf = ({ data, size, dimensions }: ColourTable): Data3DTexture => {
  const values = new Float32Array((data.length / 3) * 4);
  for (let i = 0; i < data.length / 3; i++) {
    values.set(data.subarray(i * 3, i * 3 + 3), i * 4);
    values[i * 4 + 3] = 1;
  }
  const [height, depth] = dimensions === 3 ? [size, size] : [1, 1];
  const texture = new Data3DTexture(values, size, height, depth);
  texture.format = RGBAFormat;
  texture.type = FloatType;
  texture.minFilter = texture.magFilter = NearestFilter;
  texture.unpackAlignment = 4;
  texture.needsUpdate = true;
  return texture;
};

export class TableStore {
  readonly content: ContentStore<OpenedTable>;

  constructor(
    private readonly source: FileSource,
    arrivals: Arrivals,
  ) {
    this.content = new ContentStore({ dispose: ({ texture }) => texture.dispose() }, arrivals);
  }

  /** Null while it is on its way. */
  get(asset: TableAsset): OpenedTable | null {
    const { sha256 } = asset.files[0]!;
    if (!this.content.knows(sha256)) void this.load(asset);
    return this.content.get(sha256);
  }

  /** Resolves when it can be used, or is known to be unreadable. */
  async load(asset: TableAsset): Promise<void> {
    const file = asset.files[0]!;
    const made = this.content.load(file.sha256, async () => {
      const bytes = new Uint8Array(await (await this.source(file)).arrayBuffer());
      const table = readCube(bytes, asset.name);
      return { value: { table, texture: textureOf(table) }, bytes: (16 * table.data.length) / 3 };
    });
    await made.catch(() => null);
  }

  dispose(): void {
    this.content.dispose();
  }
}
