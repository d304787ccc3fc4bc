/** Talks to the server. Every failure is an `IconiaError` whose message can be shown. */
import { IconiaError } from '../../core/errors';
import { readEffect } from '../../core/document/migrations';
import type { Patch } from '../../core/document/patch';
import type { Effect } from '../../core/document/schema';
import { takeSpecSchema, type TakeSpec } from '../../core/takes/take';
import type { Finding } from '../../core/checks/checks';

export interface EffectRecord {
  readonly id: string;
  readonly revision: number;
  readonly effect: Effect;
  readonly updatedAt: string;
}
export interface Uploaded {
  readonly sha256: string;
  readonly mime: 'image/png' | 'image/jpeg' | 'image/webp';
  readonly bytes: number;
  readonly width: number;
  readonly height: number;
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

export const api = {
  takes: async (): Promise<TakeSpec[]> => ((await request('/api/takes')) as unknown[]).map(take),
  createTake: async (spec: TakeSpec): Promise<TakeSpec> =>
    take(await request('/api/takes', json('POST', spec))),
  saveTake: async (spec: TakeSpec): Promise<TakeSpec> =>
    take(await request(`/api/takes/${spec.id}`, json('PUT', spec))),
  removeTake: async (id: string): Promise<void> =>
    void (await request(`/api/takes/${id}`, { method: 'DELETE' })),
  list: async (): Promise<EffectRecord[]> => ((await request('/api/effects')) as unknown[]).map(record),
  get: async (id: string): Promise<EffectRecord> => record(await request(`/api/effects/${id}`)),
  create: async (effect: Effect): Promise<EffectRecord> =>
    record(await request('/api/effects', json('POST', effect))),
  save: async (id: string, revision: number, patch: Patch): Promise<number> =>
    ((await request(`/api/effects/${id}`, json('PATCH', { revision, patch }))) as { revision: number })
      .revision,
  remove: async (id: string): Promise<void> =>
    void (await request(`/api/effects/${id}`, { method: 'DELETE' })),
  upload: async (file: File, signal?: AbortSignal): Promise<Uploaded> =>
    (await request(`/api/assets?name=${encodeURIComponent(file.name)}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: file,
      signal,
    })) as Uploaded,
  assetUrl: (sha256: string): string => `/api/assets/${sha256}`,
  releases: async (id: string): Promise<Release[]> =>
    (await request(`/api/effects/${id}/releases`)) as Release[],
  release: async (id: string, revision: number): Promise<Release> =>
    (await request(`/api/effects/${id}/releases`, json('POST', { revision }))) as Release,
};
