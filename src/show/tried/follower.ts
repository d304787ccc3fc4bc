/** Keeps what a phone shows the same as what is being made, and says how it goes. */
import { applyPatch } from '../../core/document/patch';
import type { TryEvent } from '../../core/contract/try-contract';
import type { Effect } from '../../core/document/schema';
import { IconiaError, sentence } from '../../core/errors';
import { scriptsFor } from '../../stage/script-engine';
import { briefly, element, note } from '../page';
import type { Player } from '../player';
import { readDocument } from '../read-document';
import { offerClip } from './offer-clip';
import { Away, type Joined, type TryServer } from './try-server';

/** Milliseconds between two reports, and until a server that is away is asked again. */
const REPORT_EVERY = 2000;
const ASK_AGAIN = 3000;

export class Follower {
  private revision: number;
  private document: object;
  private readonly build: string;
  /** One change after the other, in the order in which they came. */
  private turn: Promise<void> = Promise.resolve();
  private isOver = false;
  private close: (() => void) | null = null;
  private reporting: ReturnType<typeof setInterval> | null = null;
  private last = { at: performance.now(), frames: 0 };

  constructor(
    private readonly server: TryServer,
    private readonly device: string,
    { revision, document, build }: Joined,
    effect: Effect,
    private readonly player: Player,
  ) {
    this.revision = revision;
    this.document = document as object;
    this.build = build;
    this.showRevision(effect);
  }

  begin(): void {
    this.listen();
    this.reporting = setInterval(() => void this.report(), REPORT_EVERY);
    void this.report();
    offerClip(this.player, this.server);
    document.addEventListener('visibilitychange', () => {
      if (!document.hidden) void this.report();
    });
  }

  private listen(): void {
    if (this.isOver) return;
    this.close = this.server.listen(
      (event) => this.hear(event),
      // The browser has given up: the server says why, or is away.
      () => this.inTurn(() => this.comeBack()),
    );
  }

  private inTurn(work: () => Promise<void>): void {
    this.turn = this.turn
      .then(async () => {
        if (!this.isOver) await work();
      })
      // What cannot be shown is said; the next change is tried all the same.
      .catch((error: unknown) => note(sentence(error)));
  }

  private hear(event: TryEvent): void {
    switch (event.kind) {
      case 'here':
        this.inTurn(async () => {
          if (event.build !== this.build) return this.renewed();
          if (event.revision !== this.revision) await this.fetchWhole();
        });
        break;
      case 'edit':
        this.inTurn(async () => {
          // What it does not stand on is fetched whole.
          if (event.from !== this.revision) {
            if (event.revision > this.revision) await this.fetchWhole();
            return;
          }
          try {
            await this.take(applyPatch(this.document, event.patch), event.revision);
          } catch {
            await this.fetchWhole();
          }
        });
        break;
      case 'picture':
        void this.sendPicture();
        break;
      case 'over':
        this.end(event.why);
    }
  }

  private async take(document: object, revision: number): Promise<void> {
    const effect = await readDocument(document);
    const scripts = await scriptsFor(effect);
    this.player.change(effect, scripts);
    this.document = document;
    this.revision = revision;
    this.showRevision(effect);
  }

  private showRevision(effect: Effect): void {
    element('picture').dataset.revision = String(this.revision);
    for (const id of ['title', 'name']) element(id).textContent = effect.name;
  }

  /** The document as it is now. */
  private async fetchWhole(): Promise<void> {
    try {
      const joined = await this.server.join(this.device);
      if (joined.build !== this.build) return this.renewed();
      await this.take(joined.document as object, joined.revision);
      note('');
    } catch (error) {
      if (error instanceof Away) {
        note(error.message);
        setTimeout(() => this.inTurn(() => this.fetchWhole()), ASK_AGAIN);
      } else this.end(sentence(error));
    }
  }

  /** After its stream was refused: the link may be gone, or the server has forgotten who listens. */
  private async comeBack(): Promise<void> {
    try {
      const joined = await this.server.join(this.device);
      if (joined.build !== this.build) return this.renewed();
      if (joined.revision !== this.revision) await this.take(joined.document as object, joined.revision);
      note('');
      this.listen();
    } catch (error) {
      if (!(error instanceof Away)) return this.end(sentence(error));
      note(error.message);
      setTimeout(() => this.inTurn(() => this.comeBack()), ASK_AGAIN);
    }
  }

  /** This page is of an Iconia that is not there any more. */
  private renewed(): void {
    this.end('Iconia was renewed meanwhile, and this page is of the old one.');
    const reload = document.createElement('button');
    reload.type = 'button';
    reload.textContent = 'Reload';
    reload.addEventListener('click', () => location.reload());
    element('message').append(document.createElement('br'), reload);
  }

  private async report(): Promise<void> {
    if (document.hidden || this.isOver) return;
    const { frames, ...facts } = this.player.facts();
    const at = performance.now();
    const passed = (at - this.last.at) / 1000;
    const rate = passed > 0.5 ? (frames - this.last.frames) / passed : 0;
    if (passed > 0.5) this.last = { at, frames };
    try {
      await this.server.report({
        ...facts,
        faults: facts.faults.slice(0, 10).map((words) => words.slice(0, 400)),
        revision: this.revision,
        screen: { width: innerWidth, height: innerHeight, density: devicePixelRatio },
        rate: Math.min(1000, rate),
      });
    } catch (error) {
      // The stream is about whether the server is there. One that began anew does not know this phone.
      if (error instanceof IconiaError && error.code === 'phone.missing') this.inTurn(() => this.rejoin());
    }
  }
  private async rejoin(): Promise<void> {
    this.close?.();
    await this.comeBack();
  }

  private async sendPicture(): Promise<void> {
    try {
      const picture = await this.player.nextPicture('image/jpeg');
      if (this.isOver) return;
      await this.server.picture(picture);
      briefly('A picture of this screen was sent to whoever makes the effect.');
    } catch (error) {
      if (this.isOver) return;
      briefly(`They asked for a picture, and it could not be sent. ${sentence(error)}`);
    }
  }

  /** The effect is gone from here at once, with the camera. */
  private end(why: string): void {
    if (this.isOver) return;
    this.isOver = true;
    this.close?.();
    if (this.reporting !== null) clearInterval(this.reporting);
    this.player.stop();
    for (const id of ['start', 'controls', 'stage']) element(id).hidden = true;
    note(why);
  }
}
