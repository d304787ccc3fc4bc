/**
 * What files become when they can be drawn, by content: each is made once, shared by every view of a page, and let go.
 *
 * ```ts
 * const sheets = new ContentStore<Texture>({ dispose: (t) => t.dispose() }, arrivals);
 * sheets.get(sha) ?? sheets.load(sha, async () => ({ value: await decode(file), bytes: 4 * w * h }));
 * ```
 *
 * A store holds at most `most` bytes of what is not in use: what was asked for longest ago goes first, and is made anew when
 * somebody asks again. What was asked for in the last drawings counts as in use, however much that is.
 */

/** How much is on its way, over all stores of a page; a test waits for none, and so does whoever takes a still. */
export class Arrivals {
  private underWay = 0;

  /** `onArrived` is called when something has arrived, so that the picture is drawn again. */
  constructor(readonly onArrived: () => void = () => {}) {}

  get count(): number {
    return this.underWay;
  }

  async during<T>(work: Promise<T>): Promise<T> {
    this.underWay++;
    try {
      return await work;
    } finally {
      this.underWay--;
      this.onArrived();
    }
  }
}

/** Something made from a file, and about how many bytes it takes on the graphics card or beside it. */
export interface Made<T> {
  readonly value: T;
  readonly bytes: number;
}

interface Entry<T> {
  made: Made<T> | null;
  failed: boolean;
  loading: Promise<T> | null;
  asked: number;
}

export interface ContentStoreOptions<T> {
  readonly dispose: (value: T) => void;
  /** Bytes kept of what nobody has asked for lately. */
  readonly most?: number;
}

/** Asked for this many calls ago or fewer: in use. A picture asks for each of its things once. */
const IN_USE = 5000;
const MOST = 192 * 1024 * 1024;

export class ContentStore<T> {
  private readonly entries = new Map<string, Entry<T>>();
  private asked = 0;
  private held = 0;

  constructor(
    private readonly options: ContentStoreOptions<T>,
    private readonly arrivals: Arrivals,
  ) {}

  /** What was made of this content; null while it is on its way, when it failed, or when nobody has loaded it. */
  get(key: string): T | null {
    const entry = this.entries.get(key);
    if (!entry) return null;
    entry.asked = ++this.asked;
    return entry.made?.value ?? null;
  }

  /** Whether it is known already: made, on its way, or failed. */
  knows(key: string): boolean {
    return this.entries.has(key);
  }
  failed(key: string): boolean {
    return this.entries.get(key)?.failed ?? false;
  }

  /** Resolves with it; makes it when that was not done before. Rejects when it cannot be made, and tries again when asked again. */
  load(key: string, make: () => Promise<Made<T>>): Promise<T> {
    const known = this.entries.get(key);
    if (known?.made) {
      known.asked = ++this.asked;
      return Promise.resolve(known.made.value);
    }
    if (known?.loading) return known.loading;
    const entry: Entry<T> = { made: null, failed: false, loading: null, asked: ++this.asked };
    entry.loading = this.arrivals.during(this.make(key, entry, make));
    this.entries.set(key, entry);
    return entry.loading;
  }

  private async make(key: string, entry: Entry<T>, make: () => Promise<Made<T>>): Promise<T> {
    try {
      const made = await make();
      entry.made = made;
      this.held += made.bytes;
      // Let go while it was on its way: whoever waits for it still gets it, and it is not kept.
      if (this.entries.get(key) !== entry) this.release(entry);
      else this.trim();
      return made.value;
    } catch (cause) {
      entry.failed = true;
      throw cause;
    } finally {
      entry.loading = null;
    }
  }

  private release(entry: Entry<T>): void {
    if (!entry.made) return;
    this.held -= entry.made.bytes;
    this.options.dispose(entry.made.value);
    entry.made = null;
  }

  private trim(): void {
    const most = this.options.most ?? MOST;
    if (this.held <= most) return;
    const idle = [...this.entries]
      .filter(([, e]) => e.made && this.asked - e.asked > IN_USE)
      .sort(([, a], [, b]) => a.asked - b.asked);
    for (const [key, entry] of idle) {
      if (this.held <= most) return;
      this.release(entry);
      this.entries.delete(key);
    }
  }

  /** Lets go of everything but these: another effect is open now. */
  keepOnly(keys: ReadonlySet<string>): void {
    for (const [key, entry] of this.entries)
      if (!keys.has(key)) {
        this.release(entry);
        this.entries.delete(key);
      }
  }

  /** Things made, and their bytes. */
  get size(): { readonly things: number; readonly bytes: number } {
    return { things: [...this.entries.values()].filter((e) => e.made).length, bytes: this.held };
  }

  dispose(): void {
    this.keepOnly(new Set());
  }
}
