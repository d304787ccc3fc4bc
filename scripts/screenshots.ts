/** Takes the pictures in docs/screenshots from the demo data: npm run screenshots [name...] */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { choose } from '../e2e/harness/behave';
import { assetShots } from './asset-shots';
import { placeShots } from './place-shots';

const PORT = 4188;
const base = `http://127.0.0.1:${PORT}`;
const only = process.argv.slice(2);
const data = mkdtempSync(join(tmpdir(), 'iconia-shots-'));
const server = spawn(process.execPath, ['dist/server/main.js', '--port', String(PORT), '--data', data], {
  stdio: 'inherit',
});
const healthy = async (): Promise<void> => {
  for (let i = 0; i < 120; i++) {
    if (
      await fetch(`${base}/healthz`)
        .then((r) => r.ok)
        .catch(() => false)
    )
      return;
    await new Promise((next) => setTimeout(next, 250));
  }
  throw new Error('The server did not start.');
};

const effects = async (): Promise<readonly { id: string; name: string; revision: number }[]> => {
  const { items } = (await (await fetch(`${base}/api/effects`)).json()) as {
    items: { id: string; name: string; revision: number }[];
  };
  return items;
};

const settle = async (page: Page): Promise<void> => {
  // Until no still is on its way and the Viewfinder has stopped drawing.
  let last = '';
  for (let quiet = 0; quiet < 4;) {
    await page.waitForTimeout(700);
    const now = await page.evaluate(() =>
      JSON.stringify([
        document.querySelector('[data-drawn]')?.getAttribute('data-drawn'),
        document.querySelectorAll('img').length,
        [...document.querySelectorAll('.film i')].filter((i) => (i as HTMLElement).style.backgroundImage)
          .length,
      ]),
    );
    quiet = now === last ? quiet + 1 : 0;
    last = now;
  }
};
const seek = async (page: Page, seconds: number): Promise<void> => {
  const track = page.getByRole('slider', { name: 'Time in the take' });
  const box = (await track.boundingBox())!;
  await page.mouse.click(box.x + (seconds / 12) * box.width, box.y + 20);
};

const shots: Record<string, (page: Page, id: string) => Promise<void>> = {
  home: async (page) => {
    await page.goto(base);
    // Every effect in sight has its picture.
    await page.waitForFunction(() => {
      const seen = [...document.querySelectorAll('.thumb')].filter(
        (thumb) => thumb.getBoundingClientRect().top < innerHeight,
      );
      return seen.length > 0 && seen.every((thumb) => thumb.querySelector('.film, img'));
    });
    await page.waitForTimeout(1000);
  },
  place: async (page, id) => {
    await page.goto(`${base}/effects/${id}/place`);
    await page.getByRole('button', { name: 'Kelp band', exact: true }).click();
    await seek(page, 0.5);
  },
  style: async (page) => {
    await page.goto(base);
    await page.getByRole('link', { name: 'Open Deep Booth' }).click();
    await page.getByRole('button', { name: 'Style', exact: true }).click();
    await page.getByRole('button', { name: 'Under water', exact: true }).click();
    await page.getByRole('button', { name: 'Compare' }).click();
    await seek(page, 6.2);
  },
  makeup: async (page) => {
    await page.goto(base);
    await page.getByRole('link', { name: 'Open Salt Glow' }).click();
    await page.getByRole('button', { name: 'Style', exact: true }).click();
    await page.getByRole('button', { name: 'Salt on the lids', exact: true }).click();
    await seek(page, 0.5);
  },
  painter: async (page) => {
    await page.goto(base);
    await page.getByRole('link', { name: 'Open Salt Glow' }).click();
    await page.getByRole('button', { name: 'Style', exact: true }).click();
    await page.getByRole('button', { name: 'Salt on the lids', exact: true }).click();
    await page.getByRole('button', { name: 'Paint its mask' }).click();
    await page.waitForTimeout(2000);
    const box = (await page.locator('.layout').boundingBox())!;
    const at = (u: number, v: number) => [box.x + u * box.width, box.y + v * box.height] as const;
    await page.mouse.move(...at(0.2, 0.37));
    await page.mouse.down();
    for (let i = 0; i <= 10; i++)
      await page.mouse.move(...at(0.2 + 0.016 * i, 0.37 - 0.045 * Math.sin(i / 4)));
    await page.mouse.up();
    await page.waitForTimeout(3000);
  },
  material: async (page, id) => {
    // On an effect of its own: the pictures after this one show Kelp Crown as it ships.
    const { document } = (await (await fetch(`${base}/api/effects/${id}`)).json()) as { document: object };
    const copy = await page.request.post(`${base}/api/effects`, {
      data: { ...document, name: 'Glass Crown' },
    });
    await page.goto(`${base}/effects/${((await copy.json()) as { id: string }).id}/style`);
    await page.getByRole('button', { name: '+ Add object' }).click();
    await page.locator('.ant-dropdown-menu-submenu-title', { hasText: 'Solid' }).hover();
    await page
      .getByRole('menuitem', { name: 'Sphere', exact: true })
      .evaluate((found: HTMLElement) => found.click());
    await page.getByRole('tab', { name: 'Material' }).click();
    await page.getByRole('button', { name: 'Ready ones' }).click();
    await page.getByRole('button', { name: 'Sea glass' }).click();
    await page.waitForTimeout(2500);
  },
  circuit: async (page) => {
    await page.goto(base);
    await page.getByRole('link', { name: 'Open Deep Booth' }).click();
    await page.getByRole('button', { name: 'Style', exact: true }).click();
    await page.getByRole('button', { name: 'Water light', exact: true }).click();
    await page.getByRole('tab', { name: 'Circuit' }).click();
    await seek(page, 1.2);
  },
  behave: async (page, id) => {
    await page.goto(`${base}/effects/${id}/behave`);
    await seek(page, 8.3);
    await page.locator('.action', { hasText: 'size from' }).click();
    await page.getByRole('button', { name: /^Curve/ }).click();
    await page.getByRole('button', { name: 'Drawn' }).click();
    await page.waitForTimeout(2500);
  },
  'behaviour-circuit': async (page) => {
    await page.goto(base);
    await page.getByRole('link', { name: 'Open Tide Card' }).click();
    await page.getByRole('button', { name: 'Behave', exact: true }).click();
    await page.getByRole('button', { name: 'Lighthouse', exact: true }).first().click();
    await page.getByRole('tab', { name: 'Circuits' }).click();
    const panel = page.getByRole('region', { name: 'Circuits' });
    await panel.getByRole('button', { name: 'Make a circuit' }).click();
    // Each tap counts; what is counted swings the lighthouse, further each time, on a spring.
    for (const [node, into, from] of [
      ['screen is tapped', null, null],
      ['Counter: Counts', 'up of Counter', 'Trigger: event'],
      ['Remap: Carries', 'value of Remap', 'Counter: count'],
      ['Spring: Follows', 'value of Spring', 'Remap: value'],
      ['Write: Writes', 'value of Write', 'Spring: value'],
    ] as const) {
      await choose(panel, 'Add a node', node);
      if (into) await choose(panel, `${into} comes from`, from);
    }
    await page.getByRole('button', { name: 'Widen the board over the Stack' }).click();
    await panel.getByRole('button', { name: 'Lay the nodes out in columns' }).click();
    await panel.getByRole('article', { name: 'Remap', exact: true }).locator('header').click();
    await panel
      .getByRole('article', { name: 'Spring', exact: true })
      .locator('header')
      .click({ modifiers: ['Control'] });
    await panel.getByRole('button', { name: 'Lay a named area' }).click();
    await panel.getByLabel('Name of the area').fill('How far it swings');
    await page.locator('.finder canvas').click({ position: { x: 60, y: 60 } });
    await seek(page, 6.2);
    await page.locator('.finder canvas').click({ position: { x: 60, y: 60 } });
    await panel.getByRole('article', { name: 'Spring', exact: true }).locator('header').click();
    await page.waitForTimeout(2500);
  },
  script: async (page) => {
    await page.goto(base);
    await page.getByRole('link', { name: 'Open Crab Catch' }).click();
    await page.getByRole('button', { name: 'Behave', exact: true }).click();
    await seek(page, 0.5);
    await page.locator('.finder canvas').click({ position: { x: 60, y: 60 } });
    await seek(page, 6.2);
    await page.getByRole('tab', { name: 'Circuits' }).click();
    const panel = page.getByRole('region', { name: 'Circuits' });
    await panel.getByRole('button', { name: 'Write The game' }).click();
    await panel.getByRole('button', { name: 'Over the Stack' }).click();
    await page.waitForTimeout(4000);
  },
  controls: async (page, id) => {
    await page.goto(`${base}/effects/${id}/behave`);
    await page.getByRole('tab', { name: 'Controls and prompts' }).click();
    await page.getByRole('button', { name: 'Bubbles', exact: true }).click();
    await seek(page, 3.2);
    await page.waitForTimeout(2500);
  },
  scope: async (page) => {
    await page.goto(base);
    await page.getByRole('link', { name: 'Open Jelly Drift' }).click();
    await page.getByRole('button', { name: 'Behave', exact: true }).click();
    await page.getByRole('button', { name: 'Jellyfish', exact: true }).click();
    await page.getByRole('tab', { name: 'Scope' }).click();
    await page.getByRole('button', { name: '+ Signal' }).click();
    await page.getByRole('button', { name: '+ Signal' }).click();
    await page.locator('.scope').getByRole('button', { name: 'Jellyfish opacity' }).last().click();
    await page.locator('.scope .ant-select', { has: page.locator('[aria-label="Signal"]') }).click();
    await page.keyboard.type('turn y');
    await page.locator('.ant-select-item-option', { hasText: 'turn y (°)' }).first().click();
    await page.getByRole('button', { name: 'Jellyfish turn y (°)' }).click();
    await seek(page, 5.6);
    await page.waitForTimeout(3000);
  },
  try: async (page, id) => {
    await page.goto(`${base}/effects/${id}/try`);
    await settle(page);
    const track = page.getByRole('slider', { name: 'Time in the take' });
    const box = (await track.boundingBox())!;
    await page.mouse.click(box.x + 0.3 * box.width, box.y + 20);
    await page.getByRole('tab', { name: 'Wall of takes' }).click();
    await page.locator('figure[aria-busy="false"]').nth(5).waitFor({ timeout: 120_000 });
    await settle(page);
  },
  takes: async (page) => {
    await page.goto(`${base}/takes`);
    await page.waitForSelector('.take-film i');
    await page.waitForTimeout(2500);
  },
  'take-editor': async (page) => {
    await page.goto(`${base}/takes/new?from=two-people`);
    await page.getByRole('button', { name: 'Pause' }).click();
    await page.waitForTimeout(4000);
    const track = page.getByRole('slider', { name: 'Time in the take' });
    const box = (await track.boundingBox())!;
    await page.mouse.click(box.x + 0.3 * box.width, box.y + 11);
    await page.waitForTimeout(2000);
  },
  release: async (page, id) => {
    await page.goto(`${base}/effects/${id}/release`);
    await page.getByRole('button', { name: /Release version/ }).click();
    await page.getByTestId('address').waitFor();
  },
  show: async (page) => {
    await page.goto(`${base}/`);
    const first = (await effects()).find((e) => e.name === 'Kelp Crown');
    const released = (await (
      await fetch(`${base}/api/effects/${first!.id}/releases`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ revision: first!.revision }),
      })
    ).json()) as { slug: string };
    await page.goto(`${base}/show/${released.slug}`);
    await page.waitForSelector('#start:not([hidden])');
    await page.waitForTimeout(5000);
  },
  ...placeShots,
  ...assetShots,
};

try {
  await healthy();
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  for (const [name, take] of Object.entries(shots)) {
    if (only.length > 0 && !only.includes(name)) continue;
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: base });
    page.on('pageerror', (error) => console.log(name, 'page error:', error.message));
    page.on('console', (m) => m.type() === 'error' && console.log(name, 'console:', m.text()));
    // Other effects come with the pictures before this one.
    const effect = (await effects()).find((e) => e.name === 'Kelp Crown');
    await take(page, effect!.id);
    if (!['home', 'show', 'takes', 'take-editor'].includes(name)) await settle(page);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
    await page.close();
    console.log(`docs/screenshots/${name}.png`);
  }
  await browser.close();
} finally {
  server.kill('SIGTERM');
  server.once('exit', () => rmSync(data, { recursive: true, force: true }));
}
