/** What goes wrong with a request, as it is answered. */

/** An answer that is not a success. `extra` is added to the problem document. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    detail: string,
    readonly extra: Record<string, unknown> = {},
  ) {
    super(detail);
  }
}
