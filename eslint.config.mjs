import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** Folders of core from the ground up: each may use those before it, through their index.ts. */
const coreFolders = [
  'quantity',
  'network',
  'solver',
  'reduction',
  'instrument',
  'loading',
  'uncertainty',
  'plan',
  'diagnosis',
  'workshop',
  'practice',
  'drawing',
  'job',
];

const forbid = (...patterns) => ({ 'no-restricted-imports': ['error', { patterns }] });

const coreRules = coreFolders.map((folder, place) => ({
  files: [`packages/core/src/${folder}/**/*.ts`],
  ignores: ['**/*.test.ts'],
  rules: forbid(
    {
      regex: `^\\.\\./(${coreFolders.slice(place + 1).join('|') || 'none'})(/|$)`,
      message: 'Inside core, arrows point up the list of folders only.',
    },
    { regex: '^\\.\\./[a-z-]+/(?!index\\.ts$)', message: "Use another folder's index.ts." },
    { regex: '^(?!\\.|pure-rand/)', message: 'Core depends on nothing but pure-rand.' },
  ),
}));

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
  ...coreRules,
  {
    files: ['packages/contract/**/*.ts'],
    rules: forbid({ regex: '(apps/|@usual-drag/(server|web|cli))', message: 'contract uses core only.' }),
  },
  {
    files: ['apps/web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      ...reactHooks.configs.recommended.rules,
      ...forbid({
        regex: '(@nestjs|drizzle|better-sqlite3|apps/server|apps/cli)',
        message: 'web uses contract and core only.',
      }),
    },
  },
  {
    files: ['apps/server/**/*.ts'],
    rules: {
      ...forbid({ regex: '(^react|apps/web|apps/cli)', message: 'server uses contract and core only.' }),
      // Nest reads the classes of constructor and handler parameters at run time.
      '@typescript-eslint/consistent-type-imports': 'off',
    },
  },
  {
    files: ['benchmarks/**/*.ts', 'scripts/**/*'],
    rules: { 'no-console': 'off' },
  },
);
