/**
 * Reads a script before it is run: refuses what would keep something beside its state or wait for something, and marks loops so that a
 * script that never ends can say where it was. Lines stay where they are.
 */
import { parse, type AnyNode, type Pattern, type Program, type VariableDeclaration } from 'acorn';
import { full } from 'acorn-walk';
import { transform } from 'sucrase';
import type { ScriptProblem } from './engine';

/** Why a script cannot be run. */
export class ScriptRefused extends Error implements ScriptProblem {
  constructor(
    message: string,
    readonly line: number | null,
  ) {
    super(message);
  }
}

/** Names that the marks use. */
const RESERVED = new Set(['$line', '$where', '$kept', '$freeze', '$spread']);

interface Edit {
  readonly at: number;
  readonly text: string;
}

/**
 * The module that is run, of what was written.
 * Throws `ScriptRefused`.
 */
export const preparedScript = (source: string): string => {
  const script = withoutTypes(source);
  const program = parsed(script);
  const { kept, functions, edits: freezes } = topLevel(program);
  const edits: Edit[] = [...freezes];
  full(program, (node) => {
    refuse(node);
    for (const name of assignedIn(node))
      if (functions.includes(name) || RESERVED.has(name))
        throw new ScriptRefused(
          `“${name}” would become another from step to step: keep what changes in state.`,
          lineOf(node),
        );
    edits.push(...marksOf(node));
  });
  // What is written first at a place stands first.
  const inOrder = edits.map((edit, i) => ({ ...edit, i })).sort((a, b) => a.at - b.at || a.i - b.i);
  let marked = 'let $line=0;';
  // Functions are there before anything runs.
  const hoisted = functionsOf(program);
  if (hoisted.length > 0) marked += `$freeze(${hoisted.join()});`;
  let from = 0;
  for (const { at, text } of inOrder) {
    marked += script.slice(from, at) + text;
    from = at;
  }
  marked += script.slice(from);
  return `${marked}\nexport const $where=()=>$line;export const $kept=()=>({${kept.join()}});`;
};

/** Types are taken off; what is left stands in the same lines. */
const withoutTypes = (source: string): string => {
  try {
    return transform(source, {
      transforms: ['typescript'],
      disableESTransforms: true,
      keepUnusedImports: true,
    }).code;
  } catch (error) {
    const line = /\((\d+):\d+\)/.exec(String(error))?.[1];
    const why = String((error as Error).message)
      .replace(/^Error transforming [^:]*: /, '')
      .replace(/ \(\d+:\d+\)$/, '');
    throw new ScriptRefused(`It cannot be read: ${why}.`, line ? Number(line) : null);
  }
};
const parsed = (script: string): Program => {
  try {
    return parse(script, { ecmaVersion: 'latest', sourceType: 'module', locations: true });
  } catch (error) {
    const { message, loc } = error as Error & { loc?: { line: number } };
    throw new ScriptRefused(`It cannot be read: ${message.replace(/ \(\d+:\d+\)$/, '')}.`, loc?.line ?? null);
  }
};

const lineOf = (node: AnyNode): number => node.loc!.start.line;

const refuse = (node: AnyNode): void => {
  const because = (why: string): never => {
    throw new ScriptRefused(why, lineOf(node));
  };
  switch (node.type) {
    case 'ImportDeclaration':
    case 'ImportExpression':
    case 'ExportAllDeclaration':
      return because('A script brings in nothing from elsewhere: write all of it here.');
    case 'ExportNamedDeclaration':
      if (node.source) because('A script brings in nothing from elsewhere: write all of it here.');
      return;
    case 'FunctionDeclaration':
    case 'FunctionExpression':
    case 'ArrowFunctionExpression':
      if (node.async) because('A step waits for nothing: write it without async.');
      return;
    case 'AwaitExpression':
      return because('A step waits for nothing: write it without await.');
    case 'ForOfStatement':
      if (node.await) because('A step waits for nothing: write it without await.');
      return;
    case 'ExportDefaultDeclaration':
      return because('What is exported has a name: write “export function step”.');
    case 'MetaProperty':
      if (node.meta.name === 'import')
        because('A script knows nothing of itself: write it without import.meta.');
      return;
    case 'ClassDeclaration':
    case 'ClassExpression':
      if (node.superClass && node.superClass.type !== 'Identifier')
        because('A class extends one that has a name.');
      return;
    case 'MethodDefinition':
      if (node.key.type === 'PrivateIdentifier')
        because('A method is not private here: write it as a function of its own.');
      return;
    case 'PropertyDefinition':
      if (node.static) because('A class keeps nothing by itself: keep it in state.');
      return;
    case 'StaticBlock':
      return because('A class keeps nothing by itself: keep it in state.');
    case 'Identifier':
      if (RESERVED.has(node.name)) because(`“${node.name}” is taken: call it something else.`);
      return;
    default:
  }
};

/** Where the script is, told at each pass and call; what is spread is counted. */
const marksOf = (node: AnyNode): Edit[] => {
  switch (node.type) {
    case 'ForStatement':
    case 'ForInStatement':
    case 'ForOfStatement':
    case 'WhileStatement':
    case 'DoWhileStatement': {
      const { body } = node;
      const mark = `$line=${lineOf(node)};`;
      return body.type === 'BlockStatement'
        ? [{ at: body.start + 1, text: mark }]
        : [
            { at: body.start, text: `{${mark}` },
            { at: body.end, text: '}' },
          ];
    }
    case 'FunctionDeclaration':
    case 'FunctionExpression':
    case 'ArrowFunctionExpression':
      return node.body.type === 'BlockStatement'
        ? [{ at: node.body.start + 1, text: `$line=${lineOf(node)};` }]
        : [];
    case 'SpreadElement':
      return [
        { at: node.argument.start, text: '$spread(' },
        { at: node.argument.end, text: ')' },
      ];
    default:
      return [];
  }
};

const declarationIn = (statement: Program['body'][number]): AnyNode | null =>
  (statement.type === 'ExportNamedDeclaration' ? statement.declaration : statement) ?? null;
const functionsOf = (program: Program): string[] =>
  program.body.flatMap((statement) => {
    const node = declarationIn(statement);
    return node?.type === 'FunctionDeclaration' && node.id ? [node.id.name] : [];
  });
/**
 * What stands at the top: names of values, which have to be plain, and of functions and classes, each of which is frozen before anything else
 * runs: nothing can be hung on it.
 */
const topLevel = (
  program: Program,
): {
  readonly kept: readonly string[];
  readonly functions: readonly string[];
  readonly edits: readonly Edit[];
} => {
  const kept: string[] = [];
  const functions: string[] = functionsOf(program);
  const edits: Edit[] = [];
  for (const statement of program.body) {
    const node = declarationIn(statement);
    const made: string[] = [];
    if (node?.type === 'VariableDeclaration') take(node, kept, made);
    else if (node?.type === 'ClassDeclaration' && node.id) made.push(node.id.name);
    if (made.length === 0) continue;
    functions.push(...made);
    edits.push({ at: statement.end, text: `;$freeze(${made.join()});` });
  }
  return { kept, functions, edits };
};
const take = (node: VariableDeclaration, kept: string[], made: string[]): void => {
  for (const { id, init } of node.declarations) {
    const names = namesOf(id);
    if (node.kind !== 'const')
      throw new ScriptRefused(
        `“${names[0] ?? ''}” would change from step to step: write const, or keep it in state.`,
        lineOf(node),
      );
    const isMade =
      init?.type === 'ArrowFunctionExpression' ||
      init?.type === 'FunctionExpression' ||
      init?.type === 'ClassExpression';
    if (isMade && node.declarations.length > 1)
      throw new ScriptRefused('A function has a const of its own: write one for each.', lineOf(node));
    (isMade ? made : kept).push(...names);
  }
};
/** Names that are given something else. */
const assignedIn = (node: AnyNode): readonly string[] => {
  switch (node.type) {
    case 'AssignmentExpression':
      return namesOf(node.left);
    case 'UpdateExpression':
      return node.argument.type === 'Identifier' ? [node.argument.name] : [];
    case 'ForInStatement':
    case 'ForOfStatement':
      return node.left.type === 'VariableDeclaration' ? [] : namesOf(node.left);
    default:
      return [];
  }
};
const namesOf = (pattern: Pattern): string[] => {
  switch (pattern.type) {
    case 'Identifier':
      return [pattern.name];
    case 'ObjectPattern':
      return pattern.properties.flatMap((p) => namesOf(p.type === 'RestElement' ? p.argument : p.value));
    case 'ArrayPattern':
      return pattern.elements.flatMap((e) => (e ? namesOf(e) : []));
    case 'AssignmentPattern':
      return namesOf(pattern.left);
    case 'RestElement':
      return namesOf(pattern.argument);
    default:
      return [];
  }
};
