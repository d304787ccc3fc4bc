/** The worker that opens files, so that the page stays free. */
import * as Comlink from 'comlink';
import { planImport, sequenceRemarks, type ImportJob, type Refusal } from '../core/assets/import-plan';
import { IconiaError } from '../core/errors';
import type { Grid } from '../core/document/schema';
import type { AssetDraft, FittedFace, KeptBytes, ModelInside, PreparedDraft, ReadResult } from './drafts';
import type { IntakeHooks } from './hooks';
import { readArtwork } from './jobs/artwork';
import { readMedia, decodeSound } from './jobs/media';
import { fitFace, lookInside, readModel } from './jobs/models';
import { readFontFile, readSurroundings, readTable } from './jobs/others';
import { readDrawing, readPicture } from './jobs/pictures';
import { cutSheet, readAnimation, readSequence } from './jobs/sequences';
import { prepareAsset, type PrepareRequest } from './prepare';
import { lookThrough, readSource, type DroppedFile, type Source } from './sources';

/** Errors lose their class on the way between worker and page; this keeps what matters. */
export type Answer<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly code: string; readonly message: string };

export interface PlannedJob extends ImportJob {
  readonly sources: readonly Source[];
}
export interface Planned {
  readonly jobs: readonly PlannedJob[];
  readonly refusals: readonly Refusal[];
}

/** The samples of a sound, for hearing and looking at it. */
export interface SoundSamples {
  readonly rate: number;
  readonly channels: readonly Float32Array[];
}

const failed = (error: unknown, name: string): { ok: false; code: string; message: string } => {
  if (error instanceof IconiaError) return { ok: false, code: error.code, message: error.message };
  // Nothing a creator did: still a sentence that names the file.
  const what = error instanceof Error ? error.message : String(error);
  return {
    ok: false,
    code: 'intake.failed',
    message: `${name} could not be read (${what.slice(0, 160)}). Export it again, or in another format.`,
  };
};

const buffersOf = (drafts: readonly AssetDraft[]): Transferable[] => {
  const seen = new Set<ArrayBuffer>();
  for (const draft of drafts)
    for (const file of [...draft.files, ...(draft.original ?? []), ...(draft.preview ? [draft.preview] : [])])
      if (file.bytes.buffer instanceof ArrayBuffer) seen.add(file.bytes.buffer);
  return [...seen];
};

const attempt = async <T>(
  name: string,
  work: () => Promise<T>,
  transfer: (value: T) => Transferable[] = () => [],
): Promise<Answer<T>> => {
  try {
    const value = await work();
    return Comlink.transfer({ ok: true, value }, transfer(value));
  } catch (error) {
    return failed(error, name);
  }
};

const read = async (job: PlannedJob, hooks: IntakeHooks): Promise<ReadResult> => {
  const byPath = new Map(job.sources.map((s) => [s.path, s]));
  const source = (path: string): Source => byPath.get(path)!;
  if (job.kind === 'sequence')
    return readSequence(
      job.name,
      job.others,
      (i) => readSource(source(job.others[i]!)),
      sequenceRemarks(job),
      hooks,
    );
  const bytes = await readSource(source(job.path));
  switch (job.kind) {
    case 'picture':
      return readPicture(bytes, job.name);
    case 'drawing':
      return readDrawing(bytes, job.name);
    case 'animation':
      return readAnimation(bytes, job.name, hooks);
    case 'artwork':
      return readArtwork(bytes, job.name, hooks);
    case 'model': {
      const files = new Map<string, Uint8Array>();
      for (const path of job.others) files.set(path, await readSource(source(path)));
      return readModel(bytes, job.name, files, job.path.slice(0, job.path.length - job.name.length), hooks);
    }
    case 'media':
      return readMedia(bytes, job.name, hooks);
    case 'table':
      return readTable(bytes, job.name);
    case 'surroundings':
      return readSurroundings(bytes, job.name);
    case 'font':
      return readFontFile(bytes, job.name);
  }
};

const intake = {
  /** Looks through what was dropped and tells what is to be made of it. */
  async plan(dropped: readonly DroppedFile[], progress: (share: number) => void): Promise<Planned> {
    const refusals: Refusal[] = [];
    const looked = await lookThrough(
      dropped,
      (path, error) => {
        const { code, message } = failed(error, path.replace(/^.*\//, ''));
        refusals.push({ path, code, message });
      },
      progress,
    );
    const plan = planImport(looked.map((l) => l.plan));
    const byPath = new Map(looked.map((l) => [l.plan.path, l.source]));
    return {
      jobs: plan.jobs.map((job) => ({
        ...job,
        sources: [...new Set([job.path, ...job.others])].map((path) => byPath.get(path)!),
      })),
      refusals: [...refusals, ...plan.refusals],
    };
  },

  read(job: PlannedJob, hooks: IntakeHooks): Promise<Answer<ReadResult>> {
    return attempt(
      job.name,
      () => read(job, hooks),
      (value) => buffersOf(value.drafts),
    );
  },

  cut(
    file: KeptBytes,
    name: string,
    grid: Grid,
    frames: number,
    progress: (share: number) => void,
  ): Promise<Answer<AssetDraft>> {
    return attempt(
      name,
      () => cutSheet(file.bytes, name, grid, frames, { progress }),
      (value) => buffersOf([value]),
    );
  },

  prepare(request: PrepareRequest, progress: (share: number) => void): Promise<Answer<PreparedDraft>> {
    return attempt(
      request.name,
      () => prepareAsset(request, { progress }),
      (value) => buffersOf([value.draft]),
    );
  },

  inside(original: KeptBytes, name: string): Promise<Answer<ModelInside>> {
    return attempt(name, () => lookInside(original, name));
  },

  fitFace(file: KeptBytes, name: string): Promise<Answer<FittedFace>> {
    return attempt(name, () => fitFace(file, name));
  },

  samples(file: KeptBytes, name: string): Promise<Answer<SoundSamples>> {
    return attempt(
      name,
      () => decodeSound(file.bytes, name),
      (value) => value.channels.map((c) => c.buffer as ArrayBuffer),
    );
  },
};

export type Intake = typeof intake;
Comlink.expose(intake);
