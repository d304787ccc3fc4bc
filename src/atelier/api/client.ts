/** Talks to the server. Every failure is an `IconiaError` whose message can be shown. */
import { IconiaError } from '../../core/errors';
import { readEffect } from '../../core/document/migrations';
import type { Patch } from '../../core/document/patch';
import type { z } from 'zod';
import {
  CONTRACT,
  problemSchema,
  type EffectSummary,
  type Release,
  type KeptCompound,
  type ShelfItem,
} from '../../core/contract/contract';
import { addressOf, type Asked, type Route } from '../../core/contract/route';
import { phonesEventSchema, type Door, type Phone, type TryLink } from '../../core/contract/try-contract';
import type { Asset, Effect, FileRef } from '../../core/document/schema';
import type { KeptBytes } from '../../intake/drafts';
import type { TakeSpec } from '../../core/takes/take';
import type { Finding } from '../../core/checks/checks';
import { cutText } from '../../core/text';

export interface EffectRecord {
  readonly id: string;
  readonly revision: number;
  readonly effect: Effect;
  readonly updatedAt: string;
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

/** Sends a request and reads its answer; null where there is none. */
const send = async (address: string, init: RequestInit): Promise<unknown> => {
  let response: Response;
  try {
    response = await fetch(address, init);
  } catch (cause) {
    throw new Unreachable(cause);
  }
  if (response.status === 204) return null;
  const body = (await response.json().catch(() => null)) as unknown;
  if (response.ok) return body;
  if (response.status >= 500 && !body) throw new Unreachable(response.status);
  throw refusal(response.status, body);
};
const refusal = (status: number, body: unknown): IconiaError => {
  const problem = problemSchema.safeParse(body).data;
  if (!problem) return new IconiaError('server.refused', `The server refused (${status}).`);
  if (problem.code === 'effect.stale' && problem.document && problem.revision)
    return new Stale(problem.revision, readEffect(problem.document));
  if (problem.code === 'release.checks') return new ChecksFailed(problem.findings ?? []);
  return new IconiaError(problem.code, problem.detail);
};

/** Asks a route and reads its answer as the contract has it. */
const ask = async <R extends Route>(
  route: R,
  asked: Asked<R> = {},
  init: RequestInit = {},
): Promise<z.output<R['answer']>> => {
  const { body } = asked;
  const json: RequestInit =
    body === undefined ? {} : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) };
  const answer = await send(addressOf(route, asked), { method: route.method, ...json, ...init });
  const { success, data, error } = route.answer.safeParse(answer);
  if (success) return data as z.output<R['answer']>;
  throw new IconiaError(
    'server.answer',
    'Iconia’s server answered what this page does not know; it may be newer. Reload the page: what is not saved is kept in this browser.',
    { cause: error },
  );
};

const record = ({ document, ...rest }: z.output<typeof CONTRACT.getEffect.answer>): EffectRecord => ({
  ...rest,
  effect: document,
});

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
  const { known } = await ask(
    CONTRACT.knownFiles,
    { body: { sha256: [sha256] } },
    { signal: signal ?? null },
  );
  return known.length > 0 ? { sha256, mime, bytes: bytes.length } : null;
};

export const api = {
  takes: (): Promise<TakeSpec[]> => ask(CONTRACT.listTakes),
  createTake: (spec: TakeSpec): Promise<TakeSpec> => ask(CONTRACT.createTake, { body: { ...spec } }),
  saveTake: (spec: TakeSpec): Promise<TakeSpec> =>
    ask(CONTRACT.saveTake, { params: { id: spec.id }, body: { ...spec } }),
  removeTake: async (id: string): Promise<void> => void (await ask(CONTRACT.removeTake, { params: { id } })),
  /** All effects, newest first; asked for page by page. */
  list: async (): Promise<EffectSummary[]> => {
    const all: EffectSummary[] = [];
    let next: string | null = null;
    do {
      const page: z.output<typeof CONTRACT.listEffects.answer> = await ask(CONTRACT.listEffects, {
        query: { limit: 200, ...(next === null ? {} : { after: next }) },
      });
      all.push(...page.items);
      ({ next } = page);
    } while (next !== null);
    return all;
  },
  get: async (id: string): Promise<EffectRecord> => record(await ask(CONTRACT.getEffect, { params: { id } })),
  /** The document at a revision; null when it is no longer kept. */
  at: async (id: string, revision: number): Promise<Effect | null> => {
    try {
      return (await ask(CONTRACT.getRevision, { params: { id, revision } })).document;
    } catch (error) {
      if (error instanceof IconiaError && error.code === 'revision.missing') return null;
      throw error;
    }
  },
  /** Keeps the moving thumbnail of a revision. */
  keepFilm: async (id: string, revision: number, film: Blob): Promise<void> =>
    void (await ask(
      CONTRACT.saveFilm,
      { params: { id }, query: { revision } },
      { headers: { 'Content-Type': 'image/webp' }, body: film },
    )),
  filmUrl: (id: string, revision: number): string =>
    addressOf(CONTRACT.getFilm, { params: { id }, query: { revision } }),
  create: async (effect: Effect): Promise<EffectRecord> =>
    record(await ask(CONTRACT.createEffect, { body: effect })),
  save: async (id: string, revision: number, patch: Patch): Promise<number> =>
    (await ask(CONTRACT.saveEffect, { params: { id }, body: { revision, patch: patch as never } })).revision,
  /** Deletes an effect; one that is live is refused (`effect.live`) unless its address may go too. */
  remove: async (id: string, takeDown: boolean): Promise<void> =>
    void (await ask(CONTRACT.removeEffect, {
      params: { id },
      query: takeDown ? { live: 'takeDown' } : {},
    })),
  /** Keeps a file; what the server has already is not sent again. */
  keep: async ({ bytes, mime }: KeptBytes, name: string, signal?: AbortSignal): Promise<FileRef> =>
    (await knownFile(bytes, mime, signal)) ??
    (await ask(
      CONTRACT.addFile,
      { query: { name: cutText(name, 200) } },
      {
        headers: { 'Content-Type': 'application/octet-stream' },
        body: bytes as BodyInit,
        signal: signal ?? null,
      },
    )),
  fileUrl: (sha256: string): string => addressOf(CONTRACT.getFile, { params: { sha256 } }),
  shelf: (): Promise<ShelfItem[]> => ask(CONTRACT.listShelf),
  putOnShelf: (asset: Asset): Promise<ShelfItem> => ask(CONTRACT.putOnShelf, { body: asset }),
  takeOffShelf: async (id: string): Promise<void> =>
    void (await ask(CONTRACT.takeOffShelf, { params: { id } })),
  compounds: (): Promise<KeptCompound[]> => ask(CONTRACT.listCompounds),
  compoundText: async (id: string): Promise<string> =>
    (await ask(CONTRACT.getCompound, { params: { id } })).text,
  keepCompound: (text: string): Promise<KeptCompound> => ask(CONTRACT.keepCompound, { body: { text } }),
  dropCompound: async (id: string): Promise<void> =>
    void (await ask(CONTRACT.dropCompound, { params: { id } })),
  tryLinks: (id: string): Promise<{ links: TryLink[]; doors: Door[] }> =>
    ask(CONTRACT.listTryLinks, { params: { id } }),
  createTryLink: (id: string, link: Asked<typeof CONTRACT.createTryLink>['body']): Promise<TryLink> =>
    ask(CONTRACT.createTryLink, { params: { id }, body: link }),
  removeTryLink: async (id: string, link: string): Promise<void> =>
    void (await ask(CONTRACT.removeTryLink, { params: { id, link } })),
  askPicture: async (id: string, phone: string): Promise<void> =>
    void (await ask(CONTRACT.askPicture, { params: { id, phone } })),
  phonePictureUrl: (id: string, phone: string, number: number): string =>
    addressOf(CONTRACT.getPhonePicture, { params: { id, phone }, query: { number } }),
  phoneClip: async (id: string, phone: string): Promise<Blob> => {
    const response = await fetch(addressOf(CONTRACT.getPhoneClip, { params: { id, phone } })).catch(
      (cause: unknown) => {
        throw new Unreachable(cause);
      },
    );
    if (!response.ok)
      throw new IconiaError(
        'phone.no-clip',
        'The clip of this phone is not there any more. Send it again from the phone.',
      );
    return response.blob();
  },
  dropPhoneClip: async (id: string, phone: string): Promise<void> =>
    void (await ask(CONTRACT.dropPhoneClip, { params: { id, phone } })),
  /** Tells of an effect's phones whenever they change, until it is closed. A stream that breaks is asked for again by the browser. */
  watchPhones: (
    id: string,
    told: { readonly onPhones: (phones: Phone[]) => void; readonly onAway: () => void },
  ): EventSource => {
    const source = new EventSource(addressOf(CONTRACT.watchPhones, { params: { id } }));
    source.addEventListener('message', ({ data }) => {
      const read = phonesEventSchema.safeParse(JSON.parse(String(data)));
      if (read.success) told.onPhones(read.data.phones);
    });
    source.addEventListener('error', () => told.onAway());
    return source;
  },
  releases: (id: string): Promise<Release[]> => ask(CONTRACT.listReleases, { params: { id } }),
  release: (id: string, revision: number): Promise<Release> =>
    ask(CONTRACT.release, { params: { id }, body: { revision } }),
};

/** The bytes of a file of an effect. */
export const fetchFile = async ({ sha256 }: Pick<FileRef, 'sha256'>): Promise<Blob> => {
  const response = await fetch(api.fileUrl(sha256)).catch((cause: unknown) => {
    throw new Unreachable(cause);
  });
  if (!response.ok)
    throw new IconiaError('file.missing', 'A file of this effect could not be loaded. Reload the page.');
  return response.blob();
};
