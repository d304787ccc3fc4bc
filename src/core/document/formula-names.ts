/** What formulas call the signals of an effect, and how what is typed is bound to them. */
import { CONSTANTS, functionNamed } from '../formula/functions';
import { namesIn, parseFormula } from '../formula/parse';
import { FormulaProblem } from '../formula/problem';
import type { Names } from '../kinds/names';
import type { Formula, FormulaInputs } from '../kinds/signals/formula';
import { offeredSignals } from '../kinds/signals/offered';
import type { PlainSignal } from '../kinds/signals/plain-signals';
import { signalKind, signalProperties } from '../kinds/signals/signals';
import { inOrder } from './queries';
import type { Effect } from './schema';

export interface NamedSignal {
  readonly name: string;
  readonly signal: PlainSignal;
  /** As the scope and the cue sheet show it: "jaw open", "Crab distance to the viewer (m)". */
  readonly words: string;
  /** All it is sought by. */
  readonly seek: string;
}

/** One word of words: "Crab distance to the viewer (m)" is `crabDistanceToTheViewer`. */
export const formulaName = (words: string): string => {
  const parts = words
    .replace(/\([^)]*\)\s*$/u, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((part) => part !== '');
  const joined = parts
    .map((part, i) => {
      const first = [...part][0]!;
      const rest = part.slice(first.length);
      return i === 0 ? first.toLowerCase() + rest : first.toUpperCase() + rest;
    })
    .join('')
    .slice(0, 48);
  return /^\p{L}/u.test(joined) ? joined : `n${joined}`;
};

/** A signal for each thing that it may be of: for each object, each control. Those of two things are left to the cue sheet. */
const spread = (effect: Effect, signal: PlainSignal): PlainSignal[] => {
  const references = Object.entries(signalProperties(signal)).flatMap(([path, property]) =>
    property.type === 'reference' ? [{ path, to: property.to }] : [],
  );
  const [one, other] = references;
  if (!one) return [signal];
  if (other || !(one.to in effect)) return [];
  const all = effect[one.to as 'objects'] as Readonly<Record<string, { id: string; order: number }>>;
  return inOrder(all).map(({ id }) => ({ ...signal, [one.path]: id }) as PlainSignal);
};

/** Every signal that a formula can read, by its name: of two that would be called the same the later one gets a number. */
export const formulaNames = (effect: Effect, names: Names): readonly NamedSignal[] => {
  const taken = new Set<string>();
  const fresh = (wanted: string): string => {
    let name = wanted;
    for (let i = 2; taken.has(name) || functionNamed(name) || Object.hasOwn(CONSTANTS, name); i++)
      name = `${wanted}${i}`;
    taken.add(name);
    return name;
  };
  return offeredSignals(null).flatMap(({ signal: offered, seek }) => {
    if (offered.kind === 'formula') return [];
    return spread(effect, offered).map((signal) => {
      const words = signalKind(signal.kind).words(signal, names);
      return { name: fresh(formulaName(words)), signal, words, seek: `${words} ${seek}` };
    });
  });
};

/**
 * A formula of what was typed: names mean what they meant before, `kept`, else what is called so now. `own` are names of its own that
 * need no meaning, as the ports of a node.
 * Throws `FormulaProblem`: it cannot be read, or nothing is called so.
 */
export const boundFormula = (
  text: string,
  kept: FormulaInputs,
  known: readonly NamedSignal[],
  own: readonly string[] = [],
): Formula => {
  const inputs: Record<string, PlainSignal> = {};
  for (const name of namesIn(parseFormula(text))) {
    if (own.includes(name) || Object.hasOwn(CONSTANTS, name)) continue;
    const signal = Object.hasOwn(kept, name) ? kept[name] : known.find((one) => one.name === name)?.signal;
    if (signal) inputs[name] = signal;
    else if (!functionNamed(name)) throw unknownName(name, text, known, own);
  }
  return { text: text.trim().replace(/^=\s*/, ''), inputs };
};

const unknownName = (
  name: string,
  text: string,
  known: readonly NamedSignal[],
  own: readonly string[],
): FormulaProblem => {
  const near = nearest(name, [...own, ...known.map((one) => one.name)]);
  return new FormulaProblem(
    `There is nothing called “${name}”.${near ? ` Did you mean ${near}?` : ''}`,
    text.search(new RegExp(`(?<![\\p{L}\\p{N}_])${name.replaceAll('$', '\\$')}(?![\\p{L}\\p{N}_])`, 'u')),
    name.length,
  );
};

/** The word that needs the fewest letters changed, if those are few. */
const nearest = (word: string, all: readonly string[]): string | null => {
  let best: string | null = null;
  let fewest = Math.max(1, Math.floor(word.length / 3)) + 1;
  for (const other of all) {
    const apart = editDistance(word.toLowerCase(), other.toLowerCase(), fewest);
    if (apart < fewest) [best, fewest] = [other, apart];
  }
  return best;
};

/** Letters to be put in, taken out or changed (Levenshtein); `most` when it is no fewer. */
export const editDistance = (a: string, b: string, most = Infinity): number => {
  if (Math.abs(a.length - b.length) >= most) return most;
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++)
      next[j] = Math.min(
        row[j]! + 1,
        next[j - 1]! + 1,
        row[j - 1]! + (a.charCodeAt(i - 1) === b.charCodeAt(j - 1) ? 0 : 1),
      );
    row = next;
  }
  return Math.min(most, row[b.length]!);
};
