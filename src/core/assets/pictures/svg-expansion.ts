/**
 * How much is drawn of a drawing: its elements, with whatever is used again (`use`, patterns, masks, markers) counted as often as it
 * is used. Twelve levels of ten each are a billion, from three kilobytes.
 */

export interface SvgElement {
  /** Without its prefix, in small letters. */
  readonly kind: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: SvgElement[];
}

/** Nothing larger need be told apart. */
const ENOUGH = 1e9;

/** What an element refers to, and how often what it names is drawn for it. */
const references = ({ attributes }: SvgElement): { id: string; times: number }[] => {
  const found: { id: string; times: number }[] = [];
  const points = Math.max(1, (attributes.d ?? attributes.points ?? '').length / 2);
  for (const [key, value] of Object.entries(attributes)) {
    // A marker stands on every point of a line.
    const times = key.toLowerCase().startsWith('marker') ? points : 1;
    const plain = value.trim();
    if (/href$/i.test(key) && plain.startsWith('#')) found.push({ id: plain.slice(1), times });
    for (let at = value.indexOf('url('); at >= 0; at = value.indexOf('url(', at + 1)) {
      const hash = value.indexOf('#', at);
      const end = value.indexOf(')', at);
      if (hash < 0 || end < hash) break;
      found.push({
        id: value
          .slice(hash + 1, end)
          .replace(/["']\s*$/, '')
          .trim(),
        times,
      });
    }
  }
  return found;
};

/** How many elements are drawn once every `use` is followed, up to `ENOUGH`; what uses itself draws nothing. */
export const drawnElements = (roots: readonly SvgElement[]): number => {
  const byId = new Map<string, SvgElement>();
  const collect = (element: SvgElement): void => {
    const { id } = element.attributes;
    if (id !== undefined && !byId.has(id)) byId.set(id, element);
    element.children.forEach(collect);
  };
  roots.forEach(collect);

  const counted = new Map<SvgElement, number>();
  const onTheWay = new Set<SvgElement>();
  const count = (element: SvgElement): number => {
    const known = counted.get(element);
    if (known !== undefined) return known;
    // Browsers draw nothing of what uses itself.
    if (onTheWay.has(element) || onTheWay.size > 1000) return onTheWay.size > 1000 ? ENOUGH : 0;
    onTheWay.add(element);
    let sum = 1;
    for (const child of element.children) sum += count(child);
    for (const { id, times } of references(element)) {
      const target = byId.get(id);
      if (target) sum += times * count(target);
    }
    onTheWay.delete(element);
    sum = Math.min(ENOUGH, sum);
    counted.set(element, sum);
    return sum;
  };
  return roots.reduce((sum, root) => sum + count(root), 0);
};
