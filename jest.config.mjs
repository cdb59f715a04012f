const shared = {
  transform: {
    '^.+\\.(tsx?|mjs|js)$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
          target: 'es2022',
        },
      },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(nanoid|d3-[a-z-]+|internmap|three|three-mesh-bvh|earcut)/)',
  ],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  setupFilesAfterEnv: ['<rootDir>/scripts/jest-seed.mjs', '<rootDir>/scripts/jest-late.mjs'],
};

/** @type {import('jest').Config} */
const config = {
  // What is waited for has an end, but no test is a stop watch: a busy machine is not a fault.
  testTimeout: 60_000,
  projects: [
    {
      ...shared,
      displayName: 'core',
      testEnvironment: 'node',
      // A fake IndexedDB still tidies up after the last test of a file.
      testEnvironmentOptions: { globalsCleanup: 'off' },
      testMatch: ['<rootDir>/src/{core,db,cli,workers,views}/**/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'ui',
      testEnvironment: 'jsdom',
      testMatch: ['<rootDir>/src/{ui,views}/**/*.test.tsx'],
    },
  ],
};

export default config;
