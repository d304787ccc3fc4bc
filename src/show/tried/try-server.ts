/** What a phone with a try link asks of the server, and says to it. */
import { IconiaError } from '../../core/errors';
import {
  TRY_CONTRACT,
  type PhoneReport,
  type TryEvent,
  tryEventSchema,
} from '../../core/contract/try-contract';
import { addressOf, type Route } from '../../core/contract/route';
import type { FileRef } from '../../core/document/schema';

const KEY = 'iconia-phone';
/** It is the same phone when it comes back. */
const phoneId = (): string => {
  try {
    const kept = localStorage.getItem(KEY);
    if (kept && /^[0-9a-f-]{36}$/.test(kept)) return kept;
    const made = crypto.randomUUID();
    localStorage.setItem(KEY, made);
    return made;
  } catch {
    // A browser that keeps nothing: it is another one each time.
    return crypto.randomUUID();
  }
};

/** The server was not reached; it may be there again soon. */
export class Away extends IconiaError {
  constructor(cause?: unknown) {
    super(
      'try.away',
      'Iconia does not answer. See that this device is in the same network; it is tried again.',
      {
        cause,
      },
    );
  }
}

export interface Joined {
  readonly number: number;
  readonly revision: number;
  readonly document: unknown;
  readonly build: string;
}

export class TryServer {
  private readonly phone = phoneId();

  constructor(private readonly secret: string) {}

  private readonly params = (): { secret: string } => ({ secret: this.secret });

  /** Asks; throws `Away`, or the sentence that the server says. */
  private async ask(route: Route, address: string, init: RequestInit = {}): Promise<unknown> {
    let response: Response;
    try {
      response = await fetch(address, { method: route.method, ...init });
    } catch (cause) {
      throw new Away(cause);
    }
    if (response.status === 204) return null;
    const body = (await response.json().catch(() => null)) as { code?: string; detail?: string } | null;
    if (response.ok) return body;
    if (response.status >= 500 && !body?.detail) throw new Away(response.status);
    throw new IconiaError(
      body?.code ?? 'try.refused',
      body?.detail ?? `Iconia refused (${response.status}).`,
    );
  }
  private send(route: Route, body: Blob): Promise<unknown> {
    const address = addressOf(route, { params: this.params(), query: { phone: this.phone } });
    return this.ask(route, address, { body, headers: { 'Content-Type': body.type } });
  }

  async join(device: string): Promise<Joined> {
    const route = TRY_CONTRACT.joinTry;
    return route.answer.parse(
      await this.ask(route, addressOf(route, { params: this.params() }), {
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ phone: this.phone, device }),
      }),
    );
  }

  /** Listens until it is closed. A stream that breaks is asked for again by the browser; `onRefused` is told when it is not. */
  listen(onEvent: (event: TryEvent) => void, onRefused: () => void): () => void {
    const source = new EventSource(
      addressOf(TRY_CONTRACT.watchTry, { params: this.params(), query: { phone: this.phone } }),
    );
    source.addEventListener('message', ({ data }) => {
      const read = tryEventSchema.safeParse(JSON.parse(String(data)));
      if (read.success) onEvent(read.data);
    });
    source.addEventListener('error', () => {
      if (source.readyState === EventSource.CLOSED) onRefused();
    });
    return () => source.close();
  }

  report(report: PhoneReport): Promise<unknown> {
    return this.send(
      TRY_CONTRACT.reportTry,
      new Blob([JSON.stringify(report)], { type: 'application/json' }),
    );
  }
  picture(picture: Blob): Promise<unknown> {
    return this.send(TRY_CONTRACT.sendTryPicture, picture);
  }
  clip(clip: Blob): Promise<unknown> {
    return this.send(TRY_CONTRACT.sendTryClip, clip);
  }

  urlOf({ sha256 }: Pick<FileRef, 'sha256'>): string {
    return addressOf(TRY_CONTRACT.getTryFile, { params: { ...this.params(), sha256 } });
  }
  async file(file: FileRef): Promise<Blob> {
    const response = await fetch(this.urlOf(file)).catch((cause: unknown) => {
      throw new Away(cause);
    });
    if (!response.ok)
      throw new IconiaError('try.file', 'A file of the effect could not be fetched. Reload the page.');
    return response.blob();
  }
}
