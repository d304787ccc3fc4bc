/** A model as it is kept. */
import type { ExpressionModel, PackedExpressionModel } from '../../src/core/face/expression-model';

const digits = (of: Float64Array): number[] => [...of].map((v) => Number(v.toPrecision(6)));

/** Packs a model; each row in 16 bit whole numbers of its own scale. */
export const pack = ({ names, rows, gram, turned }: ExpressionModel): PackedExpressionModel => {
  const scales = rows.map((row) => Math.max(...row.map(Math.abs)) / 32767);
  const bytes = Buffer.alloc(2 * rows.reduce((sum, row) => sum + row.length, 0));
  let at = 0;
  for (const [k, row] of rows.entries())
    for (const v of row) at = bytes.writeInt16LE(Math.round(v / scales[k]!), at);
  return {
    names,
    rows: bytes.toString('base64'),
    scales: digits(Float64Array.from(scales)),
    gram: digits(gram),
    turned: digits(turned),
  };
};
