// The environment of component tests: a page without a browser. Packages come as for Node, so that the component library, which is loaded
// with require there, and our own modules share one Vue. No server is there, so nothing is ever fetched.
import { default as HappyDom } from '@happy-dom/jest-environment';

/** The method of a window as its class has it. */
const windowMethod = (window, name) => {
  for (let of = Object.getPrototypeOf(window); of; of = Object.getPrototypeOf(of))
    if (Object.hasOwn(of, name)) return of[name].bind(window);
  throw new Error(`A window has no ${name}.`);
};

export default class Page extends HappyDom {
  constructor(...args) {
    super(...args);
    // Each of its timers looks at a stack trace of a hundred lines first: timers are plain here, and traces short.
    this.global.setTimeout = windowMethod(this.window, 'setTimeout');
    this.global.Error.stackTraceLimit = 10;
    this.global.fetch = () => new Promise(() => {});
    this.global.structuredClone = structuredClone;
    // The application as it ships: Vue's own checks of every property take a third of the time.
    this.global.process.env.NODE_ENV = 'production';
  }
  exportConditions() {
    return ['node', 'node-addons'];
  }
}
