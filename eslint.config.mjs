import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';

/** Rooms of the house from the ground up; each may use only what lies below it. */
const core = [
  'react',
  'react-dom',
  'next',
  'next/*',
  '@mui/*',
  '@react-three/*',
  'three',
  'idb',
  'zustand',
  'zundo',
  'comlink',
  'node:*',
  'pdfkit',
  'papaparse',
];
const wall = (files, up, more = []) => ({
  files,
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: [...up.flatMap((r) => [`@/${r}`, `@/${r}/*`]), ...more],
            message: 'This room may not use what lies above it (see docs/architecture.md).',
          },
        ],
      },
    ],
  },
});

const config = [
  ...next,
  ...typescript,
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'test-results/**', 'out/**'] },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'no-console': 'error',
    },
  },
  wall(['src/core/**'], ['app', 'ui', 'desk', 'worker', 'sheets', 'units'], core),
  // Its tree of boxes is plain computation; it needs no page.
  wall(
    ['src/core/geometry/rays.ts'],
    ['app', 'ui', 'desk', 'worker', 'sheets', 'units'],
    core.filter((x) => x !== 'three'),
  ),
  {
    files: ['src/core/**'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'localStorage',
        'indexedDB',
        'fetch',
        'performance',
        'process',
        'crypto',
        'setTimeout',
        'setInterval',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Core is deterministic: use a seed of the piece.' },
        { object: 'Date', property: 'now', message: 'Core knows no clock: hand the time in.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Core knows no clock: hand the time in.',
        },
      ],
    },
  },
  wall(['src/units/**'], ['app', 'ui', 'desk', 'worker', 'sheets']),
  wall(['src/sheets/**'], ['app', 'ui', 'desk', 'worker']),
  wall(['src/worker/**'], ['app', 'ui', 'desk']),
  wall(['src/desk/**'], ['app', 'ui']),
  wall(['src/ui/**'], ['app']),
  { files: ['src/ui/pictures/TurntableScene.tsx', 'bench/**', 'cli/testing/**'], rules: { 'no-console': 'off' } },
];

export default config;
