const files = import.meta.glob<string>('../assets/take-films/*.webp', {
  eager: true,
  query: '?url',
  import: 'default',
});

/** Address of a shipped take's film; null for creators' own takes, which are drawn when they are shown. */
export const filmOf = (takeId: string): string | null => files[`../assets/take-films/${takeId}.webp`] ?? null;
