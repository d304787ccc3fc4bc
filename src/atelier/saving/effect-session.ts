/**
 * One effect while it is open: its document and undo, the revision that the server acknowledged, and what is on its way. A session
 * is closed with its effect; what still comes in for it then can reach no other.
 *
 * Whatever goes wrong ends in a state that says what it is, and is tried again.
 */
import { freeze } from 'immer';
import { IconiaError, sentence } from '../../core/errors';
import type { Edit } from '../../core/document/edit';
import { History } from '../../core/document/history';
import { mergeOnto } from '../../core/document/merge';
import { applyPatch, diff, type Patch } from '../../core/document/patch';
import type { Effect } from '../../core/document/schema';
import { cutText } from '../../core/text';
import { Stale, Unreachable, type EffectRecord } from '../api/client';
import { clashWords } from './merge-words';
import type { KeptWork, LeftWork, UnsavedWork } from './unsaved-work';

export type SaveState =
  | 'saved'
  | 'unsaved'
  | 'saving'
  /** The server does not answer. */
  | 'offline'
  /** The server has said what is wrong with it. */
  | 'refused'
  /** Another window's work does not fit, and the copy of this one's could not be made yet. */
  | 'apart';

/** The part of the server that a session talks to. */
export interface SavingServer {
  save(id: string, revision: number, patch: Patch): Promise<number>;
  create(effect: Effect): Promise<EffectRecord>;
  /** The document at a revision; null when it is no longer kept. */
  at(id: string, revision: number): Promise<Effect | null>;
}

export interface SessionTools {
  readonly server: SavingServer;
  readonly work: UnsavedWork;
  /** Milliseconds since 1970. */
  readonly now: () => number;
  /** Calls back after milliseconds; the answer takes that back. */
  readonly later: (work: () => void, after: number) => () => void;
  /** Something of the session has changed. */
  readonly onChange: () => void;
}

/** Quiet time after an edit before it is sent, and before a failed save is tried again. */
const SAVE_AFTER = 350;
const RETRY_AFTER = 3000;
const RETRY_REFUSED = 15_000;
/** At most so often is unsaved work written in the browser. */
const KEEP_EVERY = 500;

const day = (at: number): string =>
  new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
  }).format(at);

export class EffectSession {
  readonly id: string;
  readonly history: History;
  state: SaveState = 'saved';
  /** A sentence about the last thing that went wrong while saving, or what was merged. */
  notice: string | null = null;
  /** The browser keeps unsaved work, as far as is known. */
  keepsHere = true;
  /** The work that the browser is known to have; null before any. */
  private written: Effect | null = null;
  /** What is unsaved is in the browser now, all of it. */
  get isKept(): boolean {
    return this.keepsHere && this.written === this.effect;
  }
  private revision: number;
  private acknowledged: Effect;
  private saving: Promise<void> | null = null;
  private cancelSave: (() => void) | null = null;
  private cancelKeep: (() => void) | null = null;
  private closed = false;
  private readonly kept: KeptWork;
  private keptSomething = false;
  /** Entries that other windows have left, whose work is in this one now. */
  private takenOver: readonly string[] = [];

  constructor(
    record: EffectRecord,
    private readonly tools: SessionTools,
  ) {
    this.id = record.id;
    this.kept = tools.work.of(record.id);
    this.revision = record.revision;
    // Nobody changes a document in place; what is worked out of it once holds.
    this.acknowledged = freeze(record.effect, true);
    this.history = new History(this.acknowledged);
  }

  get effect(): Effect {
    return this.history.effect;
  }
  get isSaved(): boolean {
    return this.effect === this.acknowledged;
  }

  private say(state: SaveState, notice: string | null = this.notice): void {
    this.state = state;
    this.notice = notice;
    this.tools.onChange();
  }

  /** Makes a change. One that cannot be made says why, and changes nothing: then this is false. */
  edit(change: Edit, gesture: string | null, context: unknown = null): boolean {
    try {
      this.history.edit(change, gesture, context);
    } catch (error) {
      if (!(error instanceof IconiaError)) throw error;
      this.say(this.state, error.message);
      return false;
    }
    this.touched();
    return true;
  }
  undo(): void {
    this.history.undo();
    this.touched();
  }
  redo(): void {
    this.history.redo();
    this.touched();
  }

  private touched(): void {
    if (!this.isSaved) {
      if (this.state === 'saved') this.state = 'unsaved';
      this.keepSoon();
      this.schedule(SAVE_AFTER);
    }
    this.tools.onChange();
  }

  private schedule(after: number): void {
    this.cancelSave?.();
    this.cancelSave = this.closed ? null : this.tools.later(() => void this.save(), after);
  }

  private keepSoon(): void {
    this.cancelKeep ??= this.tools.later(() => void this.keepNow(), KEEP_EVERY);
  }
  /** Writes what is unsaved into the browser; called by itself, and when the page goes. */
  async keepNow(): Promise<void> {
    this.cancelKeep?.();
    this.cancelKeep = null;
    const patch = diff(this.acknowledged, this.effect);
    if (patch.length === 0) return;
    const { effect } = this;
    try {
      this.keptSomething = true;
      await this.kept.write({ revision: this.revision, patch, at: this.tools.now() });
      this.keepsHere = true;
      this.written = effect;
    } catch {
      this.keepsHere = false;
    }
    this.tools.onChange();
  }
  private forgetKept(): void {
    this.cancelKeep?.();
    this.cancelKeep = null;
    const over = [...this.takenOver, ...(this.keptSomething ? [this.kept.key] : [])];
    if (over.length > 0) void this.kept.forget(over);
    this.keptSomething = false;
    this.takenOver = [];
  }

  /** Sends what is new. One at a time; who asks meanwhile waits for the same. */
  save(): Promise<void> {
    this.cancelSave?.();
    this.cancelSave = null;
    this.saving ??= this.saveOnce().finally(() => {
      this.saving = null;
    });
    return this.saving;
  }

  private async saveOnce(): Promise<void> {
    const sent = this.effect;
    const patch = diff(this.acknowledged, sent);
    if (patch.length === 0) {
      this.acknowledged = sent;
      this.forgetKept();
      return this.say('saved', this.state === 'saved' ? this.notice : this.afterTrouble());
    }
    this.say('saving');
    try {
      this.revision = await this.tools.server.save(this.id, this.revision, patch);
      this.acknowledged = sent;
      this.refusal = null;
      if (this.isSaved) {
        this.forgetKept();
        this.say('saved', this.afterTrouble());
      } else {
        this.say('unsaved', this.afterTrouble());
        this.keepSoon();
        this.schedule(0);
      }
    } catch (error) {
      if (error instanceof Stale) return this.meet(error);
      this.failed(error);
    }
  }

  /** What the server has said against the work as it is. */
  private refusal: IconiaError | null = null;
  /** A sentence of trouble goes when the trouble is over; what was merged stays to be read. */
  private troubleSaid: string | null = null;
  private afterTrouble(): string | null {
    const over = this.notice === this.troubleSaid;
    this.troubleSaid = null;
    return over ? null : this.notice;
  }

  private failed(error: unknown): void {
    if (error instanceof Unreachable) {
      this.say('offline');
      this.schedule(RETRY_AFTER);
      return;
    }
    this.refusal = error instanceof IconiaError ? error : new IconiaError('server.refused', sentence(error));
    this.troubleSaid = `Not saved: ${this.refusal.message} Undo the last change, or change it; it is tried again.`;
    this.say('refused', this.troubleSaid);
    this.schedule(RETRY_REFUSED);
  }

  /** Somebody else saved first: their work is taken over, and mine put on top of it or kept as a copy. */
  private async meet(stale: Stale): Promise<void> {
    const mine = this.effect;
    const merged = mergeOnto(this.acknowledged, mine, stale.effect);
    if (merged) {
      this.takeOver(stale, merged.effect);
      this.say(
        'unsaved',
        clashWords(merged.effect, merged.clashes) ??
          'This effect was also changed in another window. Both changes are in it now.',
      );
      return this.saveOnce();
    }
    try {
      const name = await this.copyOf(mine, 'kept copy');
      this.takeOver(stale, stale.effect);
      this.forgetKept();
      this.say(
        'saved',
        `This effect was changed in another window in a way that does not fit yours. Yours is kept as “${name}” on Home; here you see theirs.`,
      );
    } catch {
      // Nothing is given up: it stays here and in the browser, and is tried again.
      this.troubleSaid =
        'This effect was changed in another window in a way that does not fit yours. Yours could not be kept as a copy yet; it is tried again. Leave this window open.';
      this.say('apart', this.troubleSaid);
      this.schedule(RETRY_AFTER);
    }
  }

  private takeOver({ revision, effect }: { revision: number; effect: Effect }, now: Effect): void {
    this.acknowledged = freeze(effect, true);
    this.revision = revision;
    this.history.replace(freeze(now, true));
  }

  private async copyOf(effect: Effect, why: string): Promise<string> {
    const name = `${cutText(effect.name, 79 - why.length - 2)} (${why})`;
    return (await this.tools.server.create({ ...effect, name })).effect.name;
  }

  /** Resolves with the revision once everything done so far is on the server's disk. Rejects with the sentence that says why not. */
  async flush(): Promise<number> {
    this.history.endGesture();
    while (!this.isSaved) {
      await this.save();
      if (this.state === 'offline' || this.state === 'apart') throw new Unreachable(this.state);
      if (this.state === 'refused' && this.refusal) throw this.refusal;
    }
    return this.revision;
  }

  /**
   * Work of windows that were closed before it had reached the server, the oldest first. It is put on the revision it stood on; what
   * came in since from elsewhere is merged, or the work is kept as a copy. Always said.
   */
  async recover(): Promise<void> {
    const said: string[] = [];
    for (const left of await this.kept.left()) {
      if (this.closed) return;
      try {
        const words = await this.recoverOne(left);
        if (words) said.push(words);
      } catch (error) {
        // It stays in the browser and is offered again.
        said.push(`Work of ${day(left.at)} in this browser could not be put back yet: ${sentence(error)}`);
      }
    }
    if (this.closed) return;
    if (said.length > 0) this.notice = said.join(' ');
    if (this.isSaved) this.forgetKept();
    this.touched();
  }

  /** What there is to say about it; null when there was nothing in it that is not here. */
  private async recoverOne(left: LeftWork): Promise<string | null> {
    const base =
      left.revision === this.revision
        ? this.acknowledged
        : await this.tools.server.at(this.id, left.revision);
    const mine = base && applyPatch(base, left.patch);
    const merged = mine && mergeOnto(base, mine, this.effect);
    if (!merged) {
      const name = await this.copyOf(mine ?? applyPatch(this.acknowledged, left.patch), 'unsaved work');
      // The server has it now, whatever comes of the rest.
      void this.kept.forget([left.key]);
      return `Work of ${day(left.at)} that had not reached the server does not fit what was changed since. It is kept as “${name}” on Home.`;
    }
    this.takenOver = [...this.takenOver, left.key];
    if (this.closed || diff(this.effect, merged.effect).length === 0) return null;
    this.history.edit({
      label: 'Recover unsaved work',
      change: (draft) => Object.assign(draft, merged.effect),
    });
    const newer = left.revision !== this.revision ? ', put on top of what was changed elsewhere since' : '';
    return (
      clashWords(merged.effect, merged.clashes) ??
      `Work of ${day(left.at)} that had not reached the server is here again${newer}. Undo takes it back.`
    );
  }

  /** Sends what is left; then the session is over. What cannot be sent stays in the browser. */
  async close(): Promise<void> {
    this.closed = true;
    this.cancelSave?.();
    if (this.isSaved && !this.saving) return;
    await this.keepNow();
    await this.saving;
    if (!this.isSaved) await this.save();
  }
}
