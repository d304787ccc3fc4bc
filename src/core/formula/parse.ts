/** Reads a formula into a tree. The letters are read by jsep, which runs nothing; what is no part of a formula is refused here. */
import jsep from 'jsep';
import { WRITTEN_UNITS } from './dimension';
import { FormulaProblem } from './problem';

export const MOST_LETTERS = 300;

export type Operator = '+' | '-' | '*' | '/' | '^' | '<' | '<=' | '>' | '>=' | '==' | '!=' | '&&' | '||';
export type Tree =
  | { readonly is: 'number'; readonly value: number; readonly unit: string | null }
  | { readonly is: 'name'; readonly name: string }
  | { readonly is: 'sign' | 'not'; readonly of: Tree }
  | { readonly is: 'two'; readonly op: Operator; readonly a: Tree; readonly b: Tree }
  | { readonly is: 'if'; readonly when: Tree; readonly yes: Tree; readonly no: Tree }
  | { readonly is: 'call'; readonly name: string; readonly of: readonly Tree[] };

/** A number with its unit: jsep itself knows none. */
const NUMBER = /(\d+(?:\.\d*)?(?:e[+-]?\d+)?|\.\d+(?:e[+-]?\d+)?) ?(mm|cm|ms|m|s|deg|turns|°|%)?(?![\w.])/iy;
const OPERATORS: Readonly<Record<Operator, number>> = {
  '||': 1,
  '&&': 2,
  '==': 6,
  '!=': 6,
  '<': 7,
  '>': 7,
  '<=': 7,
  '>=': 7,
  '+': 9,
  '-': 9,
  '*': 10,
  '/': 10,
  '^': 11,
};

const passed = new WeakSet<object>();
const grouped = new WeakSet<object>();
/** jsep is told once what formulas are made of: it keeps that for all. */
const prepared = ((): typeof jsep => {
  jsep.removeAllBinaryOps();
  jsep.removeAllUnaryOps();
  jsep.removeAllLiterals();
  for (const [op, precedence] of Object.entries(OPERATORS)) jsep.addBinaryOp(op, precedence, op === '^');
  for (const op of ['-', '+', '!']) jsep.addUnaryOp(op);
  jsep.hooks.add('gobble-token', function (env: { context: { expr: string; index: number }; node?: object }) {
    const { expr, index } = env.context;
    NUMBER.lastIndex = index;
    const found = NUMBER.exec(expr);
    if (!found) return;
    env.context.index += found[0].trimEnd().length;
    env.node = { type: 'Quantity', value: Number(found[1]), unit: found[2]?.toLowerCase() ?? null };
  } as never);
  // A token that comes by twice stands in brackets: once as what it is, once as what they hold.
  jsep.hooks.add('after-token', function ({ node }: { node: object | false | undefined }) {
    if (node) (passed.has(node) ? grouped : passed).add(node);
  } as never);
  return jsep;
})();

/** Units that may stand behind a number, for help. */
export const UNIT_NAMES = Object.keys(WRITTEN_UNITS);

/** As people write them. */
const tidy = (text: string): string =>
  text.replaceAll('×', '*').replaceAll('·', '*').replaceAll('÷', '/').replaceAll('−', '-');

/**
 * The tree of a formula; an `=` before it is left out.
 * Throws `FormulaProblem` with a sentence and a place.
 */
export const parseFormula = (text: string): Tree => {
  const before = /^\s*=?\s*/.exec(text)![0].length;
  const body = tidy(text).slice(before);
  if (body.trim() === '') throw new FormulaProblem('There is nothing to be worked out yet.');
  if (text.length > MOST_LETTERS)
    throw new FormulaProblem(`A formula has at most ${MOST_LETTERS} letters. A circuit holds more.`);
  let read: jsep.Expression;
  try {
    read = prepared(body);
  } catch (error) {
    const { index, description } = error as { index?: number; description?: string };
    throw new FormulaProblem(sentenceOf(description ?? '', body, index ?? 0), before + (index ?? 0));
  }
  return treeOf(read);
};

/** What jsep could not read, in the words of a creator. */
const sentenceOf = (description: string, body: string, index: number): string => {
  const rest = body.slice(index).trim();
  if (/period/.test(description)) return 'A point stands where no number is.';
  if (/Unclosed|Expected \)|missing|Unexpected end/i.test(description) && rest === '')
    return 'It ends too early: a bracket is open, or something is missing behind the last sign.';
  if (rest === '') return 'It ends too early: something is missing behind the last sign.';
  const found = /^[\w.]+|^./u.exec(rest)?.[0] ?? '';
  const number = /[\d.]+$/.exec(body.slice(0, index))?.[0];
  if (number && /^\w/.test(rest))
    return `“${number}${found}” is no number with a unit that is known: ${UNIT_NAMES.join(', ')}.`;
  return `“${found}” cannot stand there.`;
};

const NOT_READ: Readonly<Record<string, string>> = {
  MemberExpression:
    'Points and square brackets are not used in formulas: names are one word, like headDistance.',
  ArrayExpression: 'Lists are not used in formulas.',
  Literal: 'Texts are not used in formulas.',
  Compound: 'Two things stand side by side without a sign between them.',
  SequenceExpression: 'A comma stands only between what a function is given.',
};

const treeOf = (read: jsep.Expression): Tree => {
  const node = read as unknown as Record<string, never> & { type: string };
  switch (node.type) {
    case 'Quantity':
      return { is: 'number', value: node['value'], unit: node['unit'] };
    case 'ThisExpression':
      return { is: 'name', name: 'this' };
    case 'Identifier':
      return { is: 'name', name: node['name'] };
    case 'UnaryExpression': {
      const of = treeOf(node['argument']);
      return node['operator'] === '+' ? of : { is: node['operator'] === '!' ? 'not' : 'sign', of };
    }
    case 'BinaryExpression': {
      const left = node['left'] as unknown as { type: string; operator: string; argument: never };
      const right = treeOf(node['right']);
      // A power goes before a sign: -2 ^ 2 is -4.
      if (
        node['operator'] === '^' &&
        left.type === 'UnaryExpression' &&
        left.operator === '-' &&
        !grouped.has(left)
      )
        return { is: 'sign', of: { is: 'two', op: '^', a: treeOf(left.argument), b: right } };
      return { is: 'two', op: node['operator'], a: treeOf(left as never), b: right };
    }
    case 'ConditionalExpression':
      return {
        is: 'if',
        when: treeOf(node['test']),
        yes: treeOf(node['consequent']),
        no: treeOf(node['alternate']),
      };
    case 'CallExpression': {
      const callee = node['callee'] as unknown as { type: string; name: string };
      if (callee.type !== 'Identifier')
        throw new FormulaProblem('Before a bracket stands a function, or a sign.');
      return {
        is: 'call',
        name: callee.name,
        of: (node['arguments'] as readonly jsep.Expression[]).map(treeOf),
      };
    }
    default:
      throw new FormulaProblem(NOT_READ[node.type] ?? 'That is no part of a formula.');
  }
};

/** The names in a formula that are no functions, each once, in their order. */
export const namesIn = (tree: Tree): readonly string[] => {
  const found = new Set<string>();
  const walk = (t: Tree): void => {
    switch (t.is) {
      case 'number':
        return;
      case 'name':
        found.add(t.name);
        return;
      case 'sign':
      case 'not':
        return walk(t.of);
      case 'two':
        walk(t.a);
        return walk(t.b);
      case 'if':
        walk(t.when);
        walk(t.yes);
        return walk(t.no);
      case 'call':
        t.of.forEach(walk);
    }
  };
  walk(tree);
  return [...found];
};
