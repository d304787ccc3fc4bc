/** Typefaces for texts, by content; each is loaded once. */
import type { FontAsset } from '../../core/document/schema';
import { ContentStore, type Arrivals } from './content-store';
import type { FileSource } from './texture-store';

/** Ships with both pages. */
const OWN = "'Hanken Grotesk', 'Hanken Grotesk Variable'";
const familyOf = (sha256: string): string => `iconia-${sha256.slice(0, 16)}`;

export class FontStore {
  readonly content: ContentStore<FontFace>;
  private own: 'unknown' | 'loading' | 'ready' = 'unknown';

  constructor(
    private readonly source: FileSource,
    private readonly arrivals: Arrivals,
  ) {
    this.content = new ContentStore({ dispose: (face) => void document.fonts.delete(face) }, arrivals);
  }

  /** The family to draw with; null while it is on its way. A typeface that cannot be loaded gives Iconia's own. */
  get(asset: FontAsset | null): string | null {
    if (!asset) return this.ownFamily();
    const { sha256 } = asset.files[0]!;
    if (!this.content.knows(sha256)) void this.load(asset);
    if (this.content.failed(sha256)) return this.ownFamily();
    return this.content.get(sha256) ? `'${familyOf(sha256)}'` : null;
  }

  private ownFamily(): string | null {
    if (this.own === 'unknown') void this.loadOwn();
    return this.own === 'ready' ? OWN : null;
  }

  /** Resolves when Iconia's own typeface can be drawn. */
  async loadOwn(): Promise<void> {
    if (this.own === 'ready') return;
    this.own = 'loading';
    const loaded = document.fonts.load(`600 32px ${OWN}`).catch(() => undefined);
    await this.arrivals.during(loaded.then(() => (this.own = 'ready')));
  }

  /** Resolves when the typeface can be drawn, or is known not to be. */
  async load(asset: FontAsset): Promise<void> {
    const file = asset.files[0]!;
    const made = this.content.load(file.sha256, async () => {
      const bytes = await (await this.source(file)).arrayBuffer();
      const face = await new FontFace(familyOf(file.sha256), bytes).load();
      document.fonts.add(face);
      return { value: face, bytes: bytes.byteLength };
    });
    await made.catch(() => null);
  }

  dispose(): void {
    this.content.dispose();
  }
}
