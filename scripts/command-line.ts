/** What commands share: their arguments, paths as they are meant, and how they end when they are called wrongly. */
import { resolve } from 'node:path';
import { parseArgs, type ParseArgsConfig } from 'node:util';
import { sentence } from '../src/core/errors';

/** Says what is wrong and ends with 2. */
export const stop = (words: string): never => {
  console.error(words);
  process.exit(2);
};

/** Options by name and the files that are named; `usage` is said where they make no sense, or no file is named. */
export const argumentsOf = <Options extends NonNullable<ParseArgsConfig['options']>>(
  options: Options,
  usage: string,
) => {
  try {
    const parsed = parseArgs({ allowPositionals: true, options });
    if (parsed.positionals.length === 0) return stop(`Say which package is meant.\n${usage}`);
    return parsed;
  } catch (error) {
    return stop(`${sentence(error)}\n${usage}`);
  }
};

/** npm runs scripts in the project's folder; paths are meant from where it was called. */
export const pathOf = (path: string): string => resolve(process.env.INIT_CWD ?? process.cwd(), path);
