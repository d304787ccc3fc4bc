/** Answers about a document that many ask for are worked out once. */

/**
 * `work` remembered by its document. Only documents that can no longer change are remembered: one that is being drafted is asked
 * anew each time.
 */
export const perDocument = <D extends object, T>(work: (document: D) => T): ((document: D) => T) => {
  const known = new WeakMap<D, T>();
  return (document) => {
    if (!Object.isFrozen(document)) return work(document);
    const answer = known.get(document);
    if (answer !== undefined) return answer;
    const made = work(document);
    known.set(document, made);
    return made;
  };
};
