// Builds pages, tracker worker and server into dist/. Skips what is up to date with its sources.
import { build as esbuild } from 'esbuild';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { spawnSync } from 'node:child_process';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

const root = fileURLToPath(new URL('..', import.meta.url));
const at = (path) => join(root, path);

function* filesUnder(path) {
  if (!existsSync(path)) return;
  if (statSync(path).isFile()) yield path;
  else for (const name of readdirSync(path).sort()) yield* filesUnder(join(path, name));
}
/** A fingerprint of files and folders, tests left out. */
function fingerprint(...paths) {
  const hash = createHash('sha256');
  for (const path of paths)
    for (const file of filesUnder(at(path)))
      if (!file.endsWith('.test.ts')) hash.update(file.slice(root.length)).update(readFileSync(file));
  return hash.digest('hex');
}
/** Runs `work` unless it was done with the same sources before. */
async function step(name, sources, work) {
  const stamp = at(`dist/.${name}`);
  const now = fingerprint('package-lock.json', 'scripts/build.mjs', ...sources);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  const started = Date.now();
  await work();
  writeFileSync(stamp, now);
  console.log(`Built ${name} (${((Date.now() - started) / 1000).toFixed(1)} s)`);
}
function run(command, args, env = {}) {
  const result = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, ...env },
  });
  if (result.status !== 0) process.exit(result.status ?? 1);
}

/** Packs what browsers take packed once, so that the server need not do it at each request. */
async function packAssets(folder) {
  const packs = { '.gz': promisify(gzip), '.br': promisify(brotliCompress) };
  const options = { '.gz': { level: 9 }, '.br': { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } } };
  const files = [...filesUnder(folder)].filter(
    (file) => /\.(js|css|svg|json|wasm)$/.test(file) && statSync(file).size > 1024,
  );
  await Promise.all(
    files.flatMap((file) =>
      Object.keys(packs).map(async (ending) =>
        writeFileSync(file + ending, await packs[ending](readFileSync(file), options[ending])),
      ),
    ),
  );
}

mkdirSync(at('dist/server'), { recursive: true });
const pages = process.argv.includes('--no-pages')
  ? Promise.resolve()
  : step(
      'pages',
      [
        'src/core',
        'src/stage',
        'src/tracker',
        'src/intake',
        'src/atelier',
        'src/show',
        'index.html',
        'show.html',
        'rehearse.html',
        'vite.config.ts',
        'public',
      ],
      async () => {
        // The first empties the folder.
        for (const page of ['index', 'show'])
          run(process.execPath, [at('node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'], {
            ICONIA_PAGE: page,
          });
        await packAssets(at('dist/client/assets'));
      },
    );
await pages;
await step('tracker', ['src/core', 'src/tracker'], () =>
  // A classic worker: the tracker package loads its parts with importScripts.
  esbuild({
    entryPoints: ['face', 'hand', 'person', 'picture', 'strength'].map((name) =>
      at(`src/tracker/${name}-worker.ts`),
    ),
    outdir: at('dist/trackers'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    logLevel: 'warning',
  }),
);
await step('server', ['src/core', 'src/server'], () =>
  esbuild({
    entryPoints: [
      at('src/server/main.ts'),
      at('src/server/make-template.ts'),
      { in: at('src/server/jobs/job-worker.ts'), out: 'job-worker' },
    ],
    outdir: at('dist/server'),
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    sourcemap: true,
    logLevel: 'warning',
  }),
);
await step(
  'template',
  ['src/server/migrations', 'src/server/database.ts', 'src/server/template.ts', 'src/server/synced-fs.ts'],
  () => run(process.execPath, [at('dist/server/make-template.js'), at('dist/server/template.zip.gz')]),
);
