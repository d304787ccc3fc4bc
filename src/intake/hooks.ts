/** What the worker tells the page. */
export interface IntakeHooks {
  progress(share: number): void;
}
