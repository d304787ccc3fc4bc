/** Run with: npm run unit (node --experimental-vm-modules, so that ESM packages load natively). */
export default {
  testEnvironment: 'node',
  // A busy machine is slow, not wrong.
  testTimeout: 60_000,
  roots: ['<rootDir>/src', '<rootDir>/demo', '<rootDir>/stock', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transform: {
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
