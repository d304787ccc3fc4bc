/**
 * What the viewer reads and uses over the picture: prompts and controls. Plain elements, so that the atelier and the show page
 * show the very same; whoever mounts it ships `viewer-overlay.css`.
 */
import type { Program } from '../../core/program/program';
import type { AssetId, Control, ControlId, ControlOf, Prompt, ReadyPrompt } from '../../core/document/schema';

/** What is asked of the runtime. */
export interface Shown {
  readonly scene: string | null;
  readonly prompt: string | null;
  control(id: string): number;
}
export interface OverlayOptions {
  /** What a prompt says, in the viewer's language. */
  readonly textOf: (prompt: Pick<Prompt, 'text'>) => string;
  readonly onControl: (control: ControlId, value: number) => void;
  /** The end of a drag, or of one press. */
  readonly onDone?: () => void;
  /** Where the picture of an asset is. */
  readonly pictureUrl: (asset: AssetId) => string | null;
}

const make = <K extends keyof HTMLElementTagNameMap>(
  tag: K,
  className: string,
  text = '',
): HTMLElementTagNameMap[K] => {
  const element = document.createElement(tag);
  element.className = className;
  if (text) element.textContent = text;
  return element;
};

/** What is lost for a moment only is not asked for. */
const MISSING = 1200;

export class ViewerOverlay {
  readonly element = make('div', 'viewer-overlay');
  private readonly prompt = make('p', 'viewer-prompt');
  private readonly controls = make('div', 'viewer-controls');
  private built: readonly Control[] | null = null;
  private updates: ((shown: Shown) => void)[] = [];
  /** Since when what the effect needs is out of sight, milliseconds. */
  private missingSince: number | null = null;

  constructor(private readonly options: OverlayOptions) {
    this.prompt.setAttribute('role', 'status');
    this.prompt.hidden = true;
    this.element.append(this.prompt, this.controls);
  }

  /**
   * Brings it to what the runtime says now. `seeking` is asked of the viewer when it has been missing for a while and no prompt of the
   * effect is shown.
   */
  update(program: Program, shown: Shown, seeking: ReadyPrompt | null = null): void {
    if (this.built !== program.controls) this.build(program);
    for (const update of this.updates) update(shown);
    const prompt = program.prompts.find((p) => p.id === shown.prompt);
    const now = performance.now();
    this.missingSince = seeking ? (this.missingSince ?? now) : null;
    const asked = this.missingSince !== null && now - this.missingSince > MISSING ? seeking : null;
    const said = prompt ?? (asked ? { text: { kind: 'ready', key: asked } as const } : null);
    const text = said ? this.options.textOf(said) : '';
    if (this.prompt.textContent !== text) this.prompt.textContent = text;
    this.prompt.hidden = text === '';
    this.prompt.dataset.place = prompt?.place ?? 'top';
  }

  private build(program: Program): void {
    this.built = program.controls;
    this.controls.replaceChildren();
    this.updates = [];
    for (const control of program.controls) {
      const box = make('div', `viewer-control ${control.kind}`);
      box.setAttribute('role', 'group');
      box.setAttribute('aria-label', control.name);
      this.controls.append(box);
      this.updates.push((shown) => {
        box.hidden = control.scene !== null && shown.scene !== control.scene;
      });
      if (control.kind === 'slider') this.slider(box, control);
      else if (control.kind === 'choice') this.choice(box, control);
      else if (control.kind === 'switch') this.switch(box, control);
      else this.button(box, control);
    }
  }

  private icon(box: HTMLElement, asset: AssetId | null): void {
    const url = asset && this.options.pictureUrl(asset);
    if (!url) return;
    const image = make('img', 'viewer-icon');
    image.src = url;
    image.alt = '';
    box.append(image);
  }

  /** What stands at an end of a slider: a picture, else a sign. */
  private end(box: HTMLElement, asset: AssetId | null, sign: string): void {
    if (asset) this.icon(box, asset);
    else if (sign) {
      const said = make('span', 'viewer-sign', sign);
      said.setAttribute('aria-hidden', 'true');
      box.append(said);
    }
  }

  private slider(box: HTMLElement, control: ControlOf<'slider'>): void {
    const input = make('input', 'viewer-slider');
    input.type = 'range';
    input.min = String(Math.min(control.least, control.most));
    input.max = String(Math.max(control.least, control.most));
    input.step = control.step > 0 ? String(control.step) : 'any';
    input.setAttribute('aria-label', control.name);
    const value = make('output', 'viewer-value');
    const said = (n: number): string => `${Math.round(n * 100) / 100}${control.unit}`;
    let held = false;
    input.addEventListener('input', () => {
      held = true;
      value.textContent = said(input.valueAsNumber);
      this.options.onControl(control.id, input.valueAsNumber);
    });
    input.addEventListener('change', () => {
      held = false;
      this.options.onDone?.();
    });
    if (control.showsName) box.append(make('span', 'viewer-name', control.name));
    this.end(box, control.lowIcon, control.lowText);
    box.append(input);
    this.end(box, control.highIcon, control.highText);
    if (control.showsValue) box.append(value);
    this.updates.push((shown) => {
      const now = shown.control(control.id);
      if (held || Number.isNaN(now)) return;
      if (input.valueAsNumber !== now) input.value = String(now);
      value.textContent = said(now);
    });
  }

  private choice(box: HTMLElement, control: ControlOf<'choice'>): void {
    control.options.forEach((option, i) => {
      const button = make('button', 'viewer-choice');
      button.type = 'button';
      const url = option.picture && this.options.pictureUrl(option.picture);
      if (url) {
        const image = make('img', 'viewer-thumb');
        image.src = url;
        image.alt = '';
        button.append(image);
        button.setAttribute('aria-label', option.name);
      } else button.textContent = option.name;
      button.addEventListener('click', () => {
        this.options.onControl(control.id, i + 1);
        this.options.onDone?.();
      });
      box.append(button);
      this.updates.push((shown) =>
        button.setAttribute('aria-pressed', String(Math.round(shown.control(control.id)) === i + 1)),
      );
    });
  }

  private switch(box: HTMLElement, control: ControlOf<'switch'>): void {
    const button = make('button', 'viewer-switch', control.name);
    button.type = 'button';
    let on = false;
    button.addEventListener('click', () => {
      this.options.onControl(control.id, on ? 0 : 1);
      this.options.onDone?.();
    });
    box.append(button);
    this.updates.push((shown) => {
      on = shown.control(control.id) >= 0.5;
      button.setAttribute('aria-pressed', String(on));
    });
  }

  private button(box: HTMLElement, control: ControlOf<'button'>): void {
    const button = make('button', 'viewer-button', control.name);
    button.type = 'button';
    let presses = 0;
    button.addEventListener('click', () => {
      this.options.onControl(control.id, presses + 1);
      this.options.onDone?.();
    });
    box.append(button);
    this.updates.push((shown) => {
      presses = shown.control(control.id);
    });
  }
}
