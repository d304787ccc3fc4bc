/** Opens a blank page with a bundle of the project's own modules in it. */
import { build } from 'esbuild';
import type { Browser, Page } from '@playwright/test';
import { keepDrawings } from './drawings';

const bundles = new Map<string, Promise<string>>();

const bundle = (entry: string): Promise<string> => {
  const made =
    bundles.get(entry) ??
    build({
      entryPoints: [entry],
      bundle: true,
      write: false,
      format: 'iife',
      target: 'es2022',
      logLevel: 'warning',
    }).then((result) => result.outputFiles[0]!.text);
  bundles.set(entry, made);
  return made;
};

/** `entry` is a path from the project's root. Edges that are not `smooth` are drawn in half the time. */
export const openBlank = async (
  browser: Browser,
  entry: string,
  { smooth = true }: { readonly smooth?: boolean } = {},
): Promise<Page> => {
  const page = await browser.newPage({ viewport: { width: 400, height: 400 } });
  if (!smooth) await page.addInitScript(keepDrawings);
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  // An address of its own, answered here: codecs are only given to pages that count as secure.
  await page.route('http://localhost/harness', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<!doctype html><title>harness</title>' }),
  );
  await page.goto('http://localhost/harness');
  await page.addScriptTag({ content: await bundle(entry) });
  if (errors.length > 0) throw new Error(`${entry}: ${errors.join('; ')}`);
  return page;
};
