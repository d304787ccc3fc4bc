/** Parts of a document that are copied name other things by their ids: those that were copied along are named by their copies. */

/** The same JSON, with every string that is a key of `ids` replaced by what stands there. Keys of objects are left alone. */
export const mapIds = <T>(value: T, ids: ReadonlyMap<string, string>): T => {
  if (typeof value === 'string') return (ids.get(value) ?? value) as T;
  if (Array.isArray(value)) return value.map((v) => mapIds(v as unknown, ids)) as T;
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, mapIds(v, ids)])) as T;
  return value;
};
