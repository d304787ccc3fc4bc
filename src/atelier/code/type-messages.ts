/** What an editor asks the worker that knows types, and what it answers. */
export interface TypeQuestion {
  readonly number: number;
  readonly source: string;
  readonly declarations: string;
  /** Where completions are wanted; null asks what is wrong. */
  readonly at: number | null;
}
export interface TypeProblem {
  readonly from: number;
  readonly to: number;
  readonly message: string;
}
export interface TypeCompletion {
  readonly label: string;
  /** What it is: "(property) jawOpen: number". */
  readonly detail: string;
  readonly kind: string;
}
export type TypeAnswer =
  | { readonly number: number; readonly problems: readonly TypeProblem[] }
  | { readonly number: number; readonly completions: readonly TypeCompletion[]; readonly from: number };
