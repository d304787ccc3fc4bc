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
  /** How pages for viewers are opened beyond this computer; null where they are not. */
  readonly door: DoorSettings | null;
}

export interface DoorSettings {
  readonly port: number;
  /** Files with a certificate and its key; null where one is made for this network. */
  readonly certificate: { readonly cert: string; readonly key: string } | null;
}

const USAGE =
  'It takes --port N, --data DIR, --no-demo, --host NAME, --quota GB, --lan, --cert FILE, --key FILE and --viewers-port N.';

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
        lan: { type: 'boolean', default: false },
        cert: { type: 'string' },
        key: { type: 'string' },
        'viewers-port': { type: 'string' },
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
  const port = portOf('--port', values.port);
  const quota = Number(values.quota) * GB;
  if (!(quota > 0) || !Number.isFinite(quota))
    throw new IconiaError('options.quota', `--quota wants gigabytes above 0, not ${values.quota}.`);
  return {
    port,
    data: resolve(values.data ?? resolve(root, 'data')),
    demo: !values['no-demo'],
    hosts: values.host,
    quota,
    door: doorOf(values, port, root),
  };
};

const portOf = (name: string, said: string): number => {
  if (!/^\d+$/.test(said) || Number(said) > 65535)
    throw new IconiaError('options.port', `${name} wants a number from 0 to 65535, not ${said}.`);
  return Number(said);
};

const doorOf = (
  { lan, cert, key, host, ...values }: ReturnType<typeof parsed>,
  port: number,
  root: string,
): DoorSettings | null => {
  const said = values['viewers-port'];
  if ((cert === undefined) !== (key === undefined))
    throw new IconiaError(
      'options.certificate',
      'A certificate and its key belong together: give both --cert FILE and --key FILE.',
    );
  if (cert !== undefined && host.length === 0)
    throw new IconiaError(
      'options.certificate',
      'A certificate is for a name: say which with --host NAME, so that links can carry it.',
    );
  if (cert !== undefined && lan)
    throw new IconiaError(
      'options.certificate',
      '--lan makes a certificate of its own. Give either --lan, or --cert and --key with --host.',
    );
  if (cert === undefined && !lan) {
    if (said !== undefined)
      throw new IconiaError(
        'options.port',
        '--viewers-port is of use with --lan, or --cert and --key, only.',
      );
    return null;
  }
  return {
    // Beside the other one; any free one where that is any.
    port: said === undefined ? (port === 0 ? 0 : port + 1) : portOf('--viewers-port', said),
    certificate:
      cert === undefined || key === undefined ? null : { cert: resolve(root, cert), key: resolve(root, key) },
  };
};
