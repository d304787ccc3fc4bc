/** Bringing files in, in the browser, by the worker that ships: a dense model, a deep stack of layers, many frames. */
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { artworkPsd, denseModel, framesZip, type MadeFile } from '../e2e/harness/files';
import { startServer } from '../e2e/harness/server';
import { writeGlb } from '../src/core/assets/models/open-model';
import type { IntakeBench } from './intake-page';
import { median, report } from './report';

const TIMES = 3;
const folder = mkdtempSync(join(tmpdir(), 'iconia-bench-'));
const server = await startServer(join(folder, 'data'));
const worker = readdirSync('dist/client/assets/workers').find((f) => /^intake-worker-.*\.js$/.test(f))!;
const { outputFiles } = await build({
  entryPoints: ['bench/intake-page.ts'],
  bundle: true,
  write: false,
  format: 'iife',
  target: 'es2022',
  logLevel: 'warning',
});
const script = outputFiles[0]!.text;

/** Most memory the browser's process for the page ever held, in bytes (Linux, VmHWM). */
const peakOf = (pid: number): number =>
  Number(/VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) * 1024;

/** A browser of its own for each run, so that its peak is that of the run. */
const run = async (file: string, triangles: number | null) => {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage();
    await page.goto(`${server.base}/stock`);
    await page.evaluate(script);
    await page.setInputFiles('#bench', file);
    const session = await browser.newBrowserCDPSession();
    const { processInfo } = await session.send('SystemInfo.getProcessInfo');
    const pids = processInfo.filter((p) => p.type === 'renderer').map((p) => p.id);
    const before = Math.max(...pids.map(peakOf));
    const done = await page.evaluate(
      ([url, triangles]) =>
        (window as unknown as { intakeBench: IntakeBench }).intakeBench.run(url, triangles),
      [`/assets/workers/${worker}`, triangles] as const,
    );
    return { ...done, memory: Math.max(...pids.map(peakOf)) - before };
  } finally {
    await browser.close();
  }
};

const measured = async (made: MadeFile, triangles: number | null = null) => {
  const file = join(folder, made.name);
  writeFileSync(file, made.bytes);
  const runs = [];
  for (let i = 0; i < TIMES; i++) runs.push(await run(file, triangles));
  return {
    ...runs[0]!,
    seconds: median(runs.map((r) => r.seconds)),
    memory: median(runs.map((r) => r.memory)),
  };
};

try {
  const dense = await measured({ name: 'dense.glb', bytes: await writeGlb(denseModel(100_000)) }, 10_000);
  if (dense.triangles > 10_000 || dense.triangles < 5000)
    throw new Error(`${dense.triangles} triangles are left.`);
  report({ name: 'asset.glb-100k-to-10k', value: dense.seconds, unit: 's' });
  report({ name: 'asset.glb-100k-to-10k.deviation', value: dense.deviation * 100, unit: '% of size' });

  const layers = await measured(artworkPsd('scales.psd', 200));
  if (layers.drafts !== 200) throw new Error(`${layers.drafts} layers came in.`);
  report({ name: 'asset.psd-200-layers', value: layers.seconds, unit: 's' });

  const frames = await measured(framesZip('bubbles.zip', 240, 512));
  report({ name: 'asset.zip-240-frames', value: frames.seconds, unit: 's' });
  report({ name: 'asset.zip-240-frames.memory', value: frames.memory / 1024 / 1024, unit: 'MB' });
} finally {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
}
