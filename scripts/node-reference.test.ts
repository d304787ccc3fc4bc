/** docs/circuits.md lists every kind of node as the code has it. Set ICONIA_WRITE_NODES=1 to renew the list. */
import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { circuitSchema } from '../src/core/document/circuit-schema';
import type { InputPort, OutputPort } from '../src/core/kinds/nodes/node-kind';
import { NODE_KINDS, nodeKind } from '../src/core/kinds/nodes/nodes';
import { PORT_TYPES } from '../src/core/kinds/nodes/ports';
import { NODE_WORDS } from '../src/core/kinds/nodes/words/node-words';
import { NODE_GROUPS } from '../src/core/kinds/nodes/words/node-words-kind';
import { UNITS } from '../src/core/schema/properties';

const FILE = 'docs/circuits.md';
const BEGINS = '<!-- nodes: written by scripts/node-reference.test.ts -->';

const portWords = (port: InputPort | OutputPort): string => {
  const unit =
    port.unit && port.unit !== 'plain' ? `, ${UNITS[port.unit].base || UNITS[port.unit].words}` : '';
  const needed = 'needed' in port && port.needed ? ', needs a wire' : '';
  return `\`${port.name}\` (${PORT_TYPES[port.type].words}${unit}${needed})`;
};
const cell = (text: string): string => text.replaceAll('|', '\\|') || '–';
const reference = NODE_GROUPS.map((group) => {
  const rows = NODE_KINDS.filter((kind) => NODE_WORDS[kind].group === group).map((kind) => {
    const { inputs, outputs, fields } = nodeKind(kind);
    const { name, note } = NODE_WORDS[kind];
    const set = Object.keys(fields).map((field) => `\`${field}\``);
    const cells = [
      name,
      `\`${kind}\``,
      note,
      inputs.map(portWords).join(', '),
      outputs.map(portWords).join(', '),
      set.join(', '),
    ];
    return `| ${cells.map(cell).join(' | ')} |`;
  });
  return `### ${group}\n\n| Node | \`kind\` | What it does | In | Out | In \`set\` |\n| --- | --- | --- | --- | --- | --- |\n${rows.join('\n')}\n`;
}).join('\n');

test('the list of nodes in the docs is that of the code', () => {
  const text = readFileSync(FILE, 'utf8');
  const [before] = text.split(BEGINS);
  if (process.env.ICONIA_WRITE_NODES) writeFileSync(FILE, `${before}${BEGINS}\n\n${reference}`);
  expect(readFileSync(FILE, 'utf8')).toBe(`${before}${BEGINS}\n\n${reference}`);
});

test('the circuit that is shown there is one', () => {
  const [, example] = /```json\n([^]*?)```/.exec(readFileSync(FILE, 'utf8'))!;
  expect(circuitSchema.safeParse(JSON.parse(example!)).error?.issues ?? []).toEqual([]);
});
