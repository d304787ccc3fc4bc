/** Assets that are there already: by their content, and by their names. */
import type { Asset, Effect } from './schema';

const contentOf = ({ kind, files, original }: Asset): string =>
  JSON.stringify([kind, files.map((f) => f.sha256), original]);

/** An asset of the effect with the same content; undefined where it has none. */
export const twinOf = (effect: Effect, asset: Asset): Asset | undefined =>
  Object.values(effect.assets).find((a) => contentOf(a) === contentOf(asset));

/** A name that no asset bears yet: "kelp.png", "kelp 2.png"... */
export const freeNameOf = (effect: Effect, name: string): string => {
  const taken = new Set(Object.values(effect.assets).map((a) => a.name));
  const dot = name.lastIndexOf('.');
  const [stem, ending] = dot > 0 ? [name.slice(0, dot), name.slice(dot)] : [name, ''];
  let free = name;
  for (let n = 2; taken.has(free); n++) free = `${stem} ${n}${ending}`;
  return free;
};
