import type { Atelier } from './window';

/**
 * Runs in every page before its own scripts: drawings of WebGL stay readable after they were shown, so that tests read pixels
 * within the page (a screenshot of the page costs ten times as much), and edges are not smoothed, which takes half of the time
 * in software and tells no test anything.
 */
export const keepDrawings = (): void => {
  type GetContext = (this: HTMLCanvasElement, kind: string, options?: object) => unknown;
  const original = HTMLCanvasElement.prototype.getContext as unknown as GetContext;
  const kept: GetContext = function (kind, options) {
    return original.call(
      this,
      kind,
      kind === 'webgl2' ? { ...options, preserveDrawingBuffer: true, antialias: false } : options,
    );
  };
  HTMLCanvasElement.prototype.getContext = kept as typeof HTMLCanvasElement.prototype.getContext;
};

/** In the window as it stands, its application included; the next test begins with plain figures again. */
export const drawPeopleInFull = (): void => {
  localStorage.setItem('iconia.people', 'full');
  const app = document.querySelector<Atelier>('#app')?.__vue_app__;
  app?.config.globalProperties.$pinia._s
    .get('desk')
    ?.$patch((desk) => Object.assign(desk, { plainPeople: false }));
};

/** From here to the end of the test, how well printed pictures can be found is really found out. */
export const judgePictures = (): void => localStorage.setItem('e2e.judges', 'yes');

/**
 * How well a printed picture can be found is found out in the background whenever its settings are open: seconds of work that most tests are
 * not about. Its worker says nothing there.
 */
export const judgeNoPictures = (): void => {
  const isQuiet = (script: string | URL): boolean =>
    String(script).includes('strength-worker') && localStorage.getItem('e2e.judges') === null;
  window.Worker = new Proxy(window.Worker, {
    construct: (Real, [script, options]: [string | URL, WorkerOptions?]) =>
      isQuiet(script) ? { postMessage: () => {}, terminate: () => {} } : new Real(script, options),
  });
};

/** Where the people of takes are not the point they are drawn as plain figures, unless a test has set otherwise. */
export const drawPlainPeople = (): void => {
  if (localStorage.getItem('iconia.people') === null) localStorage.setItem('iconia.people', 'plain');
};

/** Nine more drawings of the effect that most tests are not about. */
export const hideOtherFaces = (): void => {
  if (localStorage.getItem('iconia.other-faces') === null)
    localStorage.setItem('iconia.other-faces', 'hidden');
};
