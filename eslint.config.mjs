import next from 'eslint-config-next/core-web-vitals';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

const config = [
  { ignores: ['node_modules/', '.next/', '.local/', 'next-env.d.ts', 'coverage/'] },
  ...next,
  ...tseslint.configs.strict,
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-invalid-void-type': 'off', // server actions return Promise<void>
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The clock is an argument of the core.' },
        { object: 'Math', property: 'random', message: 'Chance comes from seededRandom.' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date']", message: 'The clock is an argument of the core.' },
      ],
    },
  },
  {
    // The columnar judge indexes typed arrays inside their bounds millions of times.
    files: ['src/core/gland-selection/judge-all.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    // The hand rules do the same with counts by home, kind and size, a hundred thousand times for one plan.
    files: [
      'src/core/frame-packing/greedy/*.ts',
      'src/core/frame-packing/{weaker-frames,place-board,settle-places}.ts',
    ],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  { files: ['cli/**', 'scripts/**', 'e2e/**', 'bench/**'], rules: { 'no-console': 'off' } },
  {
    files: ['scripts/**/*.cjs', '.dependency-cruiser.cjs'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  prettier,
];

export default config;
