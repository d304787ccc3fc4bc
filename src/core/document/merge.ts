/**
 * Two lines of work on one document brought together. What both changed in different places is all kept. A field that both set
 * becomes mine, and is told, with both values. What does not fit, such as a change in what the other deleted, gives null.
 */
import { readEffect } from './migrations';
import { applyPatch, diff, type Patch } from './patch';
import type { Effect } from './schema';

/** A field that both set, each to something else. */
export interface Clash {
  /** Keys from the root of the document. */
  readonly path: readonly string[];
  readonly mine: unknown;
  readonly theirs: unknown;
}
export interface Merged {
  readonly effect: Effect;
  readonly clashes: readonly Clash[];
}

const keysOf = (pointer: string): string[] =>
  pointer
    .split('/')
    .slice(1)
    .map((key) => key.replaceAll('~1', '/').replaceAll('~0', '~'));

interface Change {
  readonly path: readonly string[];
  readonly op: Patch[number];
}
const changesOf = (patch: Patch): Change[] => patch.map((op) => ({ path: keysOf(op.path), op }));
const startsWith = (path: readonly string[], start: readonly string[]): boolean =>
  start.length <= path.length && start.every((key, i) => path[i] === key);

/** The lists that a path goes through, outermost first. */
const listsOn = (base: object, path: readonly string[]): string[] => {
  const lists: string[] = [];
  let at: unknown = base;
  path.forEach((key, i) => {
    if (Array.isArray(at)) lists.push(path.slice(0, i).join('/'));
    at = (at as Record<string, unknown> | undefined)?.[key];
  });
  return lists;
};

const valueAt = (op: Patch[number]): unknown => ('value' in op ? op.value : undefined);

/** What was done since `base` here (`mine`) on top of what was done there (`theirs`). Null when they do not fit together. */
export const mergeOnto = (base: Effect, mine: Effect, theirs: Effect): Merged | null => {
  const patch = diff(base, mine);
  if (patch.length === 0) return { effect: theirs, clashes: [] };
  const clashes: Clash[] = [];
  const there = changesOf(diff(base, theirs));
  for (const a of changesOf(patch))
    for (const b of there) {
      const same = a.path.length === b.path.length && startsWith(a.path, b.path);
      if (same && 'value' in a.op && 'value' in b.op) {
        if (diff({ v: valueAt(a.op) }, { v: valueAt(b.op) }).length > 0)
          clashes.push({ path: a.path, mine: valueAt(a.op), theirs: valueAt(b.op) });
      } else if (same && a.op.op === b.op.op) continue;
      // One changed within what the other took away or put anew.
      else if (startsWith(a.path, b.path) || startsWith(b.path, a.path)) return null;
      if (shifts(base, a, b)) return null;
    }
  // Deleted here and there: nothing is left to delete.
  const gone = new Set(there.filter(({ op }) => op.op === 'remove').map(({ op }) => op.path));
  const left = patch.filter(({ op, path }) => !(op === 'remove' && gone.has(path)));
  try {
    return { effect: readEffect(applyPatch(theirs, left)), clashes };
  } catch {
    return null;
  }
};

/** Whether one put into or took from a list in which the other changed something: then places no longer mean the same. */
const shifts = (base: Effect, a: Change, b: Change): boolean => {
  const shared = new Set(listsOn(base, a.path));
  for (const list of listsOn(base, b.path)) {
    if (!shared.has(list)) continue;
    const depth = list.split('/').length + 1;
    if ([a, b].some(({ path, op }) => path.length === depth && op.op !== 'replace')) return true;
  }
  return false;
};
