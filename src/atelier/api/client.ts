/** Talks to the server. Every failure is an `IconiaError` whose message can be shown. */
import { IconiaError } from '../../core/errors';
import { readEffect } from '../../core/document/migrations';
import type { Patch } from '../../core/document/patch';
import {
  assetSchema,
  fileRefSchema,
  type Asset,
  type Effect,
  type FileRef,
} from '../../core/document/schema';
import type { KeptBytes } from '../../intake/drafts';
import { takeSpecSchema, type TakeSpec } from '../../core/takes/take';
import type { Finding } from '../../core/checks/checks';
import { cutText } from '../../core/text';

export interface EffectRecord {
  readonly id: string;
  readonly revision: number;
  readonly effect: Effect;
  readonly updatedAt: string;
}
/** What a list shows of an effect. */
export interface EffectSummary {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly updatedAt: string;
  /** The public address it is live at. */
  readonly address: string | null;
}
export interface ShelfItem {
  readonly id: string;
  readonly asset: Asset;
  readonly at: string;
}
export interface Release {
  readonly version: number;
  readonly slug: string;
  readonly size: number;
  readonly name: string;
  readonly at: string;
}

/** The server was not reached: nothing is known about what it would have said. */
export class Unreachable extends IconiaError {
  constructor(cause: unknown) {
    super(
      'server.unreachable',
      'Iconia’s server does not answer. Your work is kept in this browser; it is saved as soon as the server is back.',
      { cause },
    );
  }
}
/** Somebody else saved first. */
export class Stale extends IconiaError {
  constructor(
    readonly revision: number,
    readonly effect: Effect,
  ) {
    super('effect.stale', 'The effect was changed in another window meanwhile.');
  }
}
export class ChecksFailed extends IconiaError {
  constructor(readonly findings: readonly Finding[]) {
    super('release.checks', 'The effect cannot be released yet: see the checks.');
  }
}

interface ProblemDetails {
  readonly code?: string;
  readonly detail?: string;
  readonly revision?: number;
  readonly document?: unknown;
  readonly findings?: readonly Finding[];
}

const request = async (path: string, init: RequestInit = {}): Promise<unknown> => {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch (cause) {
    throw new Unreachable(cause);
  }
  if (response.status === 204) return null;
  const body = (await response.json().catch(() => null)) as ProblemDetails | null;
  if (response.ok) return body;
  if (response.status >= 500 && !body) throw new Unreachable(response.status);
  if (body?.code === 'effect.stale' && body.document && body.revision)
    throw new Stale(body.revision, readEffect(body.document));
  if (body?.code === 'release.checks') throw new ChecksFailed(body.findings ?? []);
  throw new IconiaError(
    body?.code ?? 'server.refused',
    body?.detail ?? `The server refused (${response.status}).`,
  );
};

const json = (method: string, body: unknown): RequestInit => ({
  method,
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});

const record = (raw: unknown): EffectRecord => {
  const { id, revision, document, updatedAt } = raw as {
    id: string;
    revision: number;
    document: unknown;
    updatedAt: string;
  };
  return { id, revision, updatedAt, effect: readEffect(document) };
};

const take = (raw: unknown): TakeSpec => takeSpecSchema.parse(raw);

const shelfItem = (raw: unknown): ShelfItem => {
  const { id, asset, at } = raw as { id: string; asset: unknown; at: string };
  return { id, at, asset: assetSchema.parse(asset) };
};

/** Worth asking before sending. */
const LARGE = 256 * 1024;

/** The file as the server knows it; null when it has to be sent. */
const knownFile = async (
  bytes: Uint8Array,
  mime: FileRef['mime'],
  signal?: AbortSignal,
): Promise<FileRef | null> => {
  // Pages that are not served securely cannot compute the hash; they send.
  if (bytes.length < LARGE || !globalThis.crypto?.subtle) return null;
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes as BufferSource));
  const sha256 = [...digest].map((b) => b.toString(16).padStart(2, '0')).join('');
  const answer = (await request('/api/files/known', {
    ...json('POST', { sha256: [sha256] }),
    signal: signal ?? null,
  })) as {
    known: { sha256: string }[];
  };
  return answer.known.length > 0 ? { sha256, mime, bytes: bytes.length } : null;
};

export const api = {
  takes: async (): Promise<TakeSpec[]> => ((await request('/api/takes')) as unknown[]).map(take),
  createTake: async (spec: TakeSpec): Promise<TakeSpec> =>
    take(await request('/api/takes', json('POST', spec))),
  saveTake: async (spec: TakeSpec): Promise<TakeSpec> =>
    take(await request(`/api/takes/${spec.id}`, json('PUT', spec))),
  removeTake: async (id: string): Promise<void> =>
    void (await request(`/api/takes/${id}`, { method: 'DELETE' })),
  /** All effects, newest first; asked for page by page. */
  list: async (): Promise<EffectSummary[]> => {
    const all: EffectSummary[] = [];
    let next: string | null = null;
    do {
      const page = (await request(`/api/effects?limit=200${next ? `&after=${next}` : ''}`)) as {
        items: EffectSummary[];
        next: string | null;
      };
      all.push(...page.items);
      ({ next } = page);
    } while (next !== null);
    return all;
  },
  get: async (id: string): Promise<EffectRecord> => record(await request(`/api/effects/${id}`)),
  /** The document at a revision; null when it is no longer kept. */
  at: async (id: string, revision: number): Promise<Effect | null> => {
    try {
      const { document } = (await request(`/api/effects/${id}/revisions/${revision}`)) as {
        document: unknown;
      };
      return readEffect(document);
    } catch (error) {
      if (error instanceof IconiaError && error.code === 'revision.missing') return null;
      throw error;
    }
  },
  create: async (effect: Effect): Promise<EffectRecord> =>
    record(await request('/api/effects', json('POST', effect))),
  save: async (id: string, revision: number, patch: Patch): Promise<number> =>
    ((await request(`/api/effects/${id}`, json('PATCH', { revision, patch }))) as { revision: number })
      .revision,
  /** Deletes an effect; one that is live is refused (`effect.live`) unless its address may go too. */
  remove: async (id: string, takeDown: boolean): Promise<void> =>
    void (await request(`/api/effects/${id}${takeDown ? '?live=takeDown' : ''}`, { method: 'DELETE' })),
  /** Keeps a file; what the server has already is not sent again. */
  keep: async ({ bytes, mime }: KeptBytes, name: string, signal?: AbortSignal): Promise<FileRef> => {
    const known = await knownFile(bytes, mime, signal);
    if (known) return known;
    return fileRefSchema.parse(
      await request(`/api/files?name=${encodeURIComponent(cutText(name, 200))}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: bytes as BodyInit,
        signal: signal ?? null,
      }),
    );
  },
  fileUrl: (sha256: string): string => `/api/files/${sha256}`,
  shelf: async (): Promise<ShelfItem[]> => ((await request('/api/shelf')) as unknown[]).map(shelfItem),
  putOnShelf: async (asset: Asset): Promise<ShelfItem> =>
    shelfItem(await request('/api/shelf', json('POST', asset))),
  takeOffShelf: async (id: string): Promise<void> =>
    void (await request(`/api/shelf/${id}`, { method: 'DELETE' })),
  releases: async (id: string): Promise<Release[]> =>
    (await request(`/api/effects/${id}/releases`)) as Release[],
  release: async (id: string, revision: number): Promise<Release> =>
    (await request(`/api/effects/${id}/releases`, json('POST', { revision }))) as Release,
};
