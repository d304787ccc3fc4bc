/** What a drop or a file chooser holds: files, folders with all that is in them, and handles to read them again. */
import type { DroppedFile } from '../../intake/sources';

/** A file together with the way to read it again when it is saved outside, where the browser gives one. */
export interface Dropped extends DroppedFile {
  readonly handle: FileSystemFileHandle | null;
}

/** What a drop holds. */
export interface Drop {
  readonly files: readonly Dropped[];
  /** Paths of what could not be read: moved meanwhile, or kept by another program. */
  readonly lost: readonly string[];
}

interface Found {
  readonly files: Dropped[];
  readonly lost: string[];
}

/** Folders are walked this deep. */
const DEPTH = 20;

type HandleItem = DataTransferItem & { getAsFileSystemHandle?: () => Promise<FileSystemHandle | null> };

const fromHandle = async (
  handle: FileSystemHandle,
  folder: string,
  depth: number,
  out: Found,
): Promise<void> => {
  try {
    if (handle.kind === 'file') {
      const file = await (handle as FileSystemFileHandle).getFile();
      out.files.push({ path: folder + file.name, file, handle: handle as FileSystemFileHandle });
      return;
    }
    if (depth > DEPTH) return;
    const directory = handle as FileSystemDirectoryHandle & { values(): AsyncIterable<FileSystemHandle> };
    for await (const entry of directory.values())
      await fromHandle(entry, `${folder}${handle.name}/`, depth + 1, out);
  } catch {
    out.lost.push(folder + handle.name);
  }
};

const entryFile = (entry: FileSystemFileEntry): Promise<File> =>
  new Promise((done, fail) => entry.file(done, fail));
const entryList = async (entry: FileSystemDirectoryEntry): Promise<FileSystemEntry[]> => {
  const reader = entry.createReader();
  const all: FileSystemEntry[] = [];
  // The reader gives some hundred entries at a time.
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((done, fail) => reader.readEntries(done, fail));
    if (some.length === 0) return all;
    all.push(...some);
  }
};
const fromEntry = async (
  entry: FileSystemEntry,
  folder: string,
  depth: number,
  out: Found,
): Promise<void> => {
  try {
    if (entry.isFile) {
      const file = await entryFile(entry as FileSystemFileEntry);
      out.files.push({ path: folder + file.name, file, handle: null });
      return;
    }
    if (depth > DEPTH) return;
    for (const inner of await entryList(entry as FileSystemDirectoryEntry))
      await fromEntry(inner, `${folder}${entry.name}/`, depth + 1, out);
  } catch {
    out.lost.push(folder + entry.name);
  }
};

/** Reads a drop. Folders come with all that is in them; what cannot be read does not keep the rest away. */
export const filesOfDrop = async (transfer: DataTransfer): Promise<Drop> => {
  // The items are gone after the first wait, so all are asked before.
  const asked = [...transfer.items]
    .filter((item) => item.kind === 'file')
    .map((item) => ({
      handle: (item as HandleItem).getAsFileSystemHandle?.().catch(() => null) ?? Promise.resolve(null),
      entry: item.webkitGetAsEntry?.() ?? null,
      file: item.getAsFile(),
    }));
  const out: Found = { files: [], lost: [] };
  for (const { handle, entry, file } of asked) {
    const found = await handle;
    if (found) await fromHandle(found, '', 0, out);
    else if (entry) await fromEntry(entry, '', 0, out);
    else if (file) out.files.push({ path: file.name, file, handle: null });
  }
  // Drops made by programs carry files only.
  if (asked.length === 0)
    for (const file of transfer.files) out.files.push({ path: file.name, file, handle: null });
  return out;
};

/** Files of a chooser; of a folder chooser with their folders. */
export const filesOfInput = (input: HTMLInputElement): Dropped[] =>
  [...(input.files ?? [])].map((file) => ({
    path: file.webkitRelativePath || file.name,
    file,
    handle: null,
  }));

/** Whether a drag carries files from outside. */
export const carriesFiles = (event: DragEvent): boolean =>
  [...(event.dataTransfer?.types ?? [])].includes('Files');
