/** What a stage was given. Throws where it is missing: nothing else is drawn in its place. */
export const given = <T>(ability: T | undefined, what: string): T => {
  if (ability === undefined) throw new Error(`This stage was not given what draws ${what}.`);
  return ability;
};
