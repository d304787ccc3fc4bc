/**
 * Work that has not reached the server, kept in this browser: the revision it stands on and the patch, not two whole documents.
 * Written a few times a second at the most.
 */
import { createStore, del, get, set, type UseStore } from 'idb-keyval';
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

export interface UnsavedWork {
  /** Null when there is none, or none that can be read. */
  read(id: string): Promise<Unsaved | null>;
  /** Rejects when the browser keeps nothing: a private window, a full disk. */
  write(id: string, work: Unsaved): Promise<void>;
  forget(id: string): Promise<void>;
}

export const browserWork = (): UnsavedWork => {
  let store: UseStore | null = null;
  const opened = (): UseStore => (store ??= createStore('iconia-unsaved', 'work'));
  return {
    async read(id) {
      try {
        const parsed = unsavedSchema.safeParse(await get<unknown>(id, opened()));
        return parsed.success ? (parsed.data as Unsaved) : null;
      } catch {
        return null;
      }
    },
    // Through JSON: what is kept shares nothing with the document.
    write: async (id, work) => set(id, JSON.parse(JSON.stringify(work)) as Unsaved, opened()),
    forget: async (id) => del(id, opened()).catch(() => undefined),
  };
};
