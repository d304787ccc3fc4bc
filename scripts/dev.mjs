// npm run dev: the server on its own data (data/dev), pages by Vite with hot reloading.
import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
process.argv.push('--no-pages');
await import('./build.mjs');
const env = { ...process.env, ICONIA_ROOT: root, ICONIA_LOG: 'info', ICONIA_DEV: '1' };
const children = [
  spawn(process.execPath, [`${root}dist/server/main.js`, '--port', '4174', '--data', `${root}data/dev`], {
    env,
    stdio: 'inherit',
  }),
  spawn(process.execPath, [`${root}node_modules/vite/bin/vite.js`], { cwd: root, env, stdio: 'inherit' }),
];
const stop = () => children.forEach((child) => child.kill('SIGTERM'));
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
children.forEach((child) => child.on('exit', stop));
