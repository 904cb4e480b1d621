import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import jsdoc from 'eslint-plugin-jsdoc';
import hooks from 'eslint-plugin-react-hooks';
import refresh from 'eslint-plugin-react-refresh';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
  {
    ignores: ['**/node_modules', '**/dist', '.data', '.cache', 'e2e/results', '.dependency-cruiser.cjs', 'core/kernel'],
  },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'max-lines': ['error', { max: 300, skipBlankLines: true }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    plugins: { jsdoc },
    rules: {
      // The core has no clock and no randomness of its own: both are passed in.
      'no-restricted-globals': [
        'error',
        'Date',
        'window',
        'document',
        'process',
        'performance',
        'console',
        'setTimeout',
      ].filter((name) => name !== 'Date'),
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
      'jsdoc/require-jsdoc': [
        'error',
        { publicOnly: true, require: { FunctionDeclaration: true, ArrowFunctionExpression: false } },
      ],
    },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks, 'react-refresh': refresh },
    languageOptions: { globals: globals.browser },
    rules: { 'react-hooks/rules-of-hooks': 'error' },
  },
  {
    // Whether a component can be compiled; tests are not.
    files: ['web/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', 'web/src/test/**'],
    rules: { ...hooks.configs.recommended.rules },
  },
  {
    files: ['scripts/**/*.mjs', 'cli/bin/*.mjs', '**/*.config.{js,ts}', 'benchmarks/**/*.mjs', 'e2e/**/*.mjs'],
    languageOptions: { globals: globals.node },
  },
  {
    // Every export of core and contract says what it is; the families' tables are described by their schema.
    files: ['core/src/**/*.ts', 'contract/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.test-data.ts', 'core/src/families/**', 'core/src/speed/made/**'],
    plugins: { jsdoc },
    rules: {
      'jsdoc/require-jsdoc': [
        'error',
        {
          publicOnly: true,
          require: { FunctionDeclaration: true, ClassDeclaration: true },
          contexts: [
            'ExportNamedDeclaration > VariableDeclaration',
            'ExportNamedDeclaration > TSInterfaceDeclaration',
            'ExportNamedDeclaration > TSTypeAliasDeclaration',
          ],
        },
      ],
    },
  },
  {
    // Logic: no function so long that an idea is missing in it. Paths are tables; a component's markup has its own measure.
    files: [
      'core/src/**/*.ts',
      'contract/src/**/*.ts',
      'server/src/**/*.ts',
      'cli/src/**/*.ts',
      'web/src/**/*.{ts,tsx}',
    ],
    ignores: ['**/*.test.{ts,tsx}', 'core/src/families/parts/**', 'server/src/db/migrations/**'],
    rules: {
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='replace'][arguments.0.value=','][arguments.1.value='.']",
          message: 'Read numbers with decimal() or numberIn() of core/quantity.',
        },
      ],
    },
  },
  { files: ['core/src/quantity/decimal.ts'], rules: { 'no-restricted-syntax': 'off' } },
  {
    files: ['web/src/**/*.tsx', 'web/src/app/theme.ts'],
    ignores: ['**/*.test.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 100, skipBlankLines: true, skipComments: true }] },
  },
  {
    // What is held against a publication is written out beside the check: the product's own tables are no witness of themselves.
    files: ['core/published/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            'ImportDeclaration[source.value=/src/] ImportSpecifier[imported.name=/^(?!PATHS$|FAMILIES$)[A-Z][A-Z0-9_]+$/]',
          message: 'Write the published values out here, with their source.',
        },
      ],
    },
  },
  {
    // Test files of one worker share their modules: one that is replaced stays unreplaced where it was read before.
    files: [
      'core/src/**/*.test.ts',
      'contract/**/*.test.ts',
      'cli/**/*.test.ts',
      'server/**/*.test.ts',
      'web/**/*.test.{ts,tsx}',
    ],
    ignores: ['**/*.apart.test.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.object.name='vi'][callee.property.name=/^(mock|doMock)$/]",
          message: 'Name the file *.apart.test.ts(x): only those have modules of their own to replace.',
        },
      ],
    },
  },
  // Playwright reads a fixture's first argument; one that needs nothing must still be written as {}.
  { files: ['e2e/support/**'], rules: { 'no-empty-pattern': 'off' } },
  { files: ['core/src/families/**', 'server/src/demo/**', '**/*.test-data.ts'], rules: { 'max-lines': 'off' } },
  prettier,
);
