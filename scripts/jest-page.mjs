// The environment of component tests: a page without a browser. Packages come as for Node, so that the component library, which is loaded
// with require there, and our own modules share one Vue. No server is there, so nothing is ever fetched.
import { default as HappyDom } from '@happy-dom/jest-environment';

export default class Page extends HappyDom {
  constructor(...args) {
    super(...args);
    this.global.fetch = () => new Promise(() => {});
    this.global.structuredClone = structuredClone;
    // The application as it ships: Vue's own checks of every property take a third of the time.
    this.global.process.env.NODE_ENV = 'production';
  }
  exportConditions() {
    return ['node', 'node-addons'];
  }
}
