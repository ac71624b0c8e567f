import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTypeScript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier';
import { labelAttributes } from './scripts/labels.mjs';
import { noKinds } from './scripts/noKinds.mjs';

/**
 * Rooms from the top down: each may import from itself and from those after it. Within the core the same holds, so
 * that the circuit, for one, knows nothing of LDRs.
 */
export const rooms = ['app', 'offline', 'screens', 'ui', 'workers', 'devices', 'store', 'core'];
export const coreRooms = [
  'report',
  'points',
  'faults',
  'siting',
  'build',
  'spread',
  'simulate',
  'compare',
  'advise',
  'size',
  'analyse',
  'project',
  'operate',
  'detectors',
  'drivers',
  'loads',
  'practice',
  'live',
  'readings',
  'ldr',
  'meter',
  'light',
  'series',
  'logbook',
  'parts',
  'board',
  'circuit',
  'numeric',
  'quantity',
];

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

/** Zones that forbid each room of a row to import from any room before it. */
function oneWay(base, row) {
  return row.flatMap((room, index) =>
    index === 0
      ? []
      : [
          {
            target: `${base}/${room}/**/!(*.test).{ts,tsx}`,
            from: row.slice(0, index).map((upper) => `${base}/${upper}/**/*`),
            message: `${room} stands below: imports point down only (docs/how-it-works.md).`,
          },
        ],
  );
}

const outside = ['react', 'react/*', 'react-dom', 'next', 'next/*', 'antd', 'antd/*', '@ant-design/*', 'dexie', 'dexie-*', 'chart.js', 'react-chartjs-2', 'zustand', 'zustand/*']; // prettier-ignore

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
      'import/no-restricted-paths': [
        'error',
        { zones: [...oneWay('./src', rooms), ...oneWay('./src/core', coreRooms)] },
      ],
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
