import nextJest from 'next/jest.js';

const config = {
  testEnvironment: 'node',
  // A busy machine is no fault of what is tested.
  testTimeout: 30_000,
  // Read in nearly every line of the search: out of the sandbox's slow globals.
  sandboxInjectedGlobals: [
    'Math',
    'Infinity',
    'Float64Array',
    'Map',
    'Set',
    'Array',
    'Number',
    'Object',
  ],
  globalSetup: '<rootDir>/scripts/bundles.mjs',
  setupFiles: ['<rootDir>/scripts/jsdom.cjs'],
  roots: ['<rootDir>/src', '<rootDir>/reference'],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^@reference/(.*)$': '<rootDir>/reference/$1',
    // Its CommonJS door requires the other, which Jest cannot on Node 20.
    '^three$': '<rootDir>/node_modules/three/build/three.module.js',
    // A module of another kind, which sets pages as well as telling what stands on them.
    '^@react-pdf/renderer$': '<rootDir>/scripts/paper.cjs',
    '^server-only$': '<rootDir>/scripts/empty.cjs',
  },
  collectCoverageFrom: [
    'src/core/**/*.ts',
    '!src/core/**/*.test.ts',
    '!src/core/**/index.ts',
    '!src/core/**/types.ts',
  ],
  coverageReporters: ['text-summary', 'json-summary'],
  coverageThreshold: { global: { lines: 90 } },
};

const whole = async () => ({
  ...(await nextJest({ dir: './' })(config)()),
  transformIgnorePatterns: [
    '/node_modules/(?!(three|react-hotkeys-hook|nanoid|ml-[a-z-]+|is-any-array|intl-messageformat|@formatjs)/)',
  ],
});

export default whole;
