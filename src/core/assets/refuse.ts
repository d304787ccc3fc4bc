/** Sentences for files that cannot come in. Each names the file and the way out. */
import { IconiaError } from '../errors';

/** `code` is stable: `picture.too-large`, `model.cyclic`... */
export const refuse = (code: string, message: string, cause?: unknown): never => {
  throw new IconiaError(code, message, cause === undefined ? undefined : { cause });
};

/** A file that ends before what it announces. */
export const cutOff = (code: string, name: string): never =>
  refuse(
    `${code}.cut-off`,
    `${name} ends too early: it was probably cut off while it was copied. Copy or export it again.`,
  );

/** Turns whatever a reader threw into a sentence; sentences pass through. */
export const asRefusal = (error: unknown, code: string, message: string): IconiaError =>
  error instanceof IconiaError ? error : new IconiaError(code, message, { cause: error });

/** "1.5 MB", for sentences. */
export const megabytes = (bytes: number): string => {
  const mb = bytes / 1048576;
  return `${mb >= 10 ? Math.round(mb) : mb.toFixed(1)} MB`;
};
