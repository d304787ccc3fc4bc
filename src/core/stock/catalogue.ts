/** The catalogue of what ships with Iconia: `stock/catalogue.json`, written by `npm run stock`. */
import { z } from 'zod';
import { gridSchema } from '../schema/asset-schema';

export const STOCK_GROUPS = [
  'Solids',
  'Jewellery',
  'Sea creatures',
  'Sequences',
  'Sprite sheets',
  'Pictures',
  'Icons',
  'Textures',
  'Make-up masks',
  'Light surroundings',
  'Sounds',
  'Colour tables',
  'Fonts',
  'Face layout',
] as const;

export const stockItemSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{2,60}$/),
  name: z.string().min(1).max(80),
  group: z.enum(STOCK_GROUPS),
  /** One line on what it is good for. */
  about: z.string().max(200),
  /** Under the stock's address. */
  file: z.string().regex(/^[a-z0-9-]+\/[a-z0-9-]+\.[a-z0-9]+$/),
  preview: z.string().nullable(),
  bytes: z.number().int().positive(),
  /** A picture that holds frames. */
  sheet: z
    .strictObject({ grid: gridSchema, frames: z.number().int().min(1), rate: z.number().positive() })
    .nullable(),
  /** For downloading only: it is no asset. */
  download: z.boolean(),
});
export const catalogueSchema = z.array(stockItemSchema);

export type StockItem = z.infer<typeof stockItemSchema>;
export type StockGroup = StockItem['group'];
