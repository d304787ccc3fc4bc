/**
 * Works formulas out: steps over a row of registers, all numbers, nothing made anew. Function calls that hand numbers to each other cost ten
 * times as much, since each number is then a thing of its own.
 */
import { clamp, lerp, smoothstep } from '../maths/scalar';

/** What a step does, in the order of the numbers in `worked` below. */
export const OPS = [
  ...(['add', 'subtract', 'multiply', 'divide', 'power', 'negate', 'not', 'and', 'or', 'choose'] as const),
  ...(['less', 'atMost', 'more', 'atLeast', 'same', 'differs'] as const),
  ...(['sin', 'cos', 'tan', 'wave', 'zigzag', 'atan2', 'asin', 'acos'] as const),
  ...(['abs', 'sign', 'floor', 'ceil', 'round', 'sqrt', 'exp', 'log'] as const),
  ...(['min', 'max', 'hypot', 'mod', 'clamp', 'mix', 'smooth'] as const),
] as const;
export type Op = (typeof OPS)[number];

const DEGREE = 180 / Math.PI;
const TURN = 2 * Math.PI;
/** 1 or 0; no number where one of both is none. */
const truth = (is: boolean, a: number, b: number): number =>
  Number.isNaN(a) || Number.isNaN(b) ? NaN : is ? 1 : 0;

/** What is asked may have no value: then neither has the answer. */
const chosen = (when: number, yes: number, no: number): number =>
  Number.isNaN(when) ? NaN : when === 0 ? no : yes;
const smooth = (x: number, low: number, high: number): number =>
  low === high ? Number(x >= low) : smoothstep(low, high, x);

/** A step is one word: what it does, then the registers of what it is given; of a third one another word. */
const OP_BITS = 6;
const REGISTER_BITS = 13;
const OP_MASK = 2 ** OP_BITS - 1;
const REGISTER_MASK = 2 ** REGISTER_BITS - 1;

/** Runs steps over registers; each result goes into the next register from `first` on. */
const worked = (steps: Int32Array, r: Float64Array, first: number): void => {
  let next = first;
  for (let i = 0; i < steps.length; i++) {
    const step = steps[i]!;
    const a = r[(step >>> OP_BITS) & REGISTER_MASK]!;
    const b = r[step >>> (OP_BITS + REGISTER_BITS)]!;
    let to = NaN;
    // The numbers are those of OPS, written out: then each is found at once.
    switch (step & OP_MASK) {
      case 0:
        to = a + b;
        break;
      case 1:
        to = a - b;
        break;
      case 2:
        to = a * b;
        break;
      case 3:
        to = b === 0 ? NaN : a / b;
        break;
      case 4:
        to = a ** b;
        break;
      case 5:
        to = -a;
        break;
      case 6:
        to = truth(a === 0, a, a);
        break;
      case 7:
        to = truth(a !== 0 && b !== 0, a, b);
        break;
      case 8:
        to = truth(a !== 0 || b !== 0, a, b);
        break;
      case 9:
        to = chosen(a, b, r[steps[++i]!]!);
        break;
      case 10:
        to = truth(a < b, a, b);
        break;
      case 11:
        to = truth(a <= b, a, b);
        break;
      case 12:
        to = truth(a > b, a, b);
        break;
      case 13:
        to = truth(a >= b, a, b);
        break;
      case 14:
        to = truth(Math.abs(a - b) < 1e-9, a, b);
        break;
      case 15:
        to = truth(Math.abs(a - b) >= 1e-9, a, b);
        break;
      case 16:
        to = Math.sin(a);
        break;
      case 17:
        to = Math.cos(a);
        break;
      case 18:
        to = Math.tan(a);
        break;
      case 19:
        to = Math.sin(TURN * a);
        break;
      case 20: {
        const round = a - Math.floor(a);
        to = round < 0.5 ? 2 * round : 2 - 2 * round;
        break;
      }
      case 21:
        to = Math.atan2(a, b) * DEGREE;
        break;
      case 22:
        to = Math.asin(clamp(a, -1, 1)) * DEGREE;
        break;
      case 23:
        to = Math.acos(clamp(a, -1, 1)) * DEGREE;
        break;
      case 24:
        to = Math.abs(a);
        break;
      case 25:
        to = Math.sign(a);
        break;
      case 26:
        to = Math.floor(a);
        break;
      case 27:
        to = Math.ceil(a);
        break;
      case 28:
        to = Math.round(a);
        break;
      case 29:
        to = Math.sqrt(a);
        break;
      case 30:
        to = Math.exp(a);
        break;
      case 31:
        to = a > 0 ? Math.log(a) : NaN;
        break;
      case 32:
        to = Math.min(a, b);
        break;
      case 33:
        to = Math.max(a, b);
        break;
      case 34:
        to = Math.hypot(a, b);
        break;
      case 35:
        to = b === 0 ? NaN : a - b * Math.floor(a / b);
        break;
      case 36:
        to = clamp(a, b, r[steps[++i]!]!);
        break;
      case 37:
        to = lerp(a, b, r[steps[++i]!]!);
        break;
      case 38:
        to = smooth(a, b, r[steps[++i]!]!);
        break;
    }
    r[next++] = to;
  }
};

const WITH_THREE: ReadonlySet<Op> = new Set<Op>(['choose', 'clamp', 'mix', 'smooth']);

/** Where something stands: a name, a number that stays, the result of a step. */
export interface Place {
  readonly of: 'name' | 'constant' | 'step';
  readonly at: number;
}

/** Puts steps together; what does not depend on any name is worked out here, once. */
export class Assembly {
  private readonly steps: { readonly op: Op; readonly given: readonly Place[] }[] = [];
  private readonly constants: number[] = [];

  constructor(private readonly names: number) {}

  constant(value: number): Place {
    return { of: 'constant', at: this.constants.push(value) - 1 };
  }
  step(op: Op, ...given: readonly Place[]): Place {
    if (given.every(({ of }) => of === 'constant')) {
      const fixed = new Assembly(0);
      const result = fixed.take(
        op,
        given.map(({ at }) => fixed.constant(this.constants[at]!)),
      );
      return this.constant(fixed.runOf(result)([]));
    }
    return this.take(op, given);
  }
  private take(op: Op, given: readonly Place[]): Place {
    return { of: 'step', at: this.steps.push({ op, given }) - 1 };
  }

  /** What works it out, from what its names are now, in their order. */
  runOf(result: Place): (named: ArrayLike<number>) => number {
    const { names, constants } = this;
    const first = names + constants.length;
    const from = { name: 0, constant: names, step: first };
    const registerOf = ({ of, at }: Place): number => from[of] + at;
    const steps = Int32Array.from(
      this.steps.flatMap(({ op, given }) => {
        const [a, b = a!, c = a!] = given.map(registerOf);
        const word = OPS.indexOf(op) | (a! << OP_BITS) | (b << (OP_BITS + REGISTER_BITS));
        return WITH_THREE.has(op) ? [word, c] : [word];
      }),
    );
    const registers = new Float64Array(first + this.steps.length);
    registers.set(constants, names);
    const at = registerOf(result);
    return (named) => {
      for (let i = 0; i < names; i++) registers[i] = named[i]!;
      worked(steps, registers, first);
      return registers[at]!;
    };
  }
}
