/** A creator's hand on the pages: what it clicks, drags, drops and types, counted. */
import { expect, type Locator, type Page } from '@playwright/test';
import { drop } from '../harness/drop';
import { drawnOut, saved } from '../harness/pages';
import { finderOf, row } from '../harness/place';

export class Hand {
  /** Clicks, drags, keys and typed values so far. */
  count = 0;

  constructor(readonly page: Page) {}

  private on(what: string | RegExp | Locator): Locator {
    return typeof what === 'string'
      ? this.page.getByRole('button', { name: what, exact: true }).first()
      : what instanceof RegExp
        ? this.page.getByRole('button', { name: what }).first()
        : what;
  }
  /** A button by its name, or any part of a page. */
  async click(what: string | RegExp | Locator, options: Parameters<Locator['click']>[0] = {}): Promise<void> {
    await this.on(what).click(options);
    this.count++;
  }
  async key(key: string): Promise<void> {
    await this.page.keyboard.press(key);
    this.count++;
  }
  /** A value typed into a number or a text field. */
  async type(name: string | RegExp, value: string, within: Page | Locator = this.page): Promise<void> {
    const number = within.getByRole('spinbutton', { name, exact: typeof name === 'string' }).first();
    const field =
      (await number.count()) > 0
        ? number
        : within.getByLabel(name, { exact: typeof name === 'string' }).first();
    await field.fill(value);
    await field.press('Enter');
    this.count++;
  }
  /** A choice from a list: one click opens it, one takes. */
  async choose(name: string, option: string | RegExp, within: Page | Locator = this.page): Promise<void> {
    await within
      .locator('.ant-select', { has: this.page.locator(`[aria-label="${name}"]`) })
      .last()
      .click();
    const list = this.page.locator('.ant-select-dropdown:visible');
    const search = this.page.getByRole('combobox', { name, exact: true }).last();
    if (typeof option === 'string' && (await search.isEditable()))
      await this.page.keyboard.type(option.slice(0, 24));
    const offered = list.locator('.ant-select-item-option');
    await (
      typeof option === 'string'
        ? offered.filter({ has: this.page.getByText(option, { exact: true }) })
        : offered.filter({ hasText: option })
    )
      .first()
      .click();
    this.count += 2;
  }
  /** Something of a menu that is opened by a button; submenus open under the pointer. */
  async menu(button: string | RegExp | Locator, ...path: string[]): Promise<void> {
    await this.on(button).click();
    for (const [i, name] of path.entries()) {
      if (i < path.length - 1)
        await this.page.locator('.ant-dropdown-menu-submenu-title:visible', { hasText: name }).hover();
      else {
        const item = this.page
          .locator('.ant-dropdown:visible, .ant-dropdown-menu-submenu:visible')
          .getByRole('menuitem', { name: new RegExp(`^${name.replace(/[()]/g, '\\$&')}( for .*)?$`) })
          .last();
        await item.evaluate((found: HTMLElement) => found.click());
      }
    }
    this.count += 2;
  }
  /** Files dropped at once onto a part of the page; the middle of the Viewfinder without. */
  async drop(paths: readonly string[], on?: Locator, at?: readonly [number, number]): Promise<void> {
    await drop(this.page, paths, on ?? finderOf(this.page), at);
    this.count++;
    await expect(this.page.getByText(/^\d+ of \d+ came in$/)).toBeVisible({ timeout: 20_000 });
  }
  /** A stroke over a part of the page, 0..1 from its top left; one point is a press. */
  async stroke(on: Locator, points: readonly (readonly [number, number])[]): Promise<void> {
    const box = (await on.boundingBox())!;
    for (const [i, [u, v]] of points.entries()) {
      await this.page.mouse.move(box.x + u * box.width, box.y + v * box.height);
      if (i === 0) await this.page.mouse.down();
    }
    await this.page.mouse.up();
    this.count++;
  }
  /** Begins on Home. */
  async begin(starter: string): Promise<void> {
    await this.page.goto('/');
    await this.click(new RegExp(`^${starter}`));
    await expect(finderOf(this.page)).toBeVisible({ timeout: 20_000 });
    await drawnOut(this.page);
  }
  async stage(name: 'Place' | 'Style' | 'Behave' | 'Try'): Promise<void> {
    await this.key(String(['Place', 'Style', 'Behave', 'Try'].indexOf(name) + 1));
  }
  async select(name: string, ...others: string[]): Promise<void> {
    await this.click(row(this.page, name).first());
    for (const other of others) await this.click(row(this.page, other).first(), { modifiers: ['Control'] });
  }
  /** A ready-made cue for what is selected, sought by a word. */
  async recipe(seek: string, name: RegExp): Promise<void> {
    await this.click(this.page.getByRole('button', { name: '+ Recipe', exact: true }).last());
    await this.page.getByLabel('Seek a recipe').fill(seek);
    this.count++;
    await this.page
      .getByRole('list', { name: 'Recipes found' })
      .getByRole('button', { name })
      .first()
      .dblclick();
    this.count++;
  }
  /** A ready-made cue from two halves. */
  async halves(then: string, when: string): Promise<void> {
    await this.click(this.page.getByRole('button', { name: '+ Recipe', exact: true }).last());
    await this.choose('Then half', then);
    await this.choose('When half', when);
    await this.click(/^Add it/);
  }
  saved = (): Promise<void> => saved(this.page);
}
