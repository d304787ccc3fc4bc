/**
 * Makes people ready to be drawn, in a worker, so that the page goes on answering meanwhile. Where that does not work they are made when
 * they are drawn, as they would be without it: the page stands still for a moment, and the picture is the same.
 */
import type { Performer } from '../../core/takes/performer';
import type { WorkerLine } from '../worker-line';
import { madeOfPeople } from './made-once';
import type { PeopleAnswer } from './people-worker';

export type PeopleLine = WorkerLine<Performer, PeopleAnswer>;
const browserLine = (): PeopleLine =>
  new Worker(new URL('./people-worker.ts', import.meta.url), { type: 'module', name: 'people' });

interface Order {
  readonly performer: Performer;
  readonly done: () => void;
}

/** All that a person is; asked in every frame, so it is written once. */
const keys = new WeakMap<Performer, string>();
const keyOf = (performer: Performer): string => {
  let key = keys.get(performer);
  if (key === undefined) keys.set(performer, (key = JSON.stringify(performer)));
  return key;
};

export class PeopleMaker {
  /** Who is made or being made, by all they are. */
  private readonly orders = new Map<string, Promise<void>>();
  private readonly made = new Set<string>();
  private readonly waiting: Order[] = [];
  private line: PeopleLine | null = null;

  constructor(private readonly open: () => PeopleLine = browserLine) {}

  /** Resolves when all of them can be drawn at once. Never rejects. */
  async make(performers: readonly Performer[]): Promise<void> {
    await Promise.all(performers.map((performer) => this.one(performer)));
  }
  areMade(performers: readonly Performer[]): boolean {
    return performers.every((performer) => this.made.has(keyOf(performer)));
  }

  private one(performer: Performer): Promise<void> {
    const key = keyOf(performer);
    let order = this.orders.get(key);
    if (!order) {
      order = new Promise<void>((done) => {
        this.waiting.push({ performer, done });
        if (this.waiting.length === 1) this.next();
      }).then(() => void this.made.add(key));
      this.orders.set(key, order);
    }
    return order;
  }

  /** The first that waits; nobody left, the worker goes home. */
  private next(): void {
    const [first] = this.waiting;
    if (!first) {
      this.line?.terminate();
      this.line = null;
      return;
    }
    try {
      if (!this.line) {
        this.line = this.open();
        this.line.onmessage = ({ data }) => {
          if ('parts' in data) for (const [key, part] of data.parts) madeOfPeople.put(key, part);
          this.served();
        };
        this.line.onerror = () => {
          this.line?.terminate();
          this.line = null;
          this.served();
        };
      }
      this.line.postMessage(first.performer);
    } catch {
      this.line = null;
      this.served();
    }
  }
  private served(): void {
    this.waiting.shift()?.done();
    this.next();
  }
}

const people = new PeopleMaker();
export const makePeople = (performers: readonly Performer[]): Promise<void> => people.make(performers);
export const arePeopleMade = (performers: readonly Performer[]): boolean => people.areMade(performers);
