/** Typefaces for words on the face: those of the effect, those that ship, and files of one's own. What is painted is pixels: no font goes along. */
import { IconiaError } from '../../core/errors';
import type { StockItem } from '../../core/stock/catalogue';
import { stockUrl } from '../stores/stock';

const loaded = new Map<string, string>();
let own = 0;

const familyFrom = async (key: string, bytes: ArrayBuffer): Promise<string> => {
  const kept = loaded.get(key);
  if (kept) return kept;
  const family = `painter-${++own}`;
  document.fonts.add(await new FontFace(family, bytes).load());
  loaded.set(key, `'${family}'`);
  return `'${family}'`;
};

/** The family of a typeface that ships. Throws a sentence when it cannot be had. */
export const shippedFamily = async ({ id, name, file }: StockItem): Promise<string> => {
  const response = await fetch(stockUrl(file));
  if (!response.ok)
    throw new IconiaError('painter.no-font', `${name} could not be loaded. Choose it once more.`);
  return familyFrom(`stock ${id}`, await response.arrayBuffer());
};

/** The family of a font file. Throws a sentence when it is none. */
export const ownFamily = async (file: File): Promise<string> => {
  try {
    return await familyFrom(`${file.name} ${file.size} ${file.lastModified}`, await file.arrayBuffer());
  } catch (cause) {
    throw new IconiaError(
      'painter.no-font',
      `${file.name} is no font that can be read. Choose a TTF, an OTF, a WOFF or a WOFF2.`,
      { cause },
    );
  }
};
