/** What tests of the stage, and of what asks workers, share. */
import type { WorkerLine } from './worker-line';

/** A worker that answers when it is told to. */
export class FakeLine<Question, Answer> implements WorkerLine<Question, Answer> {
  onmessage: WorkerLine<Question, Answer>['onmessage'] = null;
  onerror: WorkerLine<Question, Answer>['onerror'] = null;
  readonly asked: Question[] = [];
  ended = false;
  postMessage(question: Question): void {
    this.asked.push(question);
  }
  terminate(): void {
    this.ended = true;
  }
  answers(data: Answer): void {
    this.onmessage!({ data } as MessageEvent<Answer>);
  }
  breaks(): void {
    this.onerror!({} as ErrorEvent);
  }
}
