/** Dropped files, and those inside dropped zips, under one roof. */
import { readZip, type Zip } from '../core/assets/archive/zip';
import { fileName, isClutter, referredFiles, type PlanFile } from '../core/assets/import-plan';
import { MOST_FILE_BYTES } from '../core/assets/limits';
import { readGifHead } from '../core/assets/pictures/gif';
import { readPngHead } from '../core/assets/pictures/png';
import { megabytes, refuse } from '../core/assets/refuse';
import { sniff, type FileKind } from '../core/assets/sniff';

/** A file as it was dropped. */
export interface DroppedFile {
  /** With its folders, forward slashes. */
  readonly path: string;
  readonly file: File;
}

/** Where a file's bytes are: dropped by itself, or inside a dropped zip. */
export interface Source {
  readonly path: string;
  readonly file: File;
  /** Its path inside the zip; null when it is the dropped file itself. */
  readonly entry: string | null;
}

/** Kinds whose text or bytes name other files. */
const REFERRING: ReadonlySet<FileKind> = new Set(['gltf', 'obj', 'mtl', 'fbx']);
const HEAD = 65_536;

const bytesOf = async (file: Blob): Promise<Uint8Array> => new Uint8Array(await file.arrayBuffer());

const checkWeight = (size: number, path: string): void => {
  if (size > MOST_FILE_BYTES)
    refuse(
      'file.too-heavy',
      `${fileName(path)} has ${megabytes(size)}; files of up to ${megabytes(MOST_FILE_BYTES)} are opened. Make it smaller, or split it.`,
    );
};

/** The last zip that was opened stays open: its files are asked for one after the other. */
let open: { readonly key: string; readonly zip: Zip } | null = null;
const openZip = async (file: File, path: string): Promise<Zip> => {
  const key = `${path}|${file.size}|${file.lastModified}`;
  if (open?.key !== key) {
    open = null;
    checkWeight(file.size, file.name);
    open = { key, zip: readZip(await bytesOf(file), file.name) };
  }
  return open.zip;
};

/** The whole content of a source. */
export const readSource = async ({ file, entry, path }: Source): Promise<Uint8Array> => {
  checkWeight(file.size, path);
  if (entry === null) return bytesOf(file);
  const zip = await openZip(file, path.slice(0, -entry.length - 1));
  const found = zip.entries.find((e) => e.path === entry);
  if (!found) return refuse('zip.damaged', `${entry} is no longer in ${file.name}. Drop it again.`);
  return zip.read(found);
};

export interface Looked {
  readonly source: Source;
  readonly plan: PlanFile;
}

/** Frames of an animated picture; a damaged one is found when it is read. */
const framesOf = (kind: FileKind, bytes: Uint8Array, path: string): number => {
  try {
    if (kind === 'gif') return readGifHead(bytes, path).frames;
    if (kind === 'png') return readPngHead(bytes, path).frames;
  } catch {
    return 1;
  }
  return 1;
};

const look = async (
  source: Source,
  head: Uint8Array,
  size: number,
  whole: () => Promise<Uint8Array>,
): Promise<Looked> => {
  const kind = sniff(head, size);
  const mayMove =
    kind === 'gif' ||
    (kind === 'png' && new TextDecoder('latin1').decode(head.subarray(0, 4096)).includes('acTL'));
  const refers = REFERRING.has(kind) ? referredFiles(kind, await whole()) : [];
  const frames = mayMove ? framesOf(kind, await whole(), source.path) : 1;
  return { source, plan: { path: source.path, kind, frames, refers, inZip: source.entry !== null } };
};

/** Looks at every dropped file, and into zips. What cannot be opened at all goes to `refused`. */
export const lookThrough = async (
  dropped: readonly DroppedFile[],
  refused: (path: string, error: unknown) => void,
  progress: (share: number) => void,
): Promise<Looked[]> => {
  const out: Looked[] = [];
  for (const [i, { path, file }] of dropped.entries()) {
    progress(i / dropped.length);
    if (isClutter(path)) continue;
    try {
      checkWeight(file.size, path);
      const head = await bytesOf(file.slice(0, HEAD));
      if (sniff(head, file.size) !== 'zip') {
        const source: Source = { path, file, entry: null };
        out.push(await look(source, head, file.size, () => readSource(source)));
        continue;
      }
      const zip = await openZip(file, path);
      const before = out.length;
      for (const entry of zip.entries) {
        if (isClutter(entry.path)) continue;
        const source: Source = { path: `${path}/${entry.path}`, file, entry: entry.path };
        const content = zip.read(entry);
        out.push(
          await look(source, content.subarray(0, HEAD), content.length, () => Promise.resolve(content)),
        );
      }
      if (out.length === before) refuse('zip.empty', `${fileName(path)} holds no files. Pack it again.`);
    } catch (error) {
      refused(path, error);
    }
  }
  return out;
};
