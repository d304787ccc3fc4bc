/** Makes of a formula what works it out: steps made once, run in every step. What its parts measure is found out here. */
import type { UnitName } from '../schema/properties';
import { DIMENSION_WORDS, factorInto, WRITTEN_UNITS, type Dimension } from './dimension';
import { CONSTANTS, functionNamed, type FunctionName } from './functions';
import { Assembly, type Op, type Place } from './machine';
import type { Operator, Tree } from './parse';
import { FormulaProblem } from './problem';

/** Works a formula out from what its names are now, in the order of `names`. */
export type Run = (named: ArrayLike<number>) => number;

export interface NameOf {
  readonly name: string;
  readonly is: Dimension;
}
/** Where a part of a formula stands, and what it measures. */
interface Part {
  readonly at: Place;
  readonly is: Dimension;
}

const RADIANS = Math.PI / 180;

/**
 * What works a formula out, in the document's unit of a field.
 * Throws `FormulaProblem`: a name or a function that is not known, what cannot be added.
 */
export const compileFormula = (tree: Tree, names: readonly NameOf[], unit: UnitName): Run => {
  const assembly = new Assembly(names.length);
  const part = new Compiler(assembly, names).part(tree);
  const factor = factorInto(part.is, unit);
  if (factor === null)
    throw new FormulaProblem('It gives a length, and the field takes none. Divide it by a length: … / 1 m.');
  return assembly.runOf(
    factor === 1 ? part.at : assembly.step('multiply', part.at, assembly.constant(factor)),
  );
};

class Compiler {
  constructor(
    private readonly assembly: Assembly,
    private readonly names: readonly NameOf[],
  ) {}

  part(tree: Tree): Part {
    switch (tree.is) {
      case 'number': {
        const unit = tree.unit === null ? null : WRITTEN_UNITS[tree.unit]!;
        return this.constant(tree.value * (unit?.factor ?? 1), unit?.is ?? 'number');
      }
      case 'name':
        return this.named(tree.name);
      case 'sign': {
        const { at, is } = this.part(tree.of);
        return { at: this.assembly.step('negate', at), is };
      }
      case 'not':
        return { at: this.assembly.step('not', this.part(tree.of).at), is: 'number' };
      case 'two':
        return this.two(tree.op, this.part(tree.a), this.part(tree.b));
      case 'if': {
        const [when, yes, no] = [this.part(tree.when), this.part(tree.yes), this.part(tree.no)];
        const is = alike('chosen from', yes.is, no.is);
        return { at: this.assembly.step('choose', when.at, yes.at, no.at), is };
      }
      case 'call':
        return this.called(
          tree.name,
          tree.of.map((one) => this.part(one)),
        );
    }
  }

  private constant(value: number, is: Dimension): Part {
    return { at: this.assembly.constant(value), is };
  }

  private named(name: string): Part {
    const i = this.names.findIndex((n) => n.name === name);
    if (i >= 0) return { at: { of: 'name', at: i }, is: this.names[i]!.is };
    if (Object.hasOwn(CONSTANTS, name)) return this.constant(CONSTANTS[name]!, 'number');
    if (functionNamed(name))
      throw new FormulaProblem(`“${name}” is a function: write what it is given in brackets behind it.`);
    throw new FormulaProblem(`There is nothing called “${name}”.`);
  }

  private two(op: Operator, a: Part, b: Part): Part {
    const [step, is] = OPERATIONS[op];
    return { is: is(a.is, b.is), at: this.assembly.step(step, a.at, b.at) };
  }

  private called(name: string, given: readonly Part[]): Part {
    const kind = functionNamed(name);
    if (!kind) throw new FormulaProblem(`There is no function called “${name}”.`);
    if (given.length < kind.least || given.length > kind.most)
      throw new FormulaProblem(
        `${name} is given ${kind.least === kind.most ? kind.least : `at least ${kind.least}`}: ${name}(${kind.takes}).`,
      );
    const together = kind.gives === 'same' || kind.alike !== undefined ? given.slice(0, kind.alike) : [];
    const same = together
      .map(({ is }) => is)
      .reduce<Dimension | null>(
        (was, is) => (was === null ? is : alike(`given to ${name} together`, was, is)),
        null,
      );
    const is = kind.gives === 'same' ? same! : kind.gives === 'first' ? given[0]!.is : kind.gives;
    const takesLengths = kind.gives === 'same' || kind.gives === 'first' || kind.alike !== undefined;
    if (!takesLengths && given.some((part) => part.is === 'length'))
      throw new FormulaProblem(`${name} takes a plain number: divide the length by 1 m.`);
    const [first, ...rest] = given.map((part) => part.at);
    const op = name as FunctionName;
    if (kind.turns && given[0]!.is === 'angle')
      return {
        is,
        at: this.assembly.step(op, this.assembly.step('multiply', first!, this.assembly.constant(RADIANS))),
      };
    // Of many, two at a time.
    if (kind.most > 3)
      return { is, at: rest.reduce((was, next) => this.assembly.step(op, was, next), first!) };
    return { is, at: this.assembly.step(op, first!, ...rest) };
  }
}

/** What two measure that are added, compared or chosen from. */
const alike = (what: string, a: Dimension, b: Dimension): Dimension => {
  if (a === b) return a;
  if (a === 'length' || b === 'length') {
    const other = a === 'length' ? b : a;
    throw new FormulaProblem(
      other === 'number'
        ? `A length and a number without a unit cannot be ${what}: write 2 cm or 2 m.`
        : `A length and ${DIMENSION_WORDS[other]} cannot be ${what}.`,
    );
  }
  if (a === 'number') return b;
  if (b === 'number') return a;
  return 'number';
};

const product = (a: Dimension, b: Dimension): Dimension => {
  if (a === 'length' && b === 'length')
    throw new FormulaProblem('A length by a length is an area: divide one of them by 1 m.');
  if (a === 'length' || b === 'length') return 'length';
  // An angle by a number stays one, a share of a time is a time; two that differ are a plain number.
  const [first, second] = a === 'number' || a === 'share' ? [b, a] : [a, b];
  if (second === 'number' || second === 'share') return first;
  return 'number';
};
const quotient = (a: Dimension, b: Dimension): Dimension => {
  if (a === b) return a === 'share' ? 'share' : 'number';
  if (b === 'length') throw new FormulaProblem('Only a length can be divided by a length.');
  if (b === 'number' || b === 'share') return a;
  return a === 'length' ? 'length' : 'number';
};

const powered = (a: Dimension, b: Dimension): Dimension => {
  if (a === 'length' || b === 'length') throw new FormulaProblem('A length has no powers: divide it by 1 m.');
  return a === 'share' ? 'share' : 'number';
};
const compared = (a: Dimension, b: Dimension): Dimension => {
  alike('compared', a, b);
  return 'number';
};
const asked = (): Dimension => 'number';

/** The step of each sign, and what its result measures. */
const OPERATIONS: Readonly<Record<Operator, readonly [Op, (a: Dimension, b: Dimension) => Dimension]>> = {
  '+': ['add', (a, b) => alike('added', a, b)],
  '-': ['subtract', (a, b) => alike('subtracted', a, b)],
  '*': ['multiply', product],
  '/': ['divide', quotient],
  '^': ['power', powered],
  '<': ['less', compared],
  '<=': ['atMost', compared],
  '>': ['more', compared],
  '>=': ['atLeast', compared],
  '==': ['same', compared],
  '!=': ['differs', compared],
  '&&': ['and', asked],
  '||': ['or', asked],
};
