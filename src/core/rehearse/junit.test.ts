import { expect, test } from '@jest/globals';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import fc from 'fast-check';
import { junitXml } from './junit';
import { hasPassed, tallyOf, type Outcome } from './outcome';

const outcome = (change: Partial<Outcome> = {}): Outcome => ({
  rehearsal: 'Lamp',
  take: 'Neutral',
  trouble: null,
  took: 1.25,
  verdicts: [
    { expectation: 'exp_a', passed: true, sentence: 'fine', at: 1 },
    { expectation: 'exp_b', passed: false, sentence: 'Kelp < 3 & "gone"', at: 2 },
  ],
  ...change,
});
const read = (xml: string) =>
  new XMLParser({
    ignoreAttributes: false,
    isArray: (name) => ['testsuite', 'testcase'].includes(name),
  }).parse(xml) as { testsuites: Suites };
interface Suites {
  '@_tests': string;
  '@_failures': string;
  '@_errors': string;
  testsuite: { '@_name': string; '@_tests': string; testcase: Record<string, unknown>[] }[];
}

test('suites, cases, failures and errors are read back as they were', () => {
  const { testsuites } = read(
    junitXml('Kelp', [
      outcome(),
      outcome({ take: 'Walk', verdicts: [], trouble: 'This take is gone.' }),
      outcome({ rehearsal: 'Other', verdicts: outcome().verdicts.slice(0, 1) }),
    ]),
  );
  expect(testsuites).toMatchObject({ '@_name': 'Kelp', '@_tests': '4', '@_failures': '1', '@_errors': '1' });
  expect(testsuites.testsuite.map((s) => [s['@_name'], s['@_tests'], s.testcase.length])).toEqual([
    ['Lamp', '3', 3],
    ['Other', '1', 1],
  ]);
  const [, failed, gone] = testsuites.testsuite[0]!.testcase;
  expect(failed).toMatchObject({ '@_name': 'Neutral: exp_b', failure: { '@_message': 'Kelp < 3 & "gone"' } });
  expect(gone).toMatchObject({ '@_classname': 'Lamp.Walk', error: { '#text': 'This take is gone.' } });
});

test('whatever things are called, the XML is well formed', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), fc.string({ unit: 'binary' }), (name, sentence) => {
      const verdicts = [{ expectation: 'exp_a', passed: false, sentence, at: 0 }];
      const xml = junitXml(name, [outcome({ rehearsal: name, take: sentence, verdicts })]);
      expect(XMLValidator.validate(xml)).toBe(true);
      expect(xml).not.toMatch(/[^\P{Cc}\t\n\r]/u);
    }),
  );
});

test('what passed', () => {
  expect(hasPassed(outcome())).toBe(false);
  expect(hasPassed(outcome({ verdicts: [], trouble: 'gone' }))).toBe(false);
  const good = outcome({ verdicts: outcome().verdicts.slice(0, 1) });
  expect(tallyOf([outcome(), good])).toEqual({ passed: 1, failed: 1 });
});
