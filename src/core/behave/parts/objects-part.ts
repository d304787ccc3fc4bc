/** What behaviour has made of the objects, in layers: what cues have left behind, motion over it, drives over both. */
import { add } from '../../maths/vec3';
import { firstValues } from '../../program/first-values';
import { nextMedia } from '../../kinds/media';
import { readNumber, writeNumber } from '../../kinds/numbers';
import type { Program } from '../../program/program';
import type { Values } from '../../kinds/values';
import type { Part } from './part';
import type { Motion } from './writing';

export interface ObjectsState {
  /** What cues have left behind, by the index of the object. */
  readonly left: readonly Values[];
  /** With what lies over it; null where nothing does. */
  readonly over: readonly (Values | null)[];
}

export class ObjectsPart implements Part<ObjectsState> {
  /** For cues, which change it in place. */
  left: readonly Values[];
  private over: (Values | null)[];
  /** Of this step. */
  private readonly motions = new Map<number, Motion>();

  constructor(private readonly program: Program) {
    this.left = program.objects.map((object) => firstValues(program.effect, object));
    this.over = program.objects.map(() => null);
  }

  /** Of object `i` with all that lies over it. Do not keep or change it. */
  of(i: number): Readonly<Values> {
    return this.over[i] ?? this.left[i]!;
  }

  addMotion(i: number, { move, turn }: Motion): void {
    const beneath = this.motions.get(i);
    this.motions.set(
      i,
      beneath ? { move: add(beneath.move, move), turn: add(beneath.turn, turn) } : { move, turn },
    );
  }

  /** Over everything, in this step. */
  lay(i: number, over: Partial<Pick<Values, 'text' | 'colour' | 'picture'>>): void {
    this.over[i] = { ...this.of(i), ...over };
  }
  /** The same of a number. */
  setNumber(i: number, property: string, value: number): void {
    const object = this.program.objects[i]!;
    const values = this.of(i);
    if (readNumber(object, values, property) === value) return;
    const over = this.over[i] ?? { ...values };
    writeNumber(object, over, property, value);
    this.over[i] = over;
  }

  step(): void {
    for (const values of this.left) nextMedia(values);
    for (const [i, over] of this.over.entries()) if (over) this.over[i] = null;
    for (const [i, { move, turn }] of this.motions) {
      const values = this.left[i]!;
      this.over[i] = { ...values, move: add(values.move, move), turn: add(values.turn, turn) };
    }
    this.motions.clear();
  }

  /** Bursts are of one step. */
  endBursts(): void {
    for (const values of this.left) if (values.burst !== 0) values.burst = 0;
  }

  save(): ObjectsState {
    return { left: this.left.map((v) => ({ ...v })), over: this.over.map((v) => v && { ...v }) };
  }
  restore({ left, over }: ObjectsState): void {
    this.left = left.map((v) => ({ ...v }));
    this.over = over.map((v) => v && { ...v });
  }

  /** What behaviour has made of things goes on; what it has not touched is as the changed document says. */
  carry(before: Program, { left }: ObjectsState): ObjectsState {
    const values = this.program.objects.map((object, i): Values => {
      const old = before.indexOf.get(object.id);
      const was = old === undefined ? null : before.objects[old]!;
      if (was?.kind !== object.kind) return this.left[i]!;
      return carriedValues(left[old!]!, firstValues(before.effect, was), this.left[i]!);
    });
    return { left: values, over: this.over };
  }
}

const isSame = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Each field that still was as the document said follows the document; the others stay. */
const carriedValues = (was: Values, first: Values, fresh: Values): Values => {
  const carried = { ...fresh };
  for (const field of Object.keys(fresh) as (keyof Values)[])
    if (!isSame(was[field], first[field])) Object.assign(carried, { [field]: was[field] });
  return carried;
};
