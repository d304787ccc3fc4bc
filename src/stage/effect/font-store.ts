/** Typefaces for texts, by content; each is loaded once. */
import type { FontAsset } from '../../core/document/schema';
import type { FileSource } from './texture-store';

/** Ships with both pages. */
const OWN = "'Hanken Grotesk', 'Hanken Grotesk Variable'";
const familyOf = (sha256: string): string => `iconia-${sha256.slice(0, 16)}`;

export class FontStore {
  private readonly faces = new Map<string, 'loading' | 'failed' | FontFace>();
  private own: 'unknown' | 'loading' | 'ready' = 'unknown';

  constructor(
    private readonly source: FileSource,
    private readonly onLoaded: () => void = () => {},
  ) {}

  /** The family to draw with; null while it is on its way. A typeface that cannot be loaded gives Iconia's own. */
  get(asset: FontAsset | null): string | null {
    if (!asset) return this.ownFamily();
    const { sha256 } = asset.files[0]!;
    const known = this.faces.get(sha256);
    if (known === undefined) void this.load(asset);
    if (known === 'failed') return this.ownFamily();
    return known instanceof FontFace ? `'${familyOf(sha256)}'` : null;
  }

  private ownFamily(): string | null {
    if (this.own === 'unknown') void this.loadOwn();
    return this.own === 'ready' ? OWN : null;
  }

  /** Resolves when Iconia's own typeface can be drawn. */
  async loadOwn(): Promise<void> {
    if (this.own === 'ready') return;
    this.own = 'loading';
    await document.fonts.load(`600 32px ${OWN}`).catch(() => undefined);
    this.own = 'ready';
    this.onLoaded();
  }

  /** Resolves when the typeface can be drawn, or is known not to be. */
  async load(asset: FontAsset): Promise<void> {
    const file = asset.files[0]!;
    if (this.faces.get(file.sha256) instanceof FontFace) return;
    this.faces.set(file.sha256, 'loading');
    try {
      const bytes = await (await this.source(file)).arrayBuffer();
      const face = await new FontFace(familyOf(file.sha256), bytes).load();
      document.fonts.add(face);
      this.faces.set(file.sha256, face);
    } catch {
      this.faces.set(file.sha256, 'failed');
    }
    this.onLoaded();
  }

  dispose(): void {
    for (const face of this.faces.values()) if (face instanceof FontFace) document.fonts.delete(face);
    this.faces.clear();
  }
}
