/** What tests of stores share: a browser's bits, a reader that answers as told, a server that keeps everything. */
import { jest } from '@jest/globals';
import { createHash } from 'node:crypto';
import { Cancelled } from '../../intake/intake-client';
import { result, type AssetDraft, type PreparedDraft, type ReadResult } from '../../intake/drafts';
import type { PlannedJob } from '../../intake/intake-worker';
import type { PrepareRequest } from '../../intake/prepare';
import { blankEffect } from '../../core/document/defaults';
import type { FileRef, PictureAsset } from '../../core/document/schema';
import type { KeptBytes } from '../../intake/drafts';
import type { Dropped } from '../intake/dropped';

/** The few things of a browser that stores touch. */
export const pretendBrowser = (): void => {
  const kept = new Map<string, string>();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    },
    document: { documentElement: { dataset: {} }, visibilityState: 'visible' },
  });
};

interface Work {
  readonly signal?: AbortSignal;
  readonly progress?: (share: number) => void;
}

/** A blank effect, as the server gives it. */
export const blankRecord = (effect = blankEffect('')) => ({ id: 'test', revision: 1, effect, updatedAt: '' });

/** How the pretended reader answers; tests set these. */
export const reader = {
  /** By name of the file: what it holds, or why it cannot be read. */
  files: new Map<string, ReadResult | Error | 'never'>(),
  refusals: [] as { path: string; code: string; message: string }[],
  prepare: (request: PrepareRequest): PreparedDraft | Error => new Error(`nobody prepares ${request.name}`),
  asked: [] as string[],
  reset(): void {
    this.files.clear();
    this.refusals = [];
    this.asked = [];
  },
};
const answer = <T>(value: T | Error | 'never', signal?: AbortSignal): Promise<T> =>
  new Promise((resolve, reject) => {
    const cancel = (): void => reject(new Cancelled());
    if (signal?.aborted) return cancel();
    signal?.addEventListener('abort', cancel);
    if (value instanceof Error) reject(value);
    else if (value !== 'never') resolve(value);
  });

class PretendedReader {
  plan(dropped: readonly { path: string; file: File }[]) {
    const jobs = dropped
      .filter(({ path }) => reader.files.has(path))
      .map(({ path }) => ({ name: path, path, kind: 'picture' }) as unknown as PlannedJob);
    return Promise.resolve({ jobs, refusals: reader.refusals });
  }
  read({ name }: PlannedJob, { signal, progress }: Work): Promise<ReadResult> {
    reader.asked.push(name);
    progress?.(0.5);
    return answer(reader.files.get(name)!, signal);
  }
  prepare(request: PrepareRequest, { signal }: Work): Promise<PreparedDraft> {
    return answer(reader.prepare(request), signal);
  }
}

/** Keeps by content, like the server does. */
export const keep = jest.fn((file: KeptBytes, _name: string, signal?: AbortSignal): Promise<FileRef> =>
  signal?.aborted
    ? Promise.reject(new Cancelled())
    : Promise.resolve({
        sha256: createHash('sha256').update(file.bytes).digest('hex'),
        bytes: file.bytes.length,
        mime: file.mime,
      }),
);

export const dropped = (path: string): Dropped => ({
  path,
  file: new File([path], path),
  handle: null,
});

/** A picture as a reader gives it; `paint` tells contents apart. */
export const pictureDraft = (
  name: string,
  paint = name,
  change: Partial<Extract<AssetDraft['facts'], { kind: 'picture' }>> = {},
): AssetDraft => ({
  name,
  facts: { kind: 'picture', width: 40, height: 20, layer: null, prep: null, ...change } as Omit<
    PictureAsset,
    'id' | 'name' | 'files' | 'original' | 'preview' | 'from'
  >,
  files: [{ bytes: new TextEncoder().encode(paint), mime: 'image/png' }],
  original: null,
  preview: null,
  from: { file: name, layer: null },
});
export const pictureFile = (name: string, paint = name): ReadResult => result([pictureDraft(name, paint)]);

/** Stores that are imported after this get the pretended reader and server. */
export const pretendReaderAndServer = async (): Promise<void> => {
  const real = await import('../../intake/intake-client');
  jest.unstable_mockModule('../../intake/intake-client', () => ({ ...real, IntakeClient: PretendedReader }));
  jest.unstable_mockModule('../api/client', () => ({
    api: {
      keep,
      fileUrl: (sha: string) => `/api/files/${sha}`,
      save: (_id: string, revision: number) => Promise.resolve(revision + 1),
    },
    Stale: class extends Error {},
    Unreachable: class extends Error {},
    fetchFile: () => Promise.reject(new Error('The pretended server keeps no bytes.')),
  }));
};
