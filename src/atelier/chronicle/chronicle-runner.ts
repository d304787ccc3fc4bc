/** Has an effect run ahead: one worker, asked one thing at a time; what was asked last counts. */
import { isUneventful, UNEVENTFUL, type Chronicle } from '../../core/behave/chronicle';
import type { WorkerLine } from '../../stage/worker-line';
import type { Answer, Question } from './chronicle-messages';

export type ChronicleLine = WorkerLine<Question, Answer>;
export const browserLine = (): ChronicleLine =>
  new Worker(new URL('./chronicle-worker.ts', import.meta.url), { type: 'module', name: 'chronicle' });

export class ChronicleRunner {
  private line: ChronicleLine | null = null;
  /** Of the question asked last. */
  private number = 0;
  private busy = false;
  private next: Omit<Question, 'number'> | null = null;

  constructor(
    private readonly done: (chronicle: Chronicle) => void,
    private readonly failed: (problem: string) => void,
    private readonly open: () => ChronicleLine = browserLine,
  ) {}

  ask(question: Omit<Question, 'number'>): void {
    if (isUneventful(question.effect, question.told)) {
      // What is on its way is of an effect that was.
      this.next = null;
      this.number++;
      this.done(UNEVENTFUL);
      return;
    }
    this.next = question;
    this.send();
  }

  stop(): void {
    this.line?.terminate();
  }

  private send(): void {
    if (!this.next || this.busy) return;
    if (!this.line) {
      this.line = this.open();
      this.line.onmessage = ({ data }) => {
        this.busy = false;
        if (data.number === this.number && !this.next) {
          if ('chronicle' in data) this.done(data.chronicle);
          else this.failed(data.problem);
        }
        this.send();
      };
      this.line.onerror = () => {
        // A new one is made for the next question.
        this.line?.terminate();
        this.line = null;
        this.busy = false;
        this.failed('The effect could not be run ahead. It is tried again at the next change.');
      };
    }
    this.busy = true;
    this.line.postMessage({ ...this.next, number: ++this.number });
    this.next = null;
  }
}
