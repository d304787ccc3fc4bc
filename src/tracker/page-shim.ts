/**
 * The tracker package has a worker branch that does not work (it cannot locate its packed files). This makes
 * a classic worker look enough like a page for the page branch to run in it.
 */
interface FakeElement {
  readonly tag: string;
  src?: string;
  style: Record<string, string>;
  setAttribute(name: string, value: string): void;
  addEventListener(type: string, listener: (event: object) => void): void;
  listeners: Record<string, ((event: object) => void)[]>;
}

declare const importScripts: (...urls: string[]) => void;

const createElement = (tag: string): FakeElement | OffscreenCanvas => {
  if (tag === 'canvas') {
    const canvas = new OffscreenCanvas(300, 150);
    return Object.assign(canvas, {
      style: {},
      getBoundingClientRect: () => ({ left: 0, top: 0, width: canvas.width, height: canvas.height }),
    });
  }
  const listeners: FakeElement['listeners'] = {};
  const element: FakeElement = {
    tag,
    style: {},
    listeners,
    setAttribute(name, value) {
      (element as unknown as Record<string, string>)[name] = value;
    },
    addEventListener(type, listener) {
      (listeners[type] ??= []).push(listener);
    },
  };
  return element;
};

const appendChild = (element: FakeElement): FakeElement => {
  if (element.tag !== 'script' || !element.src) return element;
  let outcome: 'load' | 'error' = 'load';
  try {
    importScripts(element.src);
  } catch {
    outcome = 'error';
  }
  setTimeout(() => element.listeners[outcome]?.forEach((listener) => listener({})));
  return element;
};

export const installPageShim = (): void => {
  const nothing = () => {};
  Object.assign(globalThis, {
    window: globalThis,
    document: {
      createElement,
      currentScript: null,
      addEventListener: nothing,
      removeEventListener: nothing,
      getElementById: () => null,
      querySelector: () => null,
      documentElement: { style: {} },
      body: { appendChild, removeChild: nothing },
    },
  });
};
