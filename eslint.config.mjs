import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

// The direction of imports between folders and packages is in .dependency-cruiser.mjs.
export default tseslint.config(
  { ignores: ['**/*.generated.ts', '**/dist/**', '**/node_modules/**', '.cache/**', 'test-results/**', 'data/**'] },
  tseslint.configs.strict,
  tseslint.configs.stylistic,
  {
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/unified-signatures': 'off',
      'no-console': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    // With types: a promise that nobody waits for, or one where none is expected.
    files: ['**/*.{ts,tsx}'],
    languageOptions: {
      parserOptions: {
        project: ['./tsconfig.json', './apps/web/tsconfig.json', './e2e/tsconfig.json', './benchmarks/tsconfig.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
      '@typescript-eslint/only-throw-error': 'error',
    },
  },
  {
    files: ['apps/web/**/*.{ts,tsx}', 'packages/report/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { ...reactHooks.configs.recommended.rules },
  },
  {
    // A component over 120 lines has a second one in it.
    files: ['apps/web/**/*.tsx', 'packages/report/**/*.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }] },
  },
  {
    files: ['apps/server/**/*.ts'],
    rules: {
      // Nest reads the classes of constructor and handler parameters at run time.
      '@typescript-eslint/consistent-type-imports': 'off',
    },
  },
  {
    files: ['benchmarks/**/*.ts', 'scripts/**/*'],
    rules: { 'no-console': 'off' },
  },
);
