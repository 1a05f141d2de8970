import { existsSync } from 'node:fs';

const common = {
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true, decorators: true },
          transform: {
            react: { runtime: 'automatic' },
            legacyDecorator: true,
            decoratorMetadata: true,
            useDefineForClassFields: false,
          },
          target: 'es2023',
        },
      },
    ],
  },
  moduleNameMapper: {
    '^@usual-drag/core/result$': '<rootDir>/packages/core/src/result.ts',
    '^@usual-drag/core/(.*)$': '<rootDir>/packages/core/src/$1/index.ts',
    '^@usual-drag/report/file$': '<rootDir>/packages/report/src/report-file.tsx',
    '^@usual-drag/report$': '<rootDir>/packages/report/src/index.ts',
    '^@usual-drag/contract$': '<rootDir>/packages/contract/src/index.ts',
    '^@usual-drag/contract/checks$': '<rootDir>/packages/contract/src/dto/checks.ts',
    '^@usual-drag/contract/dto$': '<rootDir>/packages/contract/src/dto/index.ts',
  },
};
const seed = '<rootDir>/scripts/property-seed.ts';

/** The tests of what is stored, which run on PostgreSQL too if it is installed. */
const onPostgres = {
  ...common,
  displayName: 'PostgreSQL',
  testMatch: [
    '<rootDir>/apps/server/src/{database/dialects/postgresql,damaged,events,history,instruments,jobs,meter-projects,move,orders,practice,signatures}/**/*.test.ts',
  ],
  testPathIgnorePatterns: [...common.testPathIgnorePatterns, 'heavy-jobs'],
  setupFiles: [seed, '<rootDir>/apps/server/src/test/on-postgres.ts'],
  globalSetup: '<rootDir>/apps/server/src/test/start-test-cluster.ts',
  globalTeardown: '<rootDir>/apps/server/src/test/stop-test-cluster.ts',
};

export default {
  testTimeout: 30_000,
  maxWorkers: 2,
  projects: [
    {
      ...common,
      testMatch: ['<rootDir>/{packages,apps}/**/*.test.ts'],
      testPathIgnorePatterns: [...common.testPathIgnorePatterns, '/dialects/postgresql/', '/server/src/move/'],
      setupFiles: [seed],
    },
    ...(existsSync('/usr/lib/postgresql') ? [onPostgres] : []),
  ],
};
