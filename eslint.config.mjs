import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

// The direction of imports between folders and packages is in .dependency-cruiser.mjs; the rules that need types, such as a
// promise that is not awaited, are in .oxlintrc.json, because a native type checker is ten times as fast.
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
