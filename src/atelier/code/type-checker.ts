/** Asks the worker that knows types; it is started when a script is first written, and ended with its editor. */
import type { TypeAnswer, TypeCompletion, TypeProblem, TypeQuestion } from './type-messages';

type Waiting = (answer: TypeAnswer) => void;

export class TypeChecker {
  private readonly worker = new Worker(new URL('./type-worker.ts', import.meta.url), {
    type: 'module',
    name: 'types',
  });
  private readonly waiting = new Map<number, Waiting>();
  private number = 0;

  constructor(
    private readonly declarations: () => string,
    /** Types are not known any more: the worker could not be started, or broke. */
    failed: () => void,
  ) {
    this.worker.onerror = () => {
      failed();
      for (const [number, answer] of this.waiting) answer({ number, problems: [] });
      this.waiting.clear();
    };
    this.worker.onmessage = ({ data }: MessageEvent<TypeAnswer>) => {
      this.waiting.get(data.number)?.(data);
      this.waiting.delete(data.number);
    };
  }

  async problems(source: string): Promise<readonly TypeProblem[]> {
    const answer = await this.ask(source, null);
    return 'problems' in answer ? answer.problems : [];
  }
  async completions(
    source: string,
    at: number,
  ): Promise<{ readonly from: number; readonly completions: readonly TypeCompletion[] }> {
    const answer = await this.ask(source, at);
    return 'completions' in answer ? answer : { from: at, completions: [] };
  }

  private ask(source: string, at: number | null): Promise<TypeAnswer> {
    const number = ++this.number;
    const question: TypeQuestion = { number, source, declarations: this.declarations(), at };
    this.worker.postMessage(question);
    return new Promise((resolve) => this.waiting.set(number, resolve));
  }

  stop(): void {
    this.worker.terminate();
    this.waiting.clear();
  }
}
