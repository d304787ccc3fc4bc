/** The contract between pages and server: every route of it, what is sent and what is answered. */
import { MOST_KEPT_LETTERS } from '../edits/kept-compound';
import { z } from 'zod';
import type { Finding } from '../checks/checks';
import { readEffect } from '../document/migrations';
import { patchSchema } from '../document/patch';
import { assetSchema, fileRefSchema, shaSchema, type Effect } from '../document/schema';
import { takeSpecSchema } from '../takes/take';
import { route } from './route';
import { TRY_CONTRACT } from './try-contract';

const byId = z.object({ id: z.uuid() });
const revision = z.number().int().positive();
/** A document of whichever schema, read as one of this. Throws `IconiaError` where it cannot be. */
const documentSchema = z.unknown().transform((raw): Effect => readEffect(raw));

const effectRecordSchema = z.object({
  id: z.string(),
  revision,
  document: documentSchema,
  updatedAt: z.string(),
});
/** What a list shows of an effect. */
const effectSummarySchema = z.object({
  id: z.string(),
  name: z.string(),
  revision,
  updatedAt: z.string(),
  /** The public address it is live at. */
  address: z.string().nullable(),
  /** The revision its film shows; null while none is kept. */
  film: revision.nullable(),
});
const releaseSchema = z.object({
  version: z.number().int(),
  slug: z.string(),
  size: z.number(),
  name: z.string(),
  at: z.string(),
});
const shelfItemSchema = z.object({ id: z.string(), asset: assetSchema, at: z.string() });

/** What a list shows of a compound that is kept for other effects. */
const keptCompoundSchema = z.object({
  id: z.string(),
  compound: z.string(),
  name: z.string(),
  note: z.string(),
  at: z.string(),
});
const compoundTextSchema = z.strictObject({ text: z.string().max(MOST_KEPT_LETTERS) });

/** Of a film: its most bytes, its most pixels across and down. */
export const FILM_BYTES = 400_000;
export const FILM_PIXELS = [2400, 400] as const;

const EFFECTS = '/api/effects';
const FILES = '/api/files';
const SHELF = '/api/shelf';
const COMPOUNDS = '/api/compounds';
const TAKES = '/api/takes';

export const CONTRACT = {
  /** Summaries, newest first, a page at a time: whole documents are asked for one by one. */
  listEffects: route('GET', EFFECTS, {
    query: z.object({
      /** `next` of the page before. */
      after: z.string().max(200).optional(),
      limit: z.coerce.number<number>().int().min(1).max(200).default(60),
    }),
    answer: z.object({
      items: z.array(effectSummarySchema),
      /** Asks for the page behind this one; null on the last. */
      next: z.string().nullable(),
    }),
  }),
  createEffect: route('POST', EFFECTS, { body: documentSchema, answer: effectRecordSchema }),
  getEffect: route('GET', `${EFFECTS}/:id`, { params: byId, answer: effectRecordSchema }),
  getRevision: route('GET', `${EFFECTS}/:id/revisions/:revision`, {
    params: z.object({ id: z.uuid(), revision: z.coerce.number<number>().int().positive() }),
    answer: z.object({ revision, document: documentSchema }),
  }),
  /** A patch on a revision. */
  saveEffect: route('PATCH', `${EFFECTS}/:id`, {
    params: byId,
    body: z.strictObject({ revision, patch: patchSchema }),
    answer: z.object({ revision }),
  }),
  /** One that is live is refused (`effect.live`) unless its address may go too. */
  removeEffect: route('DELETE', `${EFFECTS}/:id`, {
    params: byId,
    query: z.object({ live: z.enum(['keep', 'takeDown']).default('keep') }),
  }),
  /** The moving thumbnail of a revision: the body is a WebP picture, its frames in a row. One of a newer revision stays. */
  saveFilm: route('PUT', `${EFFECTS}/:id/film`, {
    params: byId,
    query: z.object({ revision: z.coerce.number<number>().int().positive() }),
    status: 204,
  }),
  /** Answers with the picture. The revision is there so that each has an address of its own. */
  getFilm: route('GET', `${EFFECTS}/:id/film`, {
    params: byId,
    query: z.object({ revision: z.coerce.number<number>().int().positive().optional() }),
  }),
  listReleases: route('GET', `${EFFECTS}/:id/releases`, { params: byId, answer: z.array(releaseSchema) }),
  release: route('POST', `${EFFECTS}/:id/releases`, {
    params: byId,
    body: z.strictObject({ revision }),
    answer: releaseSchema,
  }),

  /** The body is the file itself. */
  addFile: route('POST', FILES, {
    query: z.object({ name: z.string().min(1).max(1000) }),
    answer: fileRefSchema,
  }),
  /** Asked before large files are sent: what is kept already need not be sent again. */
  knownFiles: route('POST', `${FILES}/known`, {
    body: z.strictObject({ sha256: z.array(shaSchema).max(5000) }),
    answer: z.object({ known: z.array(fileRefSchema) }),
    status: 200,
  }),
  /** Answers with the file. */
  getFile: route('GET', `${FILES}/:sha256`, { params: z.object({ sha256: shaSchema }) }),

  listShelf: route('GET', SHELF, { answer: z.array(shelfItemSchema) }),
  putOnShelf: route('POST', SHELF, { body: assetSchema, answer: shelfItemSchema }),
  takeOffShelf: route('DELETE', `${SHELF}/:id`, { params: byId }),

  /** Compounds on the creator's shelf. */
  listCompounds: route('GET', COMPOUNDS, { answer: z.array(keptCompoundSchema) }),
  getCompound: route('GET', `${COMPOUNDS}/:id`, { params: byId, answer: compoundTextSchema }),
  /** The same compound is there once, as it was kept last. */
  keepCompound: route('POST', COMPOUNDS, { body: compoundTextSchema, answer: keptCompoundSchema }),
  dropCompound: route('DELETE', `${COMPOUNDS}/:id`, { params: byId }),

  listTakes: route('GET', TAKES, { answer: z.array(takeSpecSchema) }),
  createTake: route('POST', TAKES, { body: z.looseObject({}), answer: takeSpecSchema }),
  saveTake: route('PUT', `${TAKES}/:id`, {
    params: byId,
    body: z.looseObject({}),
    answer: takeSpecSchema,
  }),
  removeTake: route('DELETE', `${TAKES}/:id`, { params: byId }),

  /** Anyone with the address can fetch the released package. */
  getPackage: route('GET', '/outlet/:slug/effect.zip', {
    params: z.object({ slug: z.string().regex(/^[a-z0-9-]{1,60}$/) }),
  }),
  ...TRY_CONTRACT,
} as const;

/** A problem as it is answered: RFC 9457, with a code of our own. */
export const problemSchema = z.looseObject({
  code: z.string(),
  detail: z.string(),
  /** With `effect.stale`: the effect as it is. */
  revision: revision.optional(),
  document: z.unknown().optional(),
  /** With `release.checks`. */
  findings: z.custom<readonly Finding[]>(Array.isArray).optional(),
});

export type EffectSummary = z.infer<typeof effectSummarySchema>;
export type ShelfItem = z.infer<typeof shelfItemSchema>;
export type KeptCompound = z.infer<typeof keptCompoundSchema>;
export type Release = z.infer<typeof releaseSchema>;
