/** Lays out a script as is usual. */
import { IconiaError } from '../../core/errors';

/** Throws `IconiaError` `script.unreadable`: it cannot be laid out before it can be read. */
export const formattedScript = async (source: string): Promise<string> => {
  const [prettier, typescript, estree] = await Promise.all([
    import('prettier/standalone'),
    import('prettier/plugins/typescript'),
    import('prettier/plugins/estree'),
  ]);
  try {
    return await prettier.format(source, {
      parser: 'typescript',
      plugins: [typescript.default, estree.default],
      singleQuote: true,
      printWidth: 90,
    });
  } catch (error) {
    const message = String((error as Error).message).split('\n')[0]!;
    throw new IconiaError('script.unreadable', `It cannot be laid out before it can be read: ${message}`);
  }
};
