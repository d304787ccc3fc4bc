/** Starts the built server on a folder of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export interface RunningServer {
  readonly process: ChildProcess;
  readonly base: string;
  /** Gives the code it ended with; null when it was killed. */
  stop(): Promise<number | null>;
}

export interface ServerOptions {
  /** Of the server. */
  readonly args?: readonly string[];
  /** It lives shortly: making the database's code quick would cost more than it gives. Not for benches. */
  readonly briefly?: boolean;
  readonly onStarted?: (process: ChildProcess) => void;
}

export const startServer = async (
  data: string = mkdtempSync(join(tmpdir(), 'iconia-')),
  { args = [], briefly = false, onStarted }: ServerOptions = {},
): Promise<RunningServer> => {
  const child = spawn(
    process.execPath,
    [
      ...(briefly ? ['--liftoff-only'] : []),
      ...['dist/server/main.js', '--port', '0', '--data', data],
      ...args,
    ],
    { stdio: ['ignore', 'pipe', 'pipe'] },
  );
  onStarted?.(child);
  const base = await new Promise<string>((ready, fail) => {
    let said = '';
    const listen = (chunk: Buffer): void => {
      said += chunk.toString();
      const address = /open at (http:\/\/127\.0\.0\.1:\d+)/.exec(said)?.[1];
      if (address) ready(address);
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    child.once('exit', (code) => fail(new Error(`The server ended (${code}): ${said}`)));
  });
  return {
    process: child,
    base,
    stop: () =>
      new Promise((done) => {
        if (child.exitCode !== null || child.signalCode !== null) return done(child.exitCode);
        child.once('exit', done);
        child.kill('SIGTERM');
      }),
  };
};
