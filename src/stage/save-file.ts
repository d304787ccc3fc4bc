/** Milliseconds that a browser may take to read what it saves. */
const READ = 30_000;

/** Gives whoever is at the page a file to keep, as a download. Browsers do it right after a press only. */
export const saveFile = (blob: Blob, name: string): void => {
  const url = URL.createObjectURL(blob);
  Object.assign(document.createElement('a'), { href: url, download: name }).click();
  setTimeout(() => URL.revokeObjectURL(url), READ);
};
