export default {
  testMatch: ['<rootDir>/{packages,apps}/**/*.test.ts'],
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
  setupFiles: ['<rootDir>/scripts/property-seed.ts'],
  testTimeout: 30_000,
  maxWorkers: 2,
};
