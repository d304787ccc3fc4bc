// Jest's own environment, with a plain global object. The one Jest makes looks through a second object each time `Math` or an array
// type is named, which makes computation several times slower.
import vm from 'node:vm';
import { TestEnvironment } from 'jest-environment-node';

const { DONT_CONTEXTIFY } = vm.constants ?? {};

export default class PlainEnvironment extends TestEnvironment {
  constructor(...args) {
    const { createContext } = vm;
    // Older versions of Node have no such global; there it is only slower.
    if (DONT_CONTEXTIFY) vm.createContext = () => createContext(DONT_CONTEXTIFY);
    try {
      super(...args);
    } finally {
      vm.createContext = createContext;
    }
  }
}
