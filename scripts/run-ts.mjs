// Bundles one TypeScript file with esbuild and runs it in Node: node scripts/run-ts.mjs FILE.ts [arguments]
import { build } from 'esbuild';
import { mkdirSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const [file, ...args] = process.argv.slice(2);
const out = `${root}dist/scripts/${file.replace(/[\\/]/g, '_').replace(/\.ts$/, '.mjs')}`;
mkdirSync(`${root}dist/scripts`, { recursive: true });
await build({
  entryPoints: [`${root}${file}`],
  outfile: out,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  alias: { '@': `${root}src` },
  logLevel: 'warning',
});
const child = spawn(process.execPath, ['--no-warnings', out, ...args], { stdio: 'inherit', cwd: root });
child.on('exit', (code, signal) => process.exit(signal ? 1 : (code ?? 1)));
