/** What a list offers. */
export interface SelectOption {
  readonly value?: string | number | null;
  readonly label?: string;
  readonly disabled?: boolean;
  /** A group of further ones. */
  readonly options?: readonly SelectOption[];
}

/**
 * Whether two lists offer the same. Forms make theirs anew whenever the document changes; a list that is told so draws itself again, with
 * all that is in it.
 */
export const areSameOptions = (a: readonly SelectOption[], b: readonly SelectOption[]): boolean =>
  a === b ||
  (a.length === b.length &&
    a.every((option, i) => {
      const other = b[i]!;
      return (
        option === other ||
        (option.value === other.value &&
          option.label === other.label &&
          option.disabled === other.disabled &&
          areSameOptions(option.options ?? [], other.options ?? []))
      );
    }));
