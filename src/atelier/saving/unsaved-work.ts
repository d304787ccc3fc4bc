/**
 * Work that has not reached the server, kept in this browser: the revision it stands on and the patch, not two whole documents.
 * Written a few times a second at the most. Each window has an entry of its own, so that two that are both cut off keep both; what
 * windows have left that are gone is for whoever opens the effect next.
 */
import { createStore, delMany, entries, set, type UseStore } from 'idb-keyval';
import { z } from 'zod';
import { patchSchema, type Patch } from '../../core/document/patch';

export interface Unsaved {
  /** The revision that the patch is to be applied to. */
  readonly revision: number;
  readonly patch: Patch;
  /** Milliseconds since 1970. */
  readonly at: number;
}
const unsavedSchema = z.strictObject({
  revision: z.number().int().positive(),
  patch: patchSchema,
  at: z.number(),
});

/** What a window has left, by the key it is forgotten by. */
export interface LeftWork extends Unsaved {
  readonly key: string;
}

/** What is kept for one session of an effect. */
export interface KeptWork {
  /** What sessions that are over have left of the effect, the oldest first; nothing of what cannot be read. */
  left(): Promise<readonly LeftWork[]>;
  /** Under which what this session has is kept. */
  readonly key: string;
  /** What this session has. Rejects when the browser keeps nothing: a private window, a full disk. */
  write(work: Unsaved): Promise<void>;
  forget(keys: readonly string[]): Promise<void>;
}
export interface UnsavedWork {
  /** For a session that begins with an effect. */
  of(id: string): KeptWork;
}

/** The part of the browser that tells which windows are open: a window holds a lock as long as it lives. */
export type WindowLocks = Pick<LockManager, 'request' | 'query'>;

const LOCK = 'iconia-window ';
/** Milliseconds that the lock of a window that has gone is waited for. */
const LINGERS = 600;
/** The effect's id, the window's, and which of the window's sessions it was. */
const keyOf = (id: string, window: string, session: number): string => `${id} ${window} ${session}`;

export const browserWork = (
  window: string = crypto.randomUUID(),
  locks: WindowLocks | undefined = globalThis.navigator?.locks,
): UnsavedWork => {
  let store: UseStore | null = null;
  const opened = (): UseStore => (store ??= createStore('iconia-unsaved', 'work'));
  // Held until the window goes. A browser that gives none takes every other window for gone.
  const holding = new Promise<void>((held) => {
    if (!locks) return held();
    locks
      .request(LOCK + window, () => {
        held();
        return new Promise(() => {});
      })
      .catch(() => held());
  });
  const openWindows = async (): Promise<ReadonlySet<string>> => {
    const { held = [] } = (await locks?.query().catch(() => null)) ?? {};
    return new Set(held.flatMap(({ name }) => (name?.startsWith(LOCK) ? [name.slice(LOCK.length)] : [])));
  };
  /**
   * Whether a window that seems open has gone after all. One that is being reloaded holds its lock for a moment longer than its page lives;
   * whoever waits for it gets it then.
   */
  const hasGone = async (other: string): Promise<boolean> => {
    if (!locks || other === window) return false;
    const signal = AbortSignal.timeout(LINGERS);
    return locks.request(LOCK + other, { signal }, () => true).catch(() => false);
  };
  let sessions = 0;
  return {
    of: (id) => {
      const own = keyOf(id, window, ++sessions);
      const isLeft = async (key: string, open: ReadonlySet<string>): Promise<boolean> => {
        const [of, from = ''] = key.split(' ');
        if (of !== id || key === own) return false;
        return from === window || !open.has(from) || (await hasGone(from));
      };
      return {
        key: own,
        async left() {
          try {
            const open = await openWindows();
            const found = await Promise.all(
              (await entries<string, unknown>(opened())).map(async ([key, value]): Promise<LeftWork[]> => {
                const parsed = unsavedSchema.safeParse(value);
                return parsed.success && (await isLeft(key, open))
                  ? [{ ...(parsed.data as Unsaved), key }]
                  : [];
              }),
            );
            return found.flat().sort((a, b) => a.at - b.at);
          } catch {
            return [];
          }
        },
        // Through JSON: what is kept shares nothing with the document.
        async write(work) {
          await holding;
          await set(own, JSON.parse(JSON.stringify(work)) as Unsaved, opened());
        },
        forget: async (keys) => delMany([...keys], opened()).catch(() => undefined),
      };
    },
  };
};
