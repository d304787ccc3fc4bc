/** Outcomes as JUnit XML, which build servers read: a suite for each rehearsal, a case for each take and expectation. */
import { XMLBuilder } from 'fast-xml-parser';
import { keepable } from '../text';
import type { Outcome } from './outcome';

/** XML 1.0 knows no control characters but tab and line ends. */
const plain = (text: string): string => keepable(text).replace(/[^\P{Cc}\t\n\r]|[\ufffe\uffff]/gu, ' ');

interface Case {
  readonly '@_classname': string;
  readonly '@_name': string;
  readonly '@_time': string;
  readonly failure?: { readonly '@_message': string; readonly '#text': string };
  readonly error?: { readonly '@_message': string; readonly '#text': string };
}

const casesOf = (outcome: Outcome): Case[] => {
  const { rehearsal, take, verdicts, trouble, took } = outcome;
  const named = (name: string, time: number) => ({
    '@_classname': plain(`${rehearsal}.${take}`),
    '@_name': plain(name),
    '@_time': time.toFixed(3),
  });
  const told = (words: string) => ({ '@_message': plain(words), '#text': plain(words) });
  if (trouble !== null) return [{ ...named(take, took), error: told(trouble) }];
  return verdicts.map(({ passed, sentence, expectation }, i) => ({
    ...named(`${take}: ${expectation}`, i === 0 ? took : 0),
    ...(passed ? {} : { failure: told(sentence) }),
  }));
};

/** A whole document. The name is the effect's. */
export const junitXml = (name: string, outcomes: readonly Outcome[]): string => {
  const suites = new Map<string, Outcome[]>();
  for (const outcome of outcomes)
    suites.set(outcome.rehearsal, [...(suites.get(outcome.rehearsal) ?? []), outcome]);
  const counts = (cases: readonly Case[], took: number) => ({
    '@_tests': String(cases.length),
    '@_failures': String(cases.filter((c) => c.failure).length),
    '@_errors': String(cases.filter((c) => c.error).length),
    '@_time': took.toFixed(3),
  });
  const took = (list: readonly Outcome[]): number => list.reduce((sum, o) => sum + o.took, 0);
  const all = outcomes.flatMap(casesOf);
  const xml = new XMLBuilder({ ignoreAttributes: false, format: true, suppressEmptyNode: true }).build({
    '?xml': { '@_version': '1.0', '@_encoding': 'UTF-8' },
    testsuites: {
      '@_name': plain(name),
      ...counts(all, took(outcomes)),
      testsuite: [...suites].map(([rehearsal, list]) => {
        const cases = list.flatMap(casesOf);
        return { '@_name': plain(rehearsal), ...counts(cases, took(list)), testcase: cases };
      }),
    },
  }) as string;
  return xml;
};
