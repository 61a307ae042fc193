import nextJest from 'next/jest.js';

const withNext = nextJest({ dir: './' });

const base = {
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  setupFilesAfterEnv: ['<rootDir>/tests/support/patience.ts'],
};

/** Some packages are ESM only and must be transformed; the pattern has to be set after Next's own. */
async function project(own) {
  const config = await withNext({ ...base, ...own })();
  return {
    ...config,
    transformIgnorePatterns: [
      '/node_modules/(?!(@tanstack/[^/]+|nanoid|d3-[^/]+|internmap)/)',
      '^.+\\.module\\.(css|sass|scss)$',
    ],
  };
}

const config = async () => ({
  projects: await Promise.all([
    project({
      displayName: 'core',
      testEnvironment: 'node',
      testMatch: [
        '<rootDir>/src/{core,solver,application,document,workers,server,cli,app}/**/*.test.ts',
      ],
    }),
    project({
      displayName: 'parts',
      testEnvironment: 'jsdom',
      setupFiles: ['<rootDir>/tests/support/browserStubs.ts'],
      setupFilesAfterEnv: [
        ...base.setupFilesAfterEnv,
        '<rootDir>/tests/support/patienceWithParts.ts',
      ],
      testMatch: ['<rootDir>/src/{ui,parts,text,features,session}/**/*.test.{ts,tsx}'],
    }),
    project({
      displayName: 'reference',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/tests/reference/**/*.test.ts'],
    }),
  ]),
});

export default config;
