/** Textures of pictures and of the sheets of sequences, by content; each is loaded once and shared. */
import { ClampToEdgeWrapping, LinearFilter, LinearMipmapLinearFilter, NoColorSpace, Texture } from 'three';
import type { FileRef, PictureAsset, SequenceAsset } from '../../core/document/schema';

/** Where the bytes of a file come from: the server in the atelier, the package on the show page. */
export type FileSource = (file: FileRef) => Promise<Blob>;

export type FlatAsset = PictureAsset | SequenceAsset;

/** Larger pictures are drawn at this size; every WebGL 2 device takes it. */
const LARGEST = 4096;

export class TextureStore {
  private readonly textures = new Map<string, Texture | 'loading' | 'failed'>();

  constructor(
    readonly source: FileSource,
    /** Called when a texture has arrived, so that the picture is drawn again. */
    private readonly onLoaded: () => void = () => {},
  ) {}

  /** The texture of a picture, or of a sheet of a sequence; null while it is on its way. */
  get(asset: FlatAsset, sheet = 0): Texture | null {
    const file = asset.files[sheet];
    if (!file) return null;
    const known = this.textures.get(file.sha256);
    // Whoever only draws has nobody to tell: a file that cannot be loaded is not drawn.
    if (known === undefined) void this.loadFile(asset, file).catch(() => undefined);
    return known instanceof Texture ? known : null;
  }

  /** Resolves when all files of the asset can be drawn; rejects when one cannot. */
  async load(asset: FlatAsset): Promise<void> {
    await Promise.all(asset.files.map((file) => this.loadFile(asset, file)));
  }

  private async loadFile(asset: FlatAsset, file: FileRef): Promise<void> {
    if (this.textures.get(file.sha256) instanceof Texture) return;
    this.textures.set(file.sha256, 'loading');
    try {
      const blob = await this.source(file);
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
      this.textures.set(file.sha256, texture);
      this.onLoaded();
    } catch (cause) {
      this.textures.set(file.sha256, 'failed');
      throw cause;
    }
  }

  dispose(): void {
    for (const texture of this.textures.values()) if (texture instanceof Texture) texture.dispose();
    this.textures.clear();
  }
}
