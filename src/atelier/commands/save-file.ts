/** Gives the creator a file to keep, as a download. */
export const saveFile = (blob: Blob, name: string): void => {
  const url = URL.createObjectURL(blob);
  Object.assign(document.createElement('a'), { href: url, download: name }).click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
};
