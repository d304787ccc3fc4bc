/**
 * Finds numbered pictures among file names: `bubble_1.png`, `bubble_2.png` ... `bubble_10.png` in one folder
 * are the frames of one sequence.
 */

export interface NumberedRun {
  /** What the frames share: "bubble". */
  readonly name: string;
  /** In the order of their numbers. */
  readonly paths: readonly string[];
  /** Numbers that are missing between the first and the last frame. */
  readonly gaps: readonly number[];
  /** Numbers that more than one frame bears. */
  readonly doubles: readonly number[];
}

/** Fewer are taken for single pictures that happen to be numbered. */
export const LEAST_FRAMES = 3;
/** So many numbered ones may be two pictures, or two frames: the creator is asked. */
export const A_PAIR = 2;

const PICTURE = /\.(png|jpe?g|webp|avif)$/i;

/** The last number of a file name, and what stands around it. */
const split = (path: string): { key: string; name: string; number: number } | null => {
  const slash = path.lastIndexOf('/');
  const [folder, file] = [path.slice(0, slash + 1), path.slice(slash + 1)];
  const match = PICTURE.test(file) ? /^(.*?)(\d{1,9})([^\d]*)\.([^.]+)$/.exec(file) : null;
  if (!match) return null;
  const [, stem, digits, tail, ending] = match as unknown as [string, string, string, string, string];
  const inner = folder.replace(/\/$/, '').split('/').at(-1) ?? '';
  const name = `${stem}${tail}`.replace(/[\s._-]+$/, '').replace(/^[\s._-]+/, '') || inner || 'sequence';
  return { key: `${folder}\n${stem}\n${tail}\n${ending.toLowerCase()}`, name, number: Number(digits) };
};

/** Numbers between the first and the last that are missing, in steps of the commonest distance. */
const gapsIn = (numbers: readonly number[]): number[] => {
  const steps = numbers.slice(1).map((n, i) => n - numbers[i]!);
  const positive = steps.filter((s) => s > 0);
  if (positive.length === 0) return [];
  const counts = new Map<number, number>();
  for (const step of positive) counts.set(step, (counts.get(step) ?? 0) + 1);
  const usual = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0]![0];
  const gaps: number[] = [];
  numbers.slice(1).forEach((n, i) => {
    for (let missing = numbers[i]! + usual; missing < n && gaps.length < 1000; missing += usual)
      gaps.push(missing);
  });
  return gaps;
};

/** Splits paths into runs of at least `least` numbered pictures, and the rest in the order they came. */
export const numberedRuns = (
  paths: readonly string[],
  least = LEAST_FRAMES,
): { readonly runs: readonly NumberedRun[]; readonly rest: readonly string[] } => {
  const groups = new Map<string, { path: string; name: string; number: number }[]>();
  for (const path of paths) {
    const part = split(path);
    if (!part) continue;
    const list = groups.get(part.key) ?? [];
    list.push({ path, name: part.name, number: part.number });
    groups.set(part.key, list);
  }
  const runs: NumberedRun[] = [];
  const taken = new Set<string>();
  for (const list of groups.values()) {
    if (list.length < least) continue;
    list.sort((a, b) => a.number - b.number || (a.path < b.path ? -1 : 1));
    const numbers = list.map((f) => f.number);
    runs.push({
      name: list[0]!.name,
      paths: list.map((f) => f.path),
      gaps: gapsIn([...new Set(numbers)]),
      doubles: [...new Set(numbers.filter((n, i) => n === numbers[i - 1]))],
    });
    for (const frame of list) taken.add(frame.path);
  }
  return { runs, rest: paths.filter((path) => !taken.has(path)) };
};
