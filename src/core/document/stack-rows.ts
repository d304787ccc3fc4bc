/** The Stack as a flat list of rows: lanes by what objects stick to, groups with what they hold below them. */
import { sceneOf, stackTree, targetOrder } from './queries';
import type { Anchor, Effect, EffectObject, ObjectId } from './schema';

export type StackRow =
  | { readonly kind: 'lane'; readonly key: string; readonly anchor: Anchor; readonly count: number }
  | {
      readonly kind: 'object';
      readonly key: string;
      readonly object: EffectObject;
      readonly depth: number;
      /** How many hang in it; null for what holds nothing, and is no group. */
      readonly members: number | null;
      readonly lane: string;
    }
  /** Says what a lane without objects is for. */
  | { readonly kind: 'empty'; readonly key: string; readonly anchor: Anchor };

/** Anchors of one lane have one key. */
export const laneOf = (anchor: Anchor): string => {
  switch (anchor.kind) {
    case 'head':
    case 'skin':
      return `${anchor.kind} ${anchor.face}`;
    case 'hand':
      return `hand ${anchor.hand}`;
    case 'world':
      return `world ${anchor.surface}`;
    case 'picture':
      return `picture ${anchor.target}`;
    default:
      return anchor.kind;
  }
};

/** What covers first: the screen, hands, heads, skin, pictures, the world, the backdrop. */
const RANK: Record<Anchor['kind'], number> = {
  screen: 0,
  hand: 1,
  head: 2,
  skin: 3,
  picture: 4,
  world: 5,
  backdrop: 6,
};

export interface RowsAsked {
  /** Objects of other scenes are left out; null shows all. */
  readonly scene?: string | null;
  readonly folded?: ReadonlySet<ObjectId>;
  /** Lanes that are shown though they are empty. */
  readonly open?: readonly Anchor[];
  /** Only objects whose names contain this, with the groups they hang in. */
  readonly find?: string;
}

/** The Stack as rows from top to bottom: lanes, groups, objects; what is folded or not looked for is left out. */
export const stackRows = (
  effect: Effect,
  { scene = null, folded = new Set(), open = [], find = '' }: RowsAsked = {},
): StackRow[] => {
  const tree = stackTree(effect);
  const wanted = find.trim().toLowerCase();
  const found = new Map<ObjectId, boolean>();
  /** Whether an object, or anything that hangs in it, is looked for. */
  const isFound = (object: EffectObject): boolean => {
    const known = found.get(object.id);
    if (known !== undefined) return known;
    const children = tree.get(object.id) ?? [];
    const hit =
      wanted === '' || object.name.toLowerCase().includes(wanted) || children.map(isFound).some(Boolean);
    found.set(object.id, hit);
    return hit;
  };
  const lanes = new Map<string, { anchor: Anchor; objects: EffectObject[] }>();
  const lane = (anchor: Anchor): EffectObject[] => {
    const key = laneOf(anchor);
    const kept = lanes.get(key) ?? { anchor, objects: [] };
    lanes.set(key, kept);
    return kept.objects;
  };
  for (const target of targetOrder(effect)) lane({ kind: 'picture', target: target.id });
  for (const anchor of open) lane(anchor);
  for (const object of tree.get(null)!) {
    const own = sceneOf(effect, object);
    if (scene !== null && own !== null && own !== scene) continue;
    if (isFound(object)) lane(object.anchor).push(object);
  }
  const sorted = [...lanes.entries()].sort(
    ([a, { anchor: x }], [b, { anchor: y }]) => RANK[x.kind] - RANK[y.kind] || (a < b ? -1 : a > b ? 1 : 0),
  );
  const rows: StackRow[] = [];
  const walk = (object: EffectObject, depth: number, key: string): void => {
    const children = tree.get(object.id) ?? [];
    rows.push({
      kind: 'object',
      key: object.id,
      object,
      depth,
      members: object.kind === 'group' || children.length > 0 ? children.length : null,
      lane: key,
    });
    if (children.length > 0 && (wanted !== '' || !folded.has(object.id)))
      for (const child of children) if (isFound(child)) walk(child, depth + 1, key);
  };
  for (const [key, { anchor, objects }] of sorted) {
    if (wanted !== '' && objects.length === 0) continue;
    rows.push({ kind: 'lane', key: `lane ${key}`, anchor, count: objects.length });
    for (const object of objects) walk(object, 0, key);
    if (objects.length === 0) rows.push({ kind: 'empty', key: `empty ${key}`, anchor });
  }
  return rows;
};
