/** Which nodes a wire of a type can run into, or come from. */
import type { NodePorts } from './node-kind';
import { conversion, type PortType } from './ports';

/** Which way a wire that hangs loose is to go on: from an output it was drawn from, or back from an input. */
export type Loose = 'fromOutput' | 'fromInput';

/** The port among some that a loose wire of a type is put to: of the same type before one that is read as it; null where none fits. */
export const fittingPort = (
  { inputs, outputs }: Pick<NodePorts, 'inputs' | 'outputs'>,
  type: PortType,
  loose: Loose,
): string | null => {
  const ports = loose === 'fromOutput' ? inputs : outputs;
  const reads = (port: { readonly type: PortType }): boolean =>
    (loose === 'fromOutput' ? conversion(type, port.type) : conversion(port.type, type)) !== undefined;
  return (ports.find((port) => port.type === type) ?? ports.find(reads))?.name ?? null;
};
