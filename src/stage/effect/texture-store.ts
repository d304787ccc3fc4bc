/** Textures of pictures and of the sheets of sequences, by content; each is loaded once and shared. */
import { ClampToEdgeWrapping, LinearFilter, LinearMipmapLinearFilter, NoColorSpace, Texture } from 'three';
import type { FileRef, PictureAsset, SequenceAsset } from '../../core/document/schema';
import { ContentStore, type Arrivals, type Made } from './content-store';

/** Where the bytes of a file come from: the server in the atelier, the package on the show page. */
export type FileSource = (file: FileRef) => Promise<Blob>;

export type FlatAsset = PictureAsset | SequenceAsset;

/** Larger pictures are drawn at this size; every WebGL 2 device takes it. */
const LARGEST = 4096;

export class TextureStore {
  readonly content: ContentStore<Texture>;

  constructor(
    readonly source: FileSource,
    arrivals: Arrivals,
  ) {
    this.content = new ContentStore({ dispose: letGo }, arrivals);
  }

  /** The texture of a picture, or of a sheet of a sequence; null while it is on its way. */
  get(asset: FlatAsset, sheet = 0): Texture | null {
    const file = asset.files[sheet];
    if (!file) return null;
    // Whoever only draws has nobody to tell: a file that cannot be loaded is not drawn.
    if (!this.content.knows(file.sha256)) void this.loadFile(asset, file).catch(() => undefined);
    return this.content.get(file.sha256);
  }

  /** Resolves when all files of the asset can be drawn; rejects when one cannot. */
  async load(asset: FlatAsset): Promise<void> {
    await Promise.all(asset.files.map((file) => this.loadFile(asset, file)));
  }

  private loadFile(asset: FlatAsset, file: FileRef): Promise<Texture> {
    return this.content.load(file.sha256, async () => textureOf(asset, await this.source(file)));
  }

  dispose(): void {
    this.content.dispose();
  }
}

const letGo = (texture: Texture): void => {
  texture.dispose();
  (texture.image as ImageBitmap).close();
};

const textureOf = async (asset: FlatAsset, blob: Blob): Promise<Made<Texture>> => {
  const isSheet = asset.kind === 'sequence';
  const k = isSheet ? 1 : Math.min(1, LARGEST / Math.max(asset.width, asset.height));
  const bitmap = await createImageBitmap(blob, {
    premultiplyAlpha: 'none',
    colorSpaceConversion: 'none',
    ...(k < 1
      ? { resizeWidth: Math.round(asset.width * k), resizeHeight: Math.round(asset.height * k) }
      : {}),
  });
  const texture = new Texture(bitmap);
  // Values go to the shader as they are in the file: blending wants sRGB.
  texture.colorSpace = NoColorSpace;
  texture.flipY = false;
  texture.premultiplyAlpha = false;
  texture.wrapS = texture.wrapT = ClampToEdgeWrapping;
  texture.magFilter = LinearFilter;
  // Smaller copies of a sheet would mix neighbouring frames.
  texture.generateMipmaps = !isSheet;
  texture.minFilter = isSheet ? LinearFilter : LinearMipmapLinearFilter;
  texture.anisotropy = isSheet ? 1 : 4;
  texture.needsUpdate = true;
  return { value: texture, bytes: 4 * bitmap.width * bitmap.height };
};
