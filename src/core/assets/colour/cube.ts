/** The .cube format for colour tables (Cube LUT Specification 1.0): read and written. */
import type { Rgb } from '../../maths/blend';
import { megabytes, refuse } from '../refuse';
import type { ColourTable } from './table';
import { cutText } from '../../text';

/** Larger tables do not look different, but weigh megabytes. */
const MOST_3D = 129;
const MOST_1D = 65_536;
const MOST_BYTES = 96 * 1024 * 1024;

const HEADER =
  /^(TITLE|DOMAIN_MIN|DOMAIN_MAX|LUT_1D_SIZE|LUT_3D_SIZE|LUT_1D_INPUT_RANGE|LUT_3D_INPUT_RANGE)\b\s*(.*)$/;

/** Throws `IconiaError`: `table.*`. */
export const readCube = (bytes: Uint8Array, name: string): ColourTable => {
  if (bytes.length > MOST_BYTES)
    refuse(
      'table.too-large',
      `${name} has ${megabytes(bytes.length)}. Export the colour table with 33 steps.`,
    );
  const lines = new TextDecoder().decode(bytes).split(/\r\n|\n|\r/);
  let title = '';
  let dimensions: 1 | 3 | null = null;
  let size = 0;
  let low: Rgb = [0, 0, 0];
  let high: Rgb = [1, 1, 1];
  const wrong = (line: number, what: string): never =>
    refuse('table.broken', `${name}, line ${line + 1}: ${what} Export the colour table again.`);
  const numbers = (text: string, count: number, line: number): number[] => {
    const list = text.trim().split(/\s+/).map(Number);
    if (list.length !== count || !list.every((x) => Number.isFinite(x)))
      wrong(line, `${count === 1 ? 'a number' : `${count} numbers`} should stand here.`);
    return list;
  };
  let data: Float32Array | null = null;
  let read = 0;
  lines.forEach((raw, line) => {
    const text = raw.trim();
    if (text === '' || text.startsWith('#')) return;
    const header = HEADER.exec(text);
    if (header) {
      if (data) wrong(line, 'a heading stands among the colours.');
      const [, key, rest] = header as unknown as [string, string, string];
      if (key === 'TITLE') title = cutText(rest.replace(/^"|"$/g, ''), 200);
      if (key === 'DOMAIN_MIN') low = numbers(rest, 3, line) as unknown as Rgb;
      if (key === 'DOMAIN_MAX') high = numbers(rest, 3, line) as unknown as Rgb;
      if (key.endsWith('INPUT_RANGE')) {
        const [a, b] = numbers(rest, 2, line) as [number, number];
        [low, high] = [
          [a, a, a],
          [b, b, b],
        ];
      }
      if (key.endsWith('_SIZE')) {
        if (dimensions) wrong(line, 'a second size is given; tables that are two in one are not read.');
        dimensions = key === 'LUT_3D_SIZE' ? 3 : 1;
        [size] = numbers(rest, 1, line) as [number];
        const most = dimensions === 3 ? MOST_3D : MOST_1D;
        if (!Number.isInteger(size) || size < 2 || size > most)
          wrong(line, `the size has to be a whole number from 2 to ${most}, not ${size}.`);
      }
      return;
    }
    if (!/^[-+.\d]/.test(text)) wrong(line, `“${cutText(text, 40)}” is not known in colour tables.`);
    if (!dimensions) return wrong(line, 'colours come before the size of the table is given.');
    data ??= new Float32Array((dimensions === 3 ? size ** 3 : size) * 3);
    if (read * 3 >= data.length)
      return wrong(line, `there are more colours than the ${data.length / 3} announced.`);
    data.set(numbers(text, 3, line), read * 3);
    read++;
  });
  if (!dimensions || !data)
    return refuse('table.broken', `${name} holds no colours. Export the colour table again.`);
  if (read * 3 !== (data as Float32Array).length)
    refuse(
      'table.cut-off',
      `${name} announces ${(data as Float32Array).length / 3} colours but holds ${read}. It was probably cut off; copy or export it again.`,
    );
  if (low.some((x, c) => !(high[c]! > x)))
    refuse('table.broken', `${name} has a domain that ends before it begins. Export the colour table again.`);
  return { title, dimensions, size, low, high, data };
};

const shown = (x: number): string => {
  const text = x.toFixed(6);
  return text.replace(/\.?0+$/, '') || '0';
};

/** A colour table as a .cube file (Adobe Cube LUT 1.0), in UTF-8. */
export const writeCube = (table: ColourTable): Uint8Array => {
  const lines = [
    ...(table.title ? [`TITLE "${table.title.replace(/"/g, "'").replace(/[\r\n]/g, ' ')}"`] : []),
    `LUT_${table.dimensions}D_SIZE ${table.size}`,
    `DOMAIN_MIN ${table.low.map(shown).join(' ')}`,
    `DOMAIN_MAX ${table.high.map(shown).join(' ')}`,
  ];
  for (let i = 0; i < table.data.length; i += 3)
    lines.push(`${shown(table.data[i]!)} ${shown(table.data[i + 1]!)} ${shown(table.data[i + 2]!)}`);
  return new TextEncoder().encode(lines.join('\n') + '\n');
};
