/** Ports that whoever makes a node declares, as data: of scripts and of compounds. */
import { z } from 'zod';
import { UNITS, type UnitName } from '../../schema/properties';
import { finite } from '../../schema/values-schema';
import type { InputPort, OutputPort } from './node-kind';
import { nodeValueSchema, PORT_TYPES, type PortType, type PortValue } from './ports';

/** A name that can stand in code. */
const word = z
  .string()
  .regex(/^[A-Za-z_][A-Za-z0-9_]{0,23}$/, 'A port is called by letters and digits, as “score2”.');
const unitNames = Object.keys(UNITS) as [UnitName, ...UnitName[]];
const typeNames = Object.keys(PORT_TYPES) as [PortType, ...PortType[]];

/** A port as its maker declares it. */
export const declaredPortSchema = z.strictObject({
  name: word,
  type: z.enum(typeNames),
  /** What it is while no wire runs in; null as is usual for its type. Nothing for outputs. */
  usual: nodeValueSchema.nullable(),
  unit: z.enum(unitNames),
  /** Between which a number is kept; null is any. */
  low: finite.nullable(),
  high: finite.nullable(),
});
export type DeclaredPort = z.infer<typeof declaredPortSchema>;
const unlike = (ports: readonly DeclaredPort[]): boolean =>
  new Set(ports.map(({ name }) => name)).size === ports.length;
export const declaredPorts = z
  .array(declaredPortSchema)
  .max(16)
  .refine(unlike, 'Two ports have the same name.');
export const newPort = (name: string, type: PortType = 'number'): DeclaredPort => ({
  name,
  type,
  usual: null,
  unit: 'plain',
  low: null,
  high: null,
});

export const inputPort = ({ name, type, usual, unit }: DeclaredPort): InputPort => ({
  name,
  type,
  usual: usual ?? (PORT_TYPES[type].width === 1 ? 0 : null),
  ...(unit === 'plain' ? {} : { unit }),
});
export const outputPort = ({ name, type, unit }: DeclaredPort): OutputPort => ({
  name,
  type,
  ...(unit === 'plain' ? {} : { unit }),
});
/** A number within the range of its port; what has no value has none. */
export const bounded = (value: PortValue, { low, high }: DeclaredPort): PortValue =>
  typeof value === 'number' ? Math.min(high ?? Infinity, Math.max(low ?? -Infinity, value)) : value;
