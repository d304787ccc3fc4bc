/** Answers about a document, or an object of it, that many ask for are worked out once. */

let isDraft: (value: object) => boolean = () => false;
/** Says how a draft is told: drafts are where documents are edited, and viewers edit none. */
export const tellDrafts = (is: (value: object) => boolean): void => {
  isDraft = is;
};

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

/**
 * `work` remembered by the object it is about, as long as that lives. Objects of a document are never changed in place; one that is being
 * drafted is asked anew each time.
 */
export const perObject = <O extends object, T>(work: (object: O) => T): ((object: O) => T) => {
  const known = new WeakMap<O, T>();
  return (object) => {
    if (isDraft(object)) return work(object);
    let answer = known.get(object);
    if (answer === undefined) known.set(object, (answer = work(object)));
    return answer;
  };
};
