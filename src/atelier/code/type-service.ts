/** Types of a script: what is wrong, and what can be written at a place. Runs in a worker, since the compiler is large. */
import ts from 'typescript';
import type { TypeCompletion, TypeProblem } from './type-messages';

const SCRIPT = '/script.ts';
const DECLARED = '/declared.d.ts';

const OPTIONS: ts.CompilerOptions = {
  target: ts.ScriptTarget.ES2022,
  module: ts.ModuleKind.ESNext,
  lib: ['lib.es2022.d.ts'],
  types: [],
  noEmit: true,
  // Who writes a few lines does not want to be told of what may be missing.
  strict: false,
  allowUnreachableCode: true,
};

/** `libraries` are the declarations of the language, by file name. */
export const typeService = (libraries: Readonly<Record<string, string>>) => {
  let version = 0;
  let script = '';
  let declared = '';
  /** What was put in before a place of the source: its parameter gets a type. */
  let inserted = { at: 0, length: 0 };
  const textOf = (path: string): string | undefined =>
    path === SCRIPT
      ? script
      : path === DECLARED
        ? declared
        : libraries[path.slice(path.lastIndexOf('/') + 1)];
  const service = ts.createLanguageService({
    getCompilationSettings: () => OPTIONS,
    getScriptFileNames: () => [SCRIPT, DECLARED],
    getScriptVersion: (path) => (path === SCRIPT || path === DECLARED ? String(version) : '1'),
    getScriptSnapshot: (path) => {
      const text = textOf(path);
      return text === undefined ? undefined : ts.ScriptSnapshot.fromString(text);
    },
    getCurrentDirectory: () => '/',
    getDefaultLibFileName: () => '/lib.es2022.d.ts',
    fileExists: (path) => textOf(path) !== undefined,
    readFile: textOf,
  });

  const open = (source: string, declarations: string): void => {
    const typed = withTypedStep(source);
    if (script === typed.text && declared === declarations) return;
    script = typed.text;
    inserted = typed.inserted;
    declared = declarations;
    version++;
  };
  const toSource = (at: number): number =>
    at <= inserted.at ? at : Math.max(inserted.at, at - inserted.length);
  const fromSource = (at: number): number => (at <= inserted.at ? at : at + inserted.length);

  return {
    problems: (source: string, declarations: string): readonly TypeProblem[] => {
      open(source, declarations);
      return [...service.getSyntacticDiagnostics(SCRIPT), ...service.getSemanticDiagnostics(SCRIPT)]
        .filter(({ category }) => category === ts.DiagnosticCategory.Error)
        .map(({ start = 0, length = 0, messageText }) => ({
          from: Math.min(toSource(start), source.length),
          to: Math.min(toSource(start + length), source.length),
          message: ts.flattenDiagnosticMessageText(messageText, ' '),
        }));
    },
    completions: (
      source: string,
      declarations: string,
      at: number,
    ): { readonly from: number; readonly completions: readonly TypeCompletion[] } => {
      open(source, declarations);
      const position = fromSource(at);
      const found = service.getCompletionsAtPosition(SCRIPT, position, {});
      const word = /[\p{L}_$][\p{L}\p{N}_$]*$/u.exec(source.slice(0, at))?.[0] ?? '';
      const typed = word.toLowerCase();
      const completions = (found?.entries ?? [])
        .filter(({ name }) => name.toLowerCase().includes(typed))
        .sort((a, b) => rank(a, typed) - rank(b, typed))
        .slice(0, 60)
        .map(({ name, kind }) => ({ label: name, kind, detail: detailOf(position, name) }));
      return { from: at - word.length, completions };
    },
  };

  function detailOf(position: number, name: string): string {
    const details = service.getCompletionEntryDetails(SCRIPT, position, name, {}, undefined, {}, undefined);
    return details ? ts.displayPartsToString(details.documentation) : '';
  }
};
/** What begins as it is typed first, then what belongs nearest. */
const rank = ({ name, sortText }: ts.CompletionEntry, typed: string): number =>
  (name.toLowerCase().startsWith(typed) ? 0 : 1000) + Number(sortText.slice(0, 2));

/** What `step` is given gets its type, and what it gives is checked, without its writer saying so. */
const withTypedStep = (
  source: string,
): { readonly text: string; readonly inserted: { readonly at: number; readonly length: number } } => {
  const file = ts.createSourceFile(SCRIPT, source, ts.ScriptTarget.ES2022, true);
  let parameter: ts.ParameterDeclaration | undefined;
  let hasState = false;
  for (const statement of file.statements) {
    if (ts.isFunctionDeclaration(statement) && statement.name?.text === 'step')
      [parameter] = statement.parameters;
    if (ts.isVariableStatement(statement))
      for (const { name, initializer } of statement.declarationList.declarations) {
        if (!ts.isIdentifier(name)) continue;
        if (name.text === 'state') hasState = true;
        if (
          name.text === 'step' &&
          initializer &&
          (ts.isArrowFunction(initializer) || ts.isFunctionExpression(initializer))
        )
          [parameter] = initializer.parameters;
      }
  }
  // Within the brackets of a function `state` would be what it is given.
  const kept = `\ntype $State = ${hasState ? 'typeof state' : 'Record<string, any>'};`;
  const check = `${kept}\n(step satisfies (at: never) => Outputs | void);`;
  if (!parameter || parameter.type || !file.text.slice(parameter.end).includes(')'))
    return { text: parameter ? source + check : source, inserted: { at: source.length, length: 0 } };
  const type = ': Step<$State>';
  return {
    text: source.slice(0, parameter.end) + type + source.slice(parameter.end) + check,
    inserted: { at: parameter.end, length: type.length },
  };
};
