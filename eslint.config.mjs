import next from 'eslint-config-next';
import nextTs from 'eslint-config-next/typescript';
import boundaries from 'eslint-plugin-boundaries';
import * as regexp from 'eslint-plugin-regexp';

/** Rooms of the house, inmost first; each may use what its rule allows and nothing else. */
const elements = [
  { type: 'optics', pattern: 'src/core/optics' },
  { type: 'gear', pattern: 'src/core/gear' },
  { type: 'brief', pattern: 'src/core/brief' },
  { type: 'ground', pattern: 'src/core/ground' },
  { type: 'coverage', pattern: 'src/core/coverage' },
  { type: 'lineup', pattern: 'src/core/lineup' },
  { type: 'carry', pattern: 'src/core/carry' },
  { type: 'log', pattern: 'src/core/log' },
  { type: 'next', pattern: 'src/core/next' },
  { type: 'compare', pattern: 'src/core/compare' },
  { type: 'core-base', pattern: 'src/core' },
  { type: 'document', pattern: 'src/document' },
  { type: 'solver', pattern: 'src/solver' },
  { type: 'application', pattern: 'src/application' },
  { type: 'workers', pattern: 'src/workers' },
  { type: 'text', pattern: 'src/text' },
  { type: 'session', pattern: 'src/session' },
  { type: 'ui', pattern: 'src/ui' },
  { type: 'parts', pattern: 'src/parts' },
  { type: 'feature', pattern: 'src/features/*', capture: ['page'] },
  { type: 'server', pattern: 'src/server' },
  { type: 'app', pattern: 'src/app' },
  { type: 'cli', pattern: 'src/cli' },
  { type: 'offline', pattern: 'src/offline' },
];

const CORE = [
  'core-base',
  'optics',
  'gear',
  'brief',
  'ground',
  'coverage',
  'lineup',
  'carry',
  'log',
  'next',
  'compare',
];
const MAY_USE = {
  'core-base': [],
  optics: ['core-base'],
  gear: ['core-base', 'optics'],
  brief: ['core-base', 'optics', 'gear'],
  ground: ['core-base', 'gear', 'brief'],
  coverage: ['core-base', 'optics', 'gear', 'brief'],
  lineup: ['core-base', 'optics', 'gear', 'brief', 'coverage'],
  carry: ['core-base', 'optics', 'gear', 'brief', 'coverage', 'lineup', 'carry'],
  log: CORE.filter((room) => room !== 'next' && room !== 'compare'),
  next: CORE.filter((room) => room !== 'compare'),
  compare: ['core-base', 'optics', 'gear', 'brief', 'coverage', 'lineup'],
  solver: [...CORE],
  application: [...CORE, 'solver'],
  document: [...CORE],
  workers: [...CORE, 'application', 'solver'],
  text: [...CORE, 'document'],
  ui: ['text'],
  parts: [...CORE, 'document', 'text', 'ui'],
  session: [...CORE, 'document', 'workers', 'text', 'ui'],
  feature: [...CORE, 'document', 'workers', 'session', 'parts', 'ui', 'text'],
  server: [...CORE, 'document', 'application', 'text'],
  app: ['feature', 'ui', 'text', 'document', 'server'],
  offline: [],
  cli: [...CORE, 'document', 'application', 'text'],
};

const HOST_GLOBALS = [
  'window',
  'document',
  'navigator',
  'localStorage',
  'fetch',
  'process',
  'Buffer',
  'performance',
  'setTimeout',
  'setInterval',
  'crypto',
  'console',
];

const REGEXP = {
  selector: "NewExpression[callee.name='RegExp']",
  message: 'Write the expression out, so that the rules on its running time can read it.',
};
const WORDS = '[A-Za-z]{2,}[,;:.]? [a-z]{2,}';
/** Sentences stand in src/text; what a programmer alone reads, in an error that is thrown, may stay. */
const ENGLISH = [
  `Literal[raw=/^['"]/][value=/${WORDS}/]:not(NewExpression Literal)`,
  `TemplateElement[value.raw=/${WORDS}/]:not(NewExpression TemplateElement)`,
].map((selector) => ({ selector, message: 'Sentences stand in src/text; give a code.' }));
const NO_CLOCK = {
  selector: "NewExpression[callee.name='Date'][arguments.length=0]",
  message: 'core has no clock; take the time as an argument.',
};
const JSX_TEXT = {
  selector: 'JSXText[value=/[A-Za-z]{2,}/]',
  message: 'What is said stands in src/text.',
};
const ZOD = {
  selector: "ImportDeclaration[source.value='zod'] > ImportSpecifier",
  message:
    "Write import * as z from 'zod': by its name, all its languages come along into the page.",
};
const SCHEMA_TEXT = {
  selector: `CallExpression[callee.object.name='z'] Literal[raw=/^['"]/][value=/${WORDS}/]`,
  message: 'Schemas speak in codes.',
};

const config = [
  ...next,
  ...nextTs,
  {
    plugins: { regexp },
    // What people type or paste runs through them: none may be worse than linear.
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential', ignoreSticky: false }],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.*'],
    rules: { 'no-restricted-syntax': ['error', REGEXP, ZOD] },
  },
  {
    files: ['src/{features,parts,ui,app}/**/*.{ts,tsx}'],
    // It stands alone: shown where nothing else of the application could be loaded.
    ignores: ['**/*.test.*', 'src/app/global-error.tsx'],
    rules: { 'no-restricted-syntax': ['error', REGEXP, ZOD, JSX_TEXT, SCHEMA_TEXT] },
  },
  {
    files: ['src/document/**/*.ts'],
    ignores: ['**/*.test.*'],
    rules: { 'no-restricted-syntax': ['error', REGEXP, ZOD, ...ENGLISH] },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.*'],
    rules: { 'no-restricted-syntax': ['error', REGEXP, ZOD, NO_CLOCK, ...ENGLISH] },
  },
  {
    ignores: [
      '.next/**',
      'next-env.d.ts',
      'coverage/**',
      'test-results/**',
      'playwright-report/**',
      '.check/**',
      '.bench/**',
      '.cli/**',
    ],
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    plugins: { boundaries },
    settings: {
      'boundaries/elements': elements,
      'import/resolver': { typescript: { project: './tsconfig.json' } },
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: Object.entries(MAY_USE)
            .map(([from, types]) => ({
              from: { element: { types: from } },
              allow: {
                to: {
                  element: {
                    types: [from === 'feature' ? undefined : from, ...types].filter(Boolean),
                  },
                },
              },
            }))
            .concat([
              {
                from: { element: { types: 'feature' } },
                allow: {
                  to: {
                    element: {
                      types: 'feature',
                      captured: { page: '{{ from.element.captured.page }}' },
                    },
                  },
                },
              },
            ]),
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...HOST_GLOBALS.map((name) => ({ name, message: 'core takes host effects as arguments' })),
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'core has no randomness' },
        { object: 'Date', property: 'now', message: 'core has no clock' },
      ],
      'no-restricted-imports': [
        'error',
        { patterns: ['react', 'react-dom', 'next', 'next/*', 'node:*', 'fs', 'path'] },
      ],
    },
  },
  {
    rules: {
      'no-console': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'max-lines-per-function': 'off',
    },
  },
  { files: ['scripts/**', 'bench/**'], rules: { 'no-console': 'off' } },
];

export default config;
