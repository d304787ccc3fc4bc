/** Textures of picture assets, by content; each is loaded once and shared. */
import { ClampToEdgeWrapping, LinearFilter, LinearMipmapLinearFilter, NoColorSpace, Texture } from 'three';
import type { Asset } from '../../core/document/schema';

/** Where the bytes of an asset come from: the server in the atelier, the package on the show page. */
export type AssetSource = (asset: Asset) => Promise<Blob>;

/** Larger pictures are drawn at this size; every WebGL 2 device takes it. */
const LARGEST = 4096;

export class TextureStore {
  private readonly textures = new Map<string, Texture | 'loading' | 'failed'>();

  constructor(
    private readonly source: AssetSource,
    /** Called when a texture has arrived, so that the picture is drawn again. */
    private readonly onLoaded: () => void = () => {},
    private readonly onFailed: (asset: Asset, cause: unknown) => void = () => {},
  ) {}

  /** The texture, or null while it is on its way. */
  get(asset: Asset): Texture | null {
    const known = this.textures.get(asset.sha256);
    if (known === undefined) void this.load(asset);
    return known instanceof Texture ? known : null;
  }

  /** Resolves when the asset can be drawn; rejects when it cannot. */
  async load(asset: Asset): Promise<void> {
    this.textures.set(asset.sha256, 'loading');
    try {
      const blob = await this.source(asset);
      const k = Math.min(1, LARGEST / Math.max(asset.width, asset.height));
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
      texture.minFilter = LinearMipmapLinearFilter;
      texture.anisotropy = 4;
      texture.needsUpdate = true;
      this.textures.set(asset.sha256, texture);
      this.onLoaded();
    } catch (cause) {
      this.textures.set(asset.sha256, 'failed');
      this.onFailed(asset, cause);
      throw cause;
    }
  }

  dispose(): void {
    for (const texture of this.textures.values()) if (texture instanceof Texture) texture.dispose();
    this.textures.clear();
  }
}
