/** Files that came along with a model: materials, textures, data. They are found by name, wherever they lie. */

export interface Companions {
  /** The bytes of the file a model refers to by `path`; null when it did not come along. */
  find(path: string): Uint8Array | null;
}

export const NO_COMPANIONS: Companions = { find: () => null };

const baseName = (path: string): string =>
  path
    .replace(/\\/g, '/')
    .replace(/[?#].*$/, '')
    .replace(/^.*\//, '')
    .toLowerCase();

/**
 * Exporters write the paths of the machine they ran on, so a file is looked for as it is named from the model's
 * folder first, and by its bare name after that.
 */
export const companionsOf = (files: ReadonlyMap<string, Uint8Array>, folder = ''): Companions => {
  const byName = new Map<string, Uint8Array>();
  for (const [path, bytes] of files) if (!byName.has(baseName(path))) byName.set(baseName(path), bytes);
  return {
    find: (path) => {
      let plain = path.replace(/\\/g, '/').replace(/^\.\//, '');
      try {
        plain = decodeURIComponent(plain);
      } catch {
        // Not an encoded name.
      }
      return files.get(folder + plain) ?? files.get(plain) ?? byName.get(baseName(plain)) ?? null;
    },
  };
};
