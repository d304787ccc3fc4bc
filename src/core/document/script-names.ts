/** What scripts can read of an effect by name, and how that is told to whoever writes them. */
import type { DeclaredPort } from '../kinds/nodes/declared-ports';
import type { Script } from '../kinds/nodes/script-nodes';
import { PORT_TYPES, type PortType } from '../kinds/nodes/ports';
import { UNITS } from '../schema/properties';
import type { NamedSignal } from './formula-names';

/** `read.jawOpen` and `read['jawOpen']`. */
const READS = /\bread\s*(?:\.\s*([\p{L}_$][\p{L}\p{N}_$]*)|\[\s*['"]([^'"\n]{1,60})['"]\s*\])/gu;

/** The signals that a script names: what a name meant before it goes on meaning, else what is called so now. */
export const boundReads = (
  source: string,
  kept: Script['reads'],
  known: readonly NamedSignal[],
): Script['reads'] => {
  const reads: Record<string, Script['reads'][string]> = {};
  for (const [, dotted, quoted] of source.matchAll(READS)) {
    const name = (dotted ?? quoted)!;
    const signal = Object.hasOwn(kept, name) ? kept[name] : known.find((one) => one.name === name)?.signal;
    if (signal) reads[name] = signal;
  }
  return reads;
};

/** What is at a port, as TypeScript says it. */
const TYPES: Readonly<Record<PortType, string>> = {
  number: 'number',
  truth: 'boolean',
  event: 'boolean',
  point: '[number, number]',
  vector: '[number, number, number]',
  colour: '[number, number, number]',
  rotation: '[number, number, number, number]',
  text: 'string',
  list: 'number[]',
  object: 'string',
  picture: 'string',
};
const aboutPort = ({ type, unit }: DeclaredPort): string =>
  type === 'event'
    ? 'True in the step in which it passes.'
    : type === 'colour'
      ? 'Red, green and blue, linear light from 0 to 1.'
      : type === 'rotation'
        ? 'A quaternion: x, y, z, w.'
        : type === 'object' || type === 'picture'
          ? `The id of ${PORT_TYPES[type].words}; empty for none.`
          : unit === 'plain'
            ? `${PORT_TYPES[type].words}.`
            : `${PORT_TYPES[type].words}, in ${UNITS[unit].base || UNITS[unit].words}.`;

/** The interface of scripts, whatever their ports: also in `docs/scripting.md`. */
export const SCRIPT_API = `/** What step gets: a new one each step. */
interface Step<State> {
  /** What runs into the node. */
  readonly inputs: Inputs;
  /** Signals of the effect, by the names that formulas use. NaN where there is none, as of a face that is not there. */
  readonly read: Read;
  /** All that is kept from step to step: numbers, texts, yes and no, lists and plain objects. Change it as you like. */
  state: State;
  /** Seconds since the effect began. */
  readonly time: number;
  /** Seconds of one step: 1/60. */
  readonly dt: number;
  /** A number of chance from 0 up to 1, the same whenever the take is played. */
  random(): number;
  /** Writes a line beside the script, with its time. */
  log(...values: unknown[]): void;
}
/** The same as log. */
declare const console: { log(...values: unknown[]): void };
`;

/** Declarations for one script: its ports, and what it can read. */
export const scriptDeclarations = (
  { takes, gives }: Pick<Script, 'takes' | 'gives'>,
  known: readonly Pick<NamedSignal, 'name' | 'words'>[],
): string => {
  const ports = (all: readonly DeclaredPort[], isOutput: boolean): string =>
    all
      .map(
        (port) =>
          `  /** ${aboutPort(port)} */\n  ${isOutput ? `${port.name}?: ${outputType(port.type)}` : `readonly ${port.name}: ${TYPES[port.type]}`};\n`,
      )
      .join('');
  const reads = known
    .map(({ name, words }) => `  /** ${words.replaceAll('*/', '* /')} */\n  readonly ${name}: number;\n`)
    .join('');
  return `interface Inputs {\n${ports(takes, false)}}\ninterface Outputs {\n${ports(gives, true)}}\ninterface Read {\n${reads}}\n${SCRIPT_API}`;
};
/** More than one way to give some of them. */
const outputType = (type: PortType): string =>
  type === 'event' || type === 'truth'
    ? 'boolean | number'
    : type === 'colour'
      ? `${TYPES.colour} | number[] | string`
      : type === 'text'
        ? 'string | number'
        : TYPES[type].startsWith('[')
          ? `${TYPES[type]} | number[]`
          : TYPES[type];
