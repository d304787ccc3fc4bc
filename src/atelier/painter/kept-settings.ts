/** How the painter was set when it was used last, in this browser. What was kept may be damaged: it is checked when it is read. */
import { z } from 'zod';
import { BRUSH_TOOLS } from '../../core/painter/brush';
import { hexText } from '../../core/schema/properties';

export const PAINT_TOOLS = [...BRUSH_TOOLS, 'gradient', 'lasso'] as const;
export type PaintTool = (typeof PAINT_TOOLS)[number];

/** Of the brush, in pixels of the layout. */
export const LEAST_BRUSH = 2;
export const MOST_BRUSH = 400;

const unit = z.number().min(0).max(1);
const settingsSchema = z.strictObject({
  tool: z.enum(PAINT_TOOLS),
  size: z.number().min(LEAST_BRUSH).max(MOST_BRUSH),
  hardness: unit,
  flow: unit,
  /** Of masks, of pictures. */
  colours: z.strictObject({ mask: hexText(), picture: hexText() }),
  mirrored: z.boolean(),
  net: z.boolean(),
  regions: z.boolean(),
});
export type PainterSettings = z.infer<typeof settingsSchema>;

export const FIRST_SETTINGS: PainterSettings = {
  tool: 'paint',
  size: 64,
  hardness: 0.4,
  flow: 0.7,
  colours: { mask: '#ffffff', picture: '#0f6b62' },
  mirrored: true,
  net: false,
  regions: true,
};

const KEY = 'iconia.painter';

export const readSettings = (): PainterSettings => {
  try {
    return settingsSchema.parse(JSON.parse(localStorage.getItem(KEY) ?? 'null'));
  } catch {
    return structuredClone(FIRST_SETTINGS);
  }
};
export const keepSettings = (settings: PainterSettings): void => {
  try {
    localStorage.setItem(KEY, JSON.stringify(settings));
  } catch {
    // A full or closed storage costs the settings, and nothing that was painted.
  }
};
