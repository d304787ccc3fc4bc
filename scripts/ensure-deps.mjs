// No dependencies: run by npm's prestart / pretest on a fresh clone.
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
const root = new URL('..', import.meta.url);
const lock = new URL('package-lock.json', root);
const stamp = new URL('node_modules/.lock-hash', root);
const want = createHash('sha256').update(readFileSync(lock)).update(process.version).digest('hex');
if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== want) {
  console.log('Installing dependencies (npm ci) ...');
  const npm = process.env.npm_execpath; // the npm that runs this script
  const r = npm
    ? spawnSync(process.execPath, [npm, 'ci', '--no-audit', '--no-fund'], { cwd: root, stdio: 'inherit' })
    : spawnSync('npm', ['ci', '--no-audit', '--no-fund'], {
        cwd: root,
        stdio: 'inherit',
        shell: process.platform === 'win32',
      });
  if (r.status !== 0) process.exit(r.status ?? 1);
  writeFileSync(stamp, want);
}
