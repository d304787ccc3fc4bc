/**
 * What is to be made of a heap of dropped files: which are frames of one sequence, which belong to a model, which
 * are assets by themselves, and which are nothing at all.
 */
import { MOST_DROPPED } from './limits';
import { numberedRuns } from './frames/numbered';
import { KIND_WORDS, type FileKind } from './sniff';

/** Names that say themselves that there is text in the file. */
const TEXT_NAME = /\.(txt|md|csv|log|rtf)$/i;

export interface PlanFile {
  /** With its folders, forward slashes. */
  readonly path: string;
  readonly kind: FileKind;
  /** Frames of an animated picture; 1 of others. */
  readonly frames: number;
  /** Names of files that a model refers to. */
  readonly refers: readonly string[];
  /** It came out of a zip. */
  readonly inZip: boolean;
}

export type JobKind =
  | 'picture'
  | 'drawing'
  | 'sequence'
  | 'animation'
  | 'artwork'
  | 'model'
  | 'media'
  | 'table'
  | 'surroundings'
  | 'font';

export interface ImportJob {
  readonly kind: JobKind;
  readonly name: string;
  /** The file it is about; of a sequence its first frame. */
  readonly path: string;
  /** Frames in order, or the files that go along with a model. */
  readonly others: readonly string[];
  /** Missing numbers of a sequence, and numbers that came twice. */
  readonly gaps: readonly number[];
  readonly doubles: readonly number[];
}

export interface Refusal {
  readonly path: string;
  readonly code: string;
  readonly message: string;
}
export interface ImportPlan {
  readonly jobs: readonly ImportJob[];
  readonly refusals: readonly Refusal[];
}

const JOB_OF: Partial<Record<FileKind, JobKind>> = {
  png: 'picture',
  jpeg: 'picture',
  webp: 'picture',
  avif: 'picture',
  gif: 'picture',
  svg: 'drawing',
  openraster: 'artwork',
  psd: 'artwork',
  glb: 'model',
  gltf: 'model',
  obj: 'model',
  fbx: 'model',
  stl: 'model',
  wav: 'media',
  mp3: 'media',
  ogg: 'media',
  flac: 'media',
  mp4: 'media',
  webm: 'media',
  cube: 'table',
  radiance: 'surroundings',
  openexr: 'surroundings',
  ttf: 'font',
  otf: 'font',
  woff: 'font',
  woff2: 'font',
};

/** What systems and archivers leave in folders. */
export const isClutter = (path: string): boolean =>
  /(^|\/)(__MACOSX\/|\.[^/]*$|Thumbs\.db$|desktop\.ini$)/i.test(path) || /(^|\/)\.[^/]+\//.test(path);

/** The name at the end of a path: "frames/bubble.png" is "bubble.png". */
export const fileName = (path: string): string => path.replace(/^.*\//, '');
const lower = (path: string): string => fileName(path.replace(/\\/g, '/')).toLowerCase();
const plural = (n: number, one: string, many: string): string => (n === 1 ? one : many);

const refusalOf = ({ path, kind, inZip }: PlanFile): Refusal => {
  const name = fileName(path);
  switch (kind) {
    case 'empty':
      return { path, code: 'file.empty', message: `${name} is empty (0 bytes). Export or copy it again.` };
    case 'zip':
      return {
        path,
        code: 'zip.nested',
        message: inZip
          ? `${path.replace('/', ' holds ')}, a zip inside a zip. Unpack that first, then drop its files.`
          : `${name} holds no files. Pack it again.`,
      };
    case 'mtl':
      return {
        path,
        code: 'file.alone',
        message: `${name} holds the materials of an OBJ model. Drop it together with its OBJ.`,
      };
    case 'ktx2':
      return {
        path,
        code: 'file.alone',
        message: `${name} is a texture for a graphics card. Drop it together with its glTF model, or export it as PNG.`,
      };
    default:
      return {
        path,
        code: 'file.unknown',
        message: `${name} is ${KIND_WORDS[kind]}${kind === 'text' && !TEXT_NAME.test(name) ? ', whatever its name says' : ''}. Pictures, layered artwork, models, sounds, videos, colour tables, light surroundings and fonts can be brought in.`,
      };
  }
};

/** Files that a model takes along: by what it and its materials refer to. */
const companionsFor = (model: PlanFile, files: readonly PlanFile[]): PlanFile[] => {
  const wanted = new Set<string>();
  const found = new Set<PlanFile>();
  const ask = (names: readonly string[]): void => {
    for (const name of names) {
      const key = lower(name);
      if (wanted.has(key)) continue;
      wanted.add(key);
      for (const file of files)
        if (file !== model && lower(file.path) === key) {
          found.add(file);
          ask(file.refers);
        }
    }
  };
  ask(model.refers);
  return [...found];
};

/** Plans a drop. Every file is part of a job, refused, or clutter. */
export const planImport = (all: readonly PlanFile[]): ImportPlan => {
  const refusals: Refusal[] = [];
  const files = all.filter((f) => !isClutter(f.path));
  if (files.length > MOST_DROPPED)
    return {
      jobs: [],
      refusals: [
        {
          path: '',
          code: 'drop.too-many',
          message: `${files.length} files were dropped at once; up to ${MOST_DROPPED} are taken. Drop a smaller folder.`,
        },
      ],
    };
  const jobs: ImportJob[] = [];
  const taken = new Set<string>();
  const job = (kind: JobKind, name: string, path: string, others: readonly string[] = []): void => {
    jobs.push({ kind, name, path, others, gaps: [], doubles: [] });
  };
  for (const model of files) {
    if (JOB_OF[model.kind] !== 'model') continue;
    const along = companionsFor(model, files);
    for (const file of along) taken.add(file.path);
    taken.add(model.path);
    job(
      'model',
      fileName(model.path),
      model.path,
      along.map((f) => f.path),
    );
  }
  const pictures = files.filter(
    (f) => !taken.has(f.path) && JOB_OF[f.kind] === 'picture' && f.frames === 1 && f.kind !== 'gif',
  );
  const { runs } = numberedRuns(pictures.map((f) => f.path));
  for (const run of runs) {
    for (const path of run.paths) taken.add(path);
    jobs.push({
      kind: 'sequence',
      name: run.name,
      path: run.paths[0]!,
      others: run.paths,
      gaps: run.gaps,
      doubles: run.doubles,
    });
  }
  for (const file of files) {
    if (taken.has(file.path)) continue;
    const kind = JOB_OF[file.kind];
    // Raw data of a glTF that did not come along looks like anything.
    if (!kind) refusals.push(refusalOf(file));
    else job(file.frames > 1 ? 'animation' : kind, fileName(file.path), file.path);
  }
  // In the order they were dropped.
  const order = new Map(files.map((f, i) => [f.path, i]));
  jobs.sort((a, b) => order.get(a.path)! - order.get(b.path)!);
  return { jobs, refusals };
};

/** What is odd about the frames of a sequence, as sentences. */
export const sequenceRemarks = (job: Pick<ImportJob, 'gaps' | 'doubles' | 'name'>): string[] => [
  ...(job.gaps.length > 0
    ? [
        `${plural(job.gaps.length, 'Frame', 'Frames')} ${job.gaps.slice(0, 8).join(', ')}${job.gaps.length > 8 ? ` and ${job.gaps.length - 8} more` : ''} of ${job.name} ${plural(job.gaps.length, 'is', 'are')} missing; the frames around ${plural(job.gaps.length, 'it', 'them')} follow each other.`,
      ]
    : []),
  ...(job.doubles.length > 0
    ? [
        `The ${plural(job.doubles.length, 'number', 'numbers')} ${job.doubles.join(', ')} of ${job.name} came twice; all are kept.`,
      ]
    : []),
];

/** Names of other files in the text of a glTF, OBJ or MTL, or in the bytes of an FBX. */
export const referredFiles = (kind: FileKind, bytes: Uint8Array): string[] => {
  const text = new TextDecoder('latin1').decode(bytes);
  switch (kind) {
    case 'gltf': {
      const names: string[] = [];
      for (const match of text.matchAll(/"uri"\s*:\s*"([^"]{1,1000})"/g)) {
        const uri = match[1]!;
        if (/^data:/i.test(uri)) continue;
        try {
          names.push(decodeURIComponent(uri));
        } catch {
          names.push(uri);
        }
      }
      return names;
    }
    case 'obj':
      return [...text.matchAll(/^\s*mtllib\s+(.+?)\s*$/gm)].map((m) => m[1]!);
    case 'mtl':
      return [...text.matchAll(/^\s*(?:map_\w+|norm|bump|disp|refl)\s+(.+?)\s*$/gim)].map((m) =>
        m[1]!.replace(/^(-\w+\s+([-\d.e]+\s+)*)+/i, ''),
      );
    case 'fbx':
      // Names stand in the file as plain text, with or without the folder they once lay in.
      return [
        ...new Set(
          [...text.matchAll(/([\w .()-]{1,120}\.(?:png|jpe?g|webp|bmp|tga))/gi)].map((m) => m[1]!.trim()),
        ),
      ].slice(0, 500);
    default:
      return [];
  }
};
