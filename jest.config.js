/** Run with: npm run unit (node --experimental-vm-modules, so that ESM packages load natively). */
export default {
  testEnvironment: '<rootDir>/scripts/jest-environment.mjs',
  // What takes longest begins first, so that no worker is left alone with it at the end.
  testSequencer: '<rootDir>/scripts/jest-sequencer.mjs',
  // Beside the packages, so that it is there for the next run.
  cacheDirectory: '<rootDir>/node_modules/.cache/jest',
  // A busy machine is slow, not wrong.
  testTimeout: 60_000,
  // Suites leave their modules behind in the heap, which makes each collection of garbage longer: a worker that has grown begins anew.
  workerIdleMemoryLimit: '700MB',
  // As the build sets them.
  globals: {
    __VUE_OPTIONS_API__: true,
    __VUE_PROD_DEVTOOLS__: false,
    __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: false,
  },
  roots: ['<rootDir>/src', '<rootDir>/demo', '<rootDir>/stock', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts'],
  moduleFileExtensions: ['ts', 'js', 'mjs', 'json', 'vue'],
  extensionsToTreatAsEsm: ['.ts', '.vue'],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    // What a build turns into addresses; components that are tested need no looks.
    '\\.(css|svg|woff2?|webp|png)(\\?url)?$': '<rootDir>/scripts/jest-nothing.mjs',
    '\\.wasm\\?url$': '<rootDir>/scripts/jest-nothing.mjs',
  },
  transform: {
    '^.+\\.vue$': '<rootDir>/scripts/jest-vue.mjs',
    '^.+\\.ts$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript' }, target: 'es2022' },
        module: { type: 'es6' },
        sourceMaps: 'inline',
      },
    ],
  },
  transformIgnorePatterns: ['/node_modules/'],
};
