/**
 * Try links: what a creator asks of them, and what a phone that opened one asks and says. The phone's page carries this file alone of the contract.
 */
import { z } from 'zod';
import { patchSchema } from '../document/patch';
import { shaSchema } from '../document/schema';
import { route } from './route';

const count = z.number().int().min(0).max(1000);
const revision = z.number().int().positive();
const sentence = z.string().min(1).max(400);

/** 160 bits in hexadecimal: nobody guesses one. */
export const secretSchema = z.string().regex(/^[0-9a-f]{40}$/);

/** How long links may last, in minutes: an hour, a day, a week, a month. */
export const LINK_MINUTES = [60, 1440, 10_080, 43_200] as const;

const linkSchema = z.object({
  id: z.uuid(),
  secret: secretSchema,
  name: z.string(),
  /** The first device that opens it keeps it. */
  oneDevice: z.boolean(),
  expiresAt: z.string(),
});
export type TryLink = z.infer<typeof linkSchema>;

/** Where pages for viewers are reached from: this computer, the local network, or wherever its name is known. */
const doorSchema = z.object({ base: z.string(), reach: z.enum(['computer', 'network', 'name']) });
export type Door = z.infer<typeof doorSchema>;

/** What a phone says of itself, every two seconds. */
export const phoneReportSchema = z.strictObject({
  /** Of the effect that it shows. */
  revision,
  /** In CSS pixels. */
  screen: z.strictObject({
    width: z.number().min(0).max(20_000),
    height: z.number().min(0).max(20_000),
    density: z.number().min(0).max(20),
  }),
  /** Pixels that are drawn. */
  drawn: z.strictObject({
    width: z.number().int().min(0).max(20_000),
    height: z.number().int().min(0).max(20_000),
  }),
  source: z.enum(['take', 'camera']),
  /** What the camera is about; null on a take. */
  camera: z.enum(['starting', 'looking', 'tracking']).nullable(),
  /** Pictures a second, and milliseconds one takes to draw, without what the graphics hardware does of it. */
  rate: z.number().min(0).max(1000),
  milliseconds: z.number().min(0).max(100_000),
  faces: count,
  hands: count,
  pictures: count,
  /** What is wrong there, as it says it to its viewer. */
  faults: z.array(sentence).max(10),
});
export type PhoneReport = z.infer<typeof phoneReportSchema>;

/** Most bytes of what phones send. */
export const PHONE_PICTURE_BYTES = 3 * 1024 * 1024;
export const PHONE_CLIP_BYTES = 80 * 1024 * 1024;

const phoneSchema = z.object({
  id: z.uuid(),
  link: z.uuid(),
  /** Counted as they came: "Phone 2". */
  number: z.number().int(),
  /** "Android, Chrome". */
  device: z.string(),
  here: z.boolean(),
  seenAt: z.string(),
  report: phoneReportSchema.nullable(),
  /** Counts pictures that it has sent; 0 before the first. */
  picture: z.number().int(),
  /** A picture was asked for and has not come. */
  asked: z.boolean(),
  /** Of the clip that it has sent last. */
  clip: z.object({ number: z.number().int(), bytes: z.number().int() }).nullable(),
});
export type Phone = z.infer<typeof phoneSchema>;

/** What the creator's page is told whenever it changes. */
export const phonesEventSchema = z.object({ phones: z.array(phoneSchema) });

/** What a phone is told. */
export const tryEventSchema = z.discriminatedUnion('kind', [
  /** It is listened to; the effect is at this revision, the pages are of this build. */
  z.object({ kind: z.literal('here'), revision, build: z.string() }),
  z.object({ kind: z.literal('edit'), from: revision, revision, patch: patchSchema }),
  z.object({ kind: z.literal('picture') }),
  z.object({ kind: z.literal('over'), why: z.string() }),
]);
export type TryEvent = z.infer<typeof tryEventSchema>;

const LINKS = '/api/effects/:id/try-links';
const PHONES = '/api/effects/:id/phones';
const TRY = '/try-api/:secret';

const ofEffect = z.object({ id: z.uuid() });
const ofPhone = z.object({ id: z.uuid(), phone: z.uuid() });
const bySecret = z.object({ secret: secretSchema });
const asPhone = z.object({ phone: z.uuid() });

export const TRY_CONTRACT = {
  listTryLinks: route('GET', LINKS, {
    params: ofEffect,
    answer: z.object({ links: z.array(linkSchema), doors: z.array(doorSchema) }),
  }),
  createTryLink: route('POST', LINKS, {
    params: ofEffect,
    body: z.strictObject({
      name: z.string().trim().min(1).max(80),
      minutes: z.union(LINK_MINUTES.map((m) => z.literal(m))),
      oneDevice: z.boolean(),
    }),
    answer: linkSchema,
  }),
  /** Revoked: whoever has it open is sent away at once. */
  removeTryLink: route('DELETE', `${LINKS}/:link`, { params: z.object({ id: z.uuid(), link: z.uuid() }) }),

  /** A stream of `phonesEventSchema`. */
  watchPhones: route('GET', PHONES, { params: ofEffect }),
  askPicture: route('POST', `${PHONES}/:phone/picture`, { params: ofPhone, status: 204 }),
  /** Answers with the picture; its number is there so that each has an address of its own. */
  getPhonePicture: route('GET', `${PHONES}/:phone/picture`, {
    params: ofPhone,
    query: z.object({ number: z.coerce.number<number>().int().optional() }),
  }),
  getPhoneClip: route('GET', `${PHONES}/:phone/clip`, { params: ofPhone }),
  dropPhoneClip: route('DELETE', `${PHONES}/:phone/clip`, { params: ofPhone }),

  /** A phone opens the link: what it is to show. */
  joinTry: route('POST', `${TRY}/phones`, {
    params: bySecret,
    body: z.strictObject({ phone: z.uuid(), device: z.string().max(120) }),
    answer: z.object({ number: z.number().int(), revision, document: z.unknown(), build: z.string() }),
    status: 200,
  }),
  /** A stream of `tryEventSchema`. */
  watchTry: route('GET', `${TRY}/events`, { params: bySecret, query: asPhone }),
  getTryFile: route('GET', `${TRY}/files/:sha256`, { params: bySecret.extend({ sha256: shaSchema }) }),
  reportTry: route('POST', `${TRY}/reports`, {
    params: bySecret,
    query: asPhone,
    body: phoneReportSchema,
    status: 204,
  }),
  /** The body is a JPEG, PNG or WebP picture. */
  sendTryPicture: route('PUT', `${TRY}/picture`, { params: bySecret, query: asPhone, status: 204 }),
  /** The body is a film as the phone's browser records them. */
  sendTryClip: route('PUT', `${TRY}/clip`, { params: bySecret, query: asPhone, status: 204 }),
} as const;
