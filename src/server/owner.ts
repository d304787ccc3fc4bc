/** The one local account for now: every row is its. */
export const OWNER = 'owner';
