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

/** The sentence to show for anything that was thrown. */
export const sentence = (error: unknown): string => (error instanceof Error ? error.message : String(error));
