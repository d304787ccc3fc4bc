/** Colour tables as textures, by content. */
import { Data3DTexture, FloatType, NearestFilter, RGBAFormat } from 'three';
import { readCube } from '../../core/assets/colour/cube';
import type { ColourTable } from '../../core/assets/colour/table';
import type { TableAsset } from '../../core/document/schema';
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
  private readonly tables = new Map<string, OpenedTable | 'loading' | 'failed'>();

  constructor(
    private readonly source: FileSource,
    private readonly onLoaded: () => void = () => {},
  ) {}

  /** Null while it is on its way. */
  get(asset: TableAsset): OpenedTable | null {
    const known = this.tables.get(asset.files[0]!.sha256);
    if (known === undefined) void this.load(asset);
    return typeof known === 'object' ? known : null;
  }

  /** Resolves when it can be used, or is known to be unreadable. */
  async load(asset: TableAsset): Promise<void> {
    const file = asset.files[0]!;
    if (typeof this.tables.get(file.sha256) === 'object') return;
    this.tables.set(file.sha256, 'loading');
    try {
      const bytes = new Uint8Array(await (await this.source(file)).arrayBuffer());
      const table = readCube(bytes, asset.name);
      this.tables.set(file.sha256, { table, texture: textureOf(table) });
    } catch {
      this.tables.set(file.sha256, 'failed');
    }
    this.onLoaded();
  }

  dispose(): void {
    for (const opened of this.tables.values()) if (typeof opened === 'object') opened.texture.dispose();
    this.tables.clear();
  }
}
