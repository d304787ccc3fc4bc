import { beforeAll, expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { scriptDeclarations } from '../../core/document/script-names';
import { SCRIPT_EXAMPLES } from '../../core/kinds/nodes/script-examples';
import { newPort } from '../../core/kinds/nodes/declared-ports';
import { typeService } from './type-service';

let service: ReturnType<typeof typeService>;
beforeAll(() => {
  const folder = 'node_modules/typescript/lib';
  const files = readdirSync(folder).filter((file) =>
    /^lib\.(es5|es20(1[5-9]|2[0-2]).*|decorators.*)\.d\.ts$/.test(file),
  );
  service = typeService(
    Object.fromEntries(files.map((file) => [file, readFileSync(`${folder}/${file}`, 'utf8')])),
  );
});
const declarations = scriptDeclarations(
  { takes: [newPort('tap', 'event'), newPort('reach')], gives: [newPort('count'), newPort('word', 'text')] },
  [{ name: 'jawOpen', words: 'jaw open' }],
);
const problems = (source: string): string[] =>
  service
    .problems(source, declarations)
    .map(({ from, to, message }) => `${source.slice(from, to)}: ${message}`);

test.each(SCRIPT_EXAMPLES.map((of) => [of.id, of] as const))(
  'nothing is wrong with the example %s',
  (_, of) => {
    const known = [{ name: 'jawOpen', words: 'jaw open' }];
    expect(service.problems(of.source, scriptDeclarations(of, known))).toEqual([]);
  },
);

test('what is misspelt is said where it stands', () => {
  const source = (body: string) =>
    `export const state = { n: 0 };\nexport function step({ inputs, read, state }) {\n${body}\n}`;
  expect(problems(source('return { count: state.n };'))).toEqual([]);
  expect(problems(source('return { count: inputs.taps };'))[0]).toMatch(/^taps: .*Did you mean 'tap'/);
  expect(problems(source('return { count: state.m };'))[0]).toMatch(/^m: Property 'm' does not exist/);
  expect(problems(source('return { count: read.jawOpne };'))[0]).toMatch(
    /^jawOpne: .*Did you mean 'jawOpen'/,
  );
  expect(problems(source('return { count: "many" };')).join()).toMatch(/string.*number/);
  expect(problems(source('fetch("x"); return {};'))[0]).toMatch(/^fetch: Cannot find name/);
  expect(problems(source('return { count: 1 ;')).join()).toMatch(/'}' expected|expected/);
});

test('what can be written at a place is offered, what begins so first', () => {
  const source =
    'export const state = { score: 0 };\nexport const step = ({ inputs, state }) => {\n  inputs.r';
  const { from, completions } = service.completions(source, declarations, source.length);
  expect(from).toBe(source.length - 1);
  expect(completions[0]).toMatchObject({ label: 'reach', detail: 'a number.' });
  const whole = 'export const state = { score: 0 };\nexport function step({ inputs, state }) {\n  state.\n}';
  const at = whole.indexOf('state.\n') + 'state.'.length;
  expect(service.completions(whole, declarations, at).completions.map(({ label }) => label)).toEqual([
    'score',
  ]);
});
