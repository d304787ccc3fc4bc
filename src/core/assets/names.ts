/** Renames many assets at once: find and replace, case, prefix, numbers. The ending stays. */
import type { Asset, AssetId } from '../schema/asset-schema';
import { cutText } from '../text';

export interface NamePlan {
  readonly find: string;
  readonly replace: string;
  readonly letters: 'kept' | 'lower' | 'upper' | 'title';
  readonly prefix: string;
  readonly suffix: string;
  /** Numbers them from 1 in the order they are given. */
  readonly numbered: boolean;
}
export const NO_CHANGE: NamePlan = {
  find: '',
  replace: '',
  letters: 'kept',
  prefix: '',
  suffix: '',
  numbered: false,
};

const LETTERS: Record<NamePlan['letters'], (s: string) => string> = {
  kept: (s) => s,
  lower: (s) => s.toLowerCase(),
  upper: (s) => s.toUpperCase(),
  title: (s) =>
    s.replace(/(^|[\s_-])(\p{L})/gu, (_all, before: string, letter: string) => before + letter.toUpperCase()),
};

const renamed = (name: string, plan: NamePlan, index: number, count: number): string => {
  const [, stem, ending] = /^(.*?)(\.[A-Za-z0-9]{1,5})?$/.exec(name) as unknown as [
    string,
    string,
    string | undefined,
  ];
  let next = plan.find ? stem.split(plan.find).join(plan.replace) : stem;
  next = LETTERS[plan.letters](next);
  const number = plan.numbered ? ` ${String(index + 1).padStart(String(count).length, '0')}` : '';
  next = `${plan.prefix}${next}${number}${plan.suffix}`.trim();
  return next ? cutText(`${next}${ending ?? ''}`, 200) : name;
};

/** The new names of those that change; two assets never end with the same name, the later ones are numbered. */
export const renamePlan = (
  assets: readonly Pick<Asset, 'id' | 'name'>[],
  plan: NamePlan,
  others: ReadonlySet<string> = new Set(),
): Map<AssetId, string> => {
  const taken = new Set(others);
  const names = new Map<AssetId, string>();
  assets.forEach((asset, i) => {
    let name = renamed(asset.name, plan, i, assets.length);
    const [, stem, ending] = /^(.*?)(\.[A-Za-z0-9]{1,5})?$/.exec(name) as unknown as [
      string,
      string,
      string | undefined,
    ];
    for (let n = 2; taken.has(name); n++) name = `${stem} ${n}${ending ?? ''}`;
    taken.add(name);
    if (name !== asset.name) names.set(asset.id, name);
  });
  return names;
};
