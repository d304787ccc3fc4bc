/** What is wrong with a formula, as a sentence, and where: letters from its beginning; null where it is the whole. */
export class FormulaProblem extends Error {
  constructor(
    message: string,
    readonly at: number | null = null,
    readonly length = 1,
  ) {
    super(message);
    this.name = 'FormulaProblem';
  }
}
