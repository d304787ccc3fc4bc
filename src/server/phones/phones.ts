/**
 * Phones that have a try link open: what they show, what they say, and what was asked of them. Nothing of it is kept when the server
 * ends; phones come back by themselves.
 */
import type { Phone, PhoneReport, TryEvent } from '../../core/contract/try-contract';
import type { Patch } from '../../core/document/patch';
import { inspectPicture } from '../../core/assets/pictures/picture';
import type { Incoming } from '../content-files';
import type { EventStream } from '../event-stream';
import { Problem } from '../problem';
import { EXPIRED, type OpenLink } from './try-links-store';

/** Phones of one effect. */
export const MOST_PHONES = 60;
/** Clips of all phones that wait to be brought in. */
const MOST_CLIPS = 12;
/** Milliseconds: changes within so short a time are told at once. */
const TELL_AFTER = 100;

interface Known {
  readonly id: string;
  readonly link: OpenLink;
  readonly number: number;
  readonly device: string;
  readonly joined: number;
  seenAt: number;
  stream: EventStream | null;
  report: PhoneReport | null;
  picture: { readonly bytes: Buffer; readonly mime: string } | null;
  pictures: number;
  asked: boolean;
  clip: Incoming | null;
  clips: number;
}

interface Watch {
  tell(phones: readonly Phone[]): void;
  end(): void;
}

export class Phones {
  private readonly ofEffect = new Map<string, Map<string, Known>>();
  private readonly watches = new Map<string, Set<Watch>>();
  private readonly telling = new Map<string, NodeJS.Timeout>();
  private counted = 0;

  constructor(
    private readonly discard: (clip: Incoming) => Promise<void>,
    private readonly now: () => number = Date.now,
  ) {}

  /** A phone opens a link, or comes back. Throws `try.full`. */
  join(link: OpenLink, id: string, device: string): number {
    const phones = this.ofEffect.get(link.effect) ?? new Map<string, Known>();
    this.ofEffect.set(link.effect, phones);
    const before = phones.get(id);
    if (!before && phones.size >= MOST_PHONES) this.makeRoom(phones);
    const number = before?.number ?? 1 + Math.max(0, ...[...phones.values()].map((p) => p.number));
    phones.set(id, {
      id,
      link,
      number,
      device,
      joined: before?.joined ?? this.counted++,
      seenAt: this.now(),
      stream: before?.stream ?? null,
      report: before?.report ?? null,
      picture: before?.picture ?? null,
      pictures: before?.pictures ?? 0,
      asked: before?.asked ?? false,
      clip: before?.clip ?? null,
      clips: before?.clips ?? 0,
    });
    this.changed(link.effect);
    return number;
  }

  /** Whoever left first makes room. */
  private makeRoom(phones: Map<string, Known>): void {
    const gone = [...phones.values()].filter((p) => !p.stream).sort((a, b) => a.seenAt - b.seenAt)[0];
    if (!gone)
      throw new Problem(
        503,
        'try.full',
        `${MOST_PHONES} devices are trying this effect already, and more are not served at once. Try again when one has left.`,
      );
    if (gone.clip) void this.discard(gone.clip);
    phones.delete(gone.id);
  }

  /** It listens from now on; one stream a phone. */
  attach(link: OpenLink, id: string, stream: EventStream, hello: TryEvent): void {
    const phone = this.find(link.effect, id);
    const before = phone.stream;
    phone.stream = stream;
    before?.end();
    phone.seenAt = this.now();
    stream.send(hello);
    if (phone.asked) stream.send({ kind: 'picture' } satisfies TryEvent);
    this.changed(link.effect);
  }
  /** Its stream has ended, unless another took its place. */
  detach(link: OpenLink, id: string, stream: EventStream): void {
    const phone = this.ofEffect.get(link.effect)?.get(id);
    if (phone?.stream !== stream) return;
    phone.stream = null;
    phone.seenAt = this.now();
    this.changed(link.effect);
  }

  report(link: OpenLink, id: string, report: PhoneReport): void {
    const phone = this.find(link.effect, id);
    phone.report = report;
    phone.seenAt = this.now();
    this.changed(link.effect);
  }

  /** Throws `phone.away`. */
  askPicture(effect: string, id: string): void {
    const phone = this.find(effect, id);
    if (!phone.stream)
      throw new Problem(
        409,
        'phone.away',
        'This phone does not have the effect open just now. Open the link on it again, then ask.',
      );
    phone.asked = true;
    phone.stream.send({ kind: 'picture' } satisfies TryEvent);
    this.changed(effect);
  }

  /** Throws where the bytes are no picture. */
  putPicture(link: OpenLink, id: string, bytes: unknown): void {
    const phone = this.find(link.effect, id);
    if (!Buffer.isBuffer(bytes) || bytes.length === 0)
      throw new Problem(415, 'phone.no-picture', 'A picture is sent as JPEG, PNG or WebP.');
    const { format } = inspectPicture(new Uint8Array(bytes), 'The picture');
    phone.picture = { bytes, mime: `image/${format}` };
    phone.pictures++;
    phone.asked = false;
    phone.seenAt = this.now();
    this.changed(link.effect);
  }
  /** Throws `phone.no-picture`. */
  picture(effect: string, id: string): { readonly bytes: Buffer; readonly mime: string } {
    const { picture } = this.find(effect, id);
    if (!picture)
      throw new Problem(404, 'phone.no-picture', 'This phone has sent no picture yet. Ask for one.');
    return picture;
  }

  /** Keeps a clip until it is brought in, another one comes, or too many wait. */
  putClip(link: OpenLink, id: string, clip: Incoming): void {
    const phone = this.find(link.effect, id);
    if (phone.clip) void this.discard(phone.clip);
    phone.clip = clip;
    phone.clips++;
    phone.seenAt = this.now();
    const waiting = [...this.ofEffect.values()]
      .flatMap((phones) => [...phones.values()])
      .filter((p) => p.clip)
      .sort((a, b) => a.seenAt - b.seenAt);
    for (const old of waiting.slice(0, Math.max(0, waiting.length - MOST_CLIPS))) {
      void this.discard(old.clip!);
      old.clip = null;
    }
    this.changed(link.effect);
  }
  /** Throws `phone.no-clip`. */
  clip(effect: string, id: string): Incoming {
    const { clip } = this.find(effect, id);
    if (!clip)
      throw new Problem(404, 'phone.no-clip', 'This phone has sent no clip, or it was brought in already.');
    return clip;
  }
  async dropClip(effect: string, id: string): Promise<void> {
    const clip = this.clip(effect, id);
    this.find(effect, id).clip = null;
    await this.discard(clip);
    this.changed(effect);
  }

  /** The effect has a new revision. */
  edited(effect: string, from: number, revision: number, patch: Patch): void {
    const event = { kind: 'edit', from, revision, patch };
    for (const phone of this.ofEffect.get(effect)?.values() ?? []) phone.stream?.send(event);
  }

  /** Sends phones away: all of an effect, or of one of its links. */
  end(effect: string, why: string, link?: string): void {
    this.endSome(effect, (phone) => link === undefined || phone.link.id === link, why);
  }
  /** Sends those away whose link has expired. Called now and then. */
  endExpired(): void {
    const now = this.now();
    for (const effect of this.ofEffect.keys())
      this.endSome(effect, (phone) => phone.link.expiresAt <= now, EXPIRED);
  }
  private endSome(effect: string, ends: (phone: Known) => boolean, why: string): void {
    const phones = this.ofEffect.get(effect);
    if (!phones) return;
    const ending = [...phones.values()].filter(ends);
    for (const phone of ending) {
      phone.stream?.send({ kind: 'over', why } satisfies TryEvent);
      phone.stream?.end();
      if (phone.clip) void this.discard(phone.clip);
      phones.delete(phone.id);
    }
    if (phones.size === 0) this.ofEffect.delete(effect);
    if (ending.length > 0) this.changed(effect);
  }

  /** The server ends: streams are closed, phones and creators' pages come back by themselves. */
  hangUp(): void {
    for (const phones of this.ofEffect.values()) for (const phone of phones.values()) phone.stream?.end();
    for (const watches of this.watches.values()) for (const watch of watches) watch.end();
    for (const timer of this.telling.values()) clearTimeout(timer);
  }

  /** Tells of an effect's phones now, and whenever they change. The answer ends it. */
  watch(effect: string, watch: Watch): () => void {
    const watches = this.watches.get(effect) ?? new Set();
    this.watches.set(effect, watches.add(watch));
    watch.tell(this.list(effect));
    return () => {
      watches.delete(watch);
      if (watches.size === 0) this.watches.delete(effect);
    };
  }

  /** In the order in which they came. */
  list(effect: string): Phone[] {
    return [...(this.ofEffect.get(effect)?.values() ?? [])]
      .sort((a, b) => a.joined - b.joined)
      .map(({ id, link, number, device, seenAt, stream, report, pictures, asked, clip, clips }) => ({
        id,
        link: link.id,
        number,
        device,
        here: stream !== null,
        seenAt: new Date(seenAt).toISOString(),
        report,
        picture: pictures,
        asked,
        clip: clip && { number: clips, bytes: clip.bytes },
      }));
  }

  /** Throws `phone.missing`. */
  expect(effect: string, id: string): void {
    this.find(effect, id);
  }
  private find(effect: string, id: string): Known {
    const phone = this.ofEffect.get(effect)?.get(id);
    if (!phone)
      throw new Problem(404, 'phone.missing', 'This phone is not known here. Open the link on it again.');
    return phone;
  }

  /** Thirty phones that report are told of together. */
  private changed(effect: string): void {
    if (this.telling.has(effect) || !this.watches.has(effect)) return;
    const timer = setTimeout(() => {
      this.telling.delete(effect);
      const phones = this.list(effect);
      for (const watch of this.watches.get(effect) ?? []) watch.tell(phones);
    }, TELL_AFTER);
    timer.unref();
    this.telling.set(effect, timer);
  }
}
