/**
 * An error a creator can act on. `code` is stable (tests and the interface switch on it); the message is a
 * sentence that says what happened, to which thing, and what to do.
 */
export class IconiaError extends Error {
  constructor(
    readonly code: string,
    message: string,
    options?: ErrorOptions,
  ) {
    super(message, options);
    this.name = 'IconiaError';
  }
}

const MISTAKES = [TypeError, RangeError, ReferenceError, SyntaxError];

/** The sentence to show for anything that was thrown. What no sentence was written for is a mistake of Iconia's own. */
export const sentence = (error: unknown): string => {
  if (MISTAKES.some((mistake) => error instanceof mistake))
    return `Iconia itself made a mistake here (${String(error)}). Nothing was changed. Try again; if it stays, reload the page.`;
  return error instanceof Error ? error.message : String(error);
};
