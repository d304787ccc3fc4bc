/** What is used of a worker; tests give their own (`testing.ts`). */
export interface WorkerLine<Question, Answer> {
  onmessage: ((event: MessageEvent<Answer>) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
  postMessage(question: Question): void;
  terminate(): void;
}
