/**
 * How long a grade takes on a picture of 720 x 1280: a colour table of 33, each pass over the neighbours, and what a
 * plain copy of the picture takes. How long a circuit of 60 nodes takes until it is drawn, and what changing a material in
 * every frame costs. Drawn by the browser, without a graphics card where there is none.
 */
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { GradePage } from '../e2e/harness/grade-page';
import type { SurfacePage } from '../e2e/harness/surface-page';
import { writeCube } from '../src/core/assets/colour/cube';
import { tableOf } from '../src/core/assets/colour/table';
import { circuitOf, newSurfaceNode } from '../src/core/document/new-material';
import { newGradeStep } from '../src/core/edits/new-grade-step';
import type { AssetId, SurfaceCircuit, GradeStep, NodeId } from '../src/core/document/schema';
import { report } from './report';

const FRAMES = 15;
const cube = new TextDecoder().decode(
  writeCube(tableOf('Deep', 33, ([r, g, b]) => [r * 0.8, g, 0.1 + 0.9 * b])),
);
const table: GradeStep = {
  id: 'step_table',
  on: true,
  kind: 'table',
  asset: 'asset_table1' as AssetId,
  strength: 1,
};
const GRADES: Record<string, GradeStep[]> = {
  'grade-33': [table],
  'grade-exposure': [{ id: 'step_one1', on: true, kind: 'exposure', stops: 0.5 }],
  'grade-vignette': [newGradeStep('step_one2', 'vignette')],
  'grade-grain': [newGradeStep('step_one3', 'grain')],
  'grade-sharpen': [newGradeStep('step_one4', 'sharpen')],
  'grade-bloom': [newGradeStep('step_one5', 'bloom')],
};

/** A circuit of 60 nodes: 57 sums in a row over noise, a soft step, and the surface. */
const sixty = (): SurfaceCircuit => {
  const id = (i: number): NodeId => `node_bench${i}` as NodeId;
  const nodes = [newSurfaceNode(id(0), 'noise', [0, 0])];
  for (let i = 1; i <= 57; i++)
    nodes.push(
      newSurfaceNode(id(i), 'maths', [0, 0], {
        values: { does: i % 2 ? 'multiply' : 'add', b: i % 2 ? 1.01 : 0.002 },
        inputs: { a: { node: id(i - 1), port: 'value' } },
      }),
    );
  nodes.push(
    newSurfaceNode(id(58), 'smoothstep', [0, 0], { inputs: { value: { node: id(57), port: 'value' } } }),
    newSurfaceNode(id(59), 'surface', [0, 0], { inputs: { colour: { node: id(58), port: 'value' } } }),
  );
  return circuitOf(nodes);
};

const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await openBlank(browser, 'e2e/harness/grade-page.ts');
  const time = (steps: GradeStep[], copy = false): Promise<number> =>
    page.evaluate(([s, n]) => (window as unknown as { gradePage: GradePage }).gradePage.time(s, n), [
      { picture: 'vec3(vUv, 0.5)', steps, cube, size: 720, height: 1280, copy },
      FRAMES,
    ] as const);
  const bare = await time([]);
  const copy = (await time([], true)) - bare;
  report({ name: 'look.copy', value: copy, unit: 'ms' });
  for (const [name, steps] of Object.entries(GRADES)) {
    const taken = (await time(steps)) - bare;
    report({ name: `look.${name}`, value: taken, unit: 'ms', ratio: taken / copy, against: 'look.copy' });
  }
  await page.close();
  const surface = await openBlank(browser, 'e2e/harness/surface-page.ts');
  const circuit = sixty();
  const compiled = await surface.evaluate(
    (c) => (window as unknown as { surfacePage: SurfacePage }).surfacePage.compileTime(c, 360),
    circuit,
  );
  // Until it is drawn: code made in core, and the program made of it by the graphics.
  report({ name: 'look.surface-60.compile', value: compiled.core + compiled.drawn, unit: 'ms' });
  report({ name: 'look.surface-60.core', value: compiled.core, unit: 'ms' });
  const change = await surface.evaluate(
    (c) => (window as unknown as { surfacePage: SurfacePage }).surfacePage.changeTime(c, 360, 20),
    circuit,
  );
  report({ name: 'look.material-still', value: change.still, unit: 'ms' });
  // A colour and a number of the circuit are set anew in every frame.
  report({
    name: 'look.material-change',
    value: change.changing,
    unit: 'ms',
    ratio: change.changing / change.still,
    against: 'look.material-still',
  });
} finally {
  await browser.close();
}
