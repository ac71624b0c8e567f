import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTypeScript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier';
import { labelAttributes } from './scripts/labels.mjs';
import { noKinds } from './scripts/noKinds.mjs';
import { outside, zones } from './scripts/rooms.mjs';

/** Rules that ask the types: no missing case of a switch, no unsafe cast, no promise left alone. */
const typedRules = {
  '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
  '@typescript-eslint/no-unsafe-type-assertion': 'error',
  '@typescript-eslint/no-unnecessary-type-assertion': 'error',
  '@typescript-eslint/no-unsafe-assignment': 'error',
  '@typescript-eslint/no-unsafe-argument': 'error',
  '@typescript-eslint/no-unsafe-return': 'error',
};

/** Asked where there are promises: the core has none. */
const promiseRules = {
  '@typescript-eslint/no-floating-promises': 'error',
  '@typescript-eslint/no-misused-promises': 'error',
  '@typescript-eslint/await-thenable': 'error',
};

/** Labels stand in ui/words, where they are read together. */
const noLabels = [
  {
    selector: `JSXAttribute[name.name=/^(${labelAttributes})$/] > Literal[value=/[A-Za-z]{2}/]`,
    message: 'Labels stand in ui/words/panels.',
  },
];

/** Where React is written; its rules take a third of all the time and find nothing elsewhere. */
const pages = ['src/{app,screens,ui}/**/*.{ts,tsx}'];
const parts = Object.fromEntries(nextVitals.flatMap(({ plugins }) => Object.entries(plugins ?? {})));
const forPages = (part) =>
  part.rules === undefined || part.ignores !== undefined
    ? part
    : { ...part, files: pages, plugins: {}, ignores: ['**/*.test.{ts,tsx}'] };

const config = [
  { plugins: parts },
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'test-results/**', 'playwright-report/**'] },
  ...nextVitals.map(forPages),
  ...nextTypeScript,
  {
    files: ['src/**/*.{ts,tsx}'],
    rules: {
      'import/no-restricted-paths': ['error', { zones }],
    },
    settings: { 'import/resolver': { typescript: true } },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: typedRules,
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', 'src/core/**'],
    rules: promiseRules,
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [{ group: outside, message: 'The core is pure.' }] }],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', 'src/core/{detectors,drivers,loads}/**'],
    rules: { 'no-restricted-syntax': ['error', ...noLabels] },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/test*.ts', 'src/core/{detectors,drivers,loads}/**'],
    plugins: { yemko: { rules: { 'no-kinds': noKinds } } },
    rules: { 'yemko/no-kinds': 'error' },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-eval': 'error',
      'react/no-danger': 'error',
      eqeqeq: 'error',
    },
  },
  prettier,
];

export default config;
