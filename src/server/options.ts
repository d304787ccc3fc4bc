/** What the server is told when it is started. */
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { IconiaError } from '../core/errors';
import { QUOTA } from './app';

const GB = 1024 ** 3;

export interface ServerSettings {
  readonly port: number;
  /** The folder of all that is kept. */
  readonly data: string;
  /** Whether a new folder begins with the demo effects. */
  readonly demo: boolean;
  /** Further names it answers under. */
  readonly hosts: readonly string[];
  /** Bytes that files may take. */
  readonly quota: number;
}

const USAGE = 'It takes --port N, --data DIR, --no-demo, --host NAME and --quota GB.';

const parsed = (args: readonly string[]) => {
  try {
    return parseArgs({
      args: [...args],
      options: {
        port: { type: 'string', default: '4170' },
        data: { type: 'string' },
        'no-demo': { type: 'boolean', default: false },
        host: { type: 'string', multiple: true, default: [] },
        quota: { type: 'string', default: String(QUOTA / GB) },
      },
    }).values;
  } catch (error) {
    // The runtime's own words name the option.
    const [what] = String((error as Error).message).split('. ');
    throw new IconiaError('options.unknown', `Iconia does not start: ${what}. ${USAGE}`);
  }
};

/** Settings from the arguments; `root` is where the data folder lies when none is named. Throws sentences. */
export const readSettings = (args: readonly string[], root: string): ServerSettings => {
  const values = parsed(args);
  const port = Number(values.port);
  if (!/^\d+$/.test(values.port) || port > 65535)
    throw new IconiaError('options.port', `--port wants a number from 0 to 65535, not ${values.port}.`);
  const quota = Number(values.quota) * GB;
  if (!(quota > 0) || !Number.isFinite(quota))
    throw new IconiaError('options.quota', `--quota wants gigabytes above 0, not ${values.quota}.`);
  return {
    port,
    data: resolve(values.data ?? resolve(root, 'data')),
    demo: !values['no-demo'],
    hosts: values.host,
    quota,
  };
};
