import { readFileSync } from 'node:fs';
import js from '@eslint/js';
import ngrx from '@ngrx/eslint-plugin/v9';
import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import { defineConfig, globalIgnores } from 'eslint/config';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** Imports point one way: core ← contract ← server, web. The core knows nothing of Node, the DOM or a clock. */
const forbid = (group, message) => ({ group, message });
const ABOVE_CORE = [
  '@ft/contract/*',
  '@ft/demo/*',
  '**/contract/**',
  '**/server/**',
  '**/web/**',
  '**/demo/**',
];
const FRAMEWORKS = ['@angular/*', '@ngrx/*', 'express', 'sequelize', 'rxjs', 'rxjs/*'];
const PLATFORM = ['node:*', ...FRAMEWORKS];
const restrict = (...patterns) => ({ 'no-restricted-imports': ['error', { patterns }] });

/** The rooms of the core from the ground up: each may use those before it. */
const ROOMS = JSON.parse(readFileSync(new URL('core/rooms.json', import.meta.url), 'utf8'));
const room = (name, place) => ({
  files: [`core/src/${name}/**/*.ts`],
  rules: restrict(
    forbid(ABOVE_CORE, 'The core stands below the contract, the server and the screen.'),
    forbid(PLATFORM, 'The core is pure: no Node, no DOM, no framework.'),
    ...(place === ROOMS.length - 1
      ? []
      : [
          {
            regex: `^(\\.\\./)+(${ROOMS.slice(place + 1).join('|')})/`,
            message: `${name} stands below this room (core/rooms.json).`,
          },
        ]),
  ),
});

export default defineConfig([
  globalIgnores([
    '**/dist/**',
    '**/dist-kit/**',
    '**/.angular/**',
    '**/coverage/**',
    'test-results/**',
    'data/**',
    'docs/**',
  ]),
  {
    files: ['**/*.ts'],
    extends: [
      js.configs.recommended,
      tseslint.configs.strictTypeChecked,
      tseslint.configs.stylisticTypeChecked,
    ],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/consistent-type-imports': [
        'error',
        { prefer: 'type-imports', disallowTypeAnnotations: false },
      ],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-indexed-object-style': 'off',
      '@typescript-eslint/dot-notation': ['error', { allowIndexSignaturePropertyAccess: true }],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'setTimeout',
        'console',
        'Date',
        'crypto',
      ],
    },
  },
  ...ROOMS.map(room),
  {
    files: ['contract/**/*.ts'],
    rules: restrict(
      forbid(
        ['**/server/**', '**/web/**', '**/demo/**', '@ft/demo/*', ...PLATFORM],
        'The contract stands on the core alone.',
      ),
    ),
  },
  {
    files: ['demo/**/*.ts'],
    rules: restrict(
      forbid(
        ['**/server/**', '**/web/**', '@ft/contract/*', ...FRAMEWORKS],
        'The demo is a studio: it stands on the core alone.',
      ),
    ),
  },
  {
    files: ['server/**/*.ts'],
    rules: restrict(
      forbid(['**/web/**', '@angular/*', '@ngrx/*'], 'The server knows nothing of the screen.'),
    ),
  },
  {
    files: ['{core,contract,server,web,demo}/src/**/*.ts'],
    rules: {
      'max-lines': ['error', { max: 250 }],
      // Where a longer one reads better whole, a comment says why.
      'max-lines-per-function': ['error', { max: 35, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['web/**/*.ts'],
    extends: [angular.configs.tsRecommended, ngrx.configs.all],
    processor: angular.processInlineTemplates,
    rules: {
      // A change and the draft it leaves behind are two facts, not one transaction.
      '@ngrx/avoid-dispatching-multiple-actions-sequentially': 'off',
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'ft', style: 'kebab-case' }],
    },
  },
  {
    // The tests of the screen run the server's own code over a studio in memory.
    files: ['web/src/**/*.ts'],
    rules: restrict(forbid(['**/server/**', 'node:*'], 'The screen talks to the server over the contract.')),
  },
  {
    files: ['web/**/*.html'],
    extends: [angular.configs.templateRecommended, angular.configs.templateAccessibility],
  },
  {
    files: ['**/*.spec.ts', '**/test/**/*.ts', 'e2e/**/*.ts', 'bench/**/*.ts'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  {
    files: ['**/*.{js,mjs,cjs}'],
    extends: [js.configs.recommended],
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
  },
  { files: ['**/*.cjs'], languageOptions: { sourceType: 'commonjs' } },
  prettier,
]);
