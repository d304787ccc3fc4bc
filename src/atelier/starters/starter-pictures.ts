/** What starters look like, drawn from themselves: npm run starter-pictures. */
const pictures = import.meta.glob<string>('./pictures/*.webp', {
  eager: true,
  query: '?url',
  import: 'default',
});

/** Undefined for a starter that has nothing to show. */
export const starterPicture = (id: string): string | undefined => pictures[`./pictures/${id}.webp`];
