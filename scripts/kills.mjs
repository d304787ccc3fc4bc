// npm run kills: the server killed 200 times, in the midst of saves, uploads and releases at once, and at first starts.
import { spawnSync } from 'node:child_process';

const jest = [
  '--experimental-vm-modules',
  '--no-warnings',
  'node_modules/jest/bin/jest.js',
  'src/server/kills',
];
const run = spawnSync(process.execPath, jest, { stdio: 'inherit', env: { KILLS: '200', ...process.env } });
process.exit(run.status ?? 1);
