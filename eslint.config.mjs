import next from 'eslint-config-next/core-web-vitals';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

/** What is judged strictly has no defaults put in: a figure that is left out would be none. */
const NO_DEFAULTS = {
  selector:
    "CallExpression[callee.property.name='default'][arguments.0]:not([arguments.0.name='undefined']):not([arguments.0.value=null])",
  message: 'Schemas are judged strictly, and put no defaults in: give the value where the record is read.',
};

const config = [
  { ignores: ['node_modules/', '.next/', '.local/', 'next-env.d.ts', 'coverage/'] },
  // What is about components and hooks looks at those alone: it takes its time.
  ...next.map((part) => (part.files ? { ...part, files: ['src/{ui,app}/**/*.{ts,tsx}'] } : part)),
  ...tseslint.configs.strictTypeChecked.map((part) => ({ ...part, files: ['**/*.ts', '**/*.tsx'] })),
  {
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: { parserOptions: { project: './tsconfig.json', tsconfigRootDir: import.meta.dirname } },
  },
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-invalid-void-type': 'off', // server actions return Promise<void>
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/method-signature-style': ['error', 'property'],
      // Yup hands `undefined` to tests where its types say that it cannot, and closures change what the rule takes for constant.
      '@typescript-eslint/no-unnecessary-condition': 'off',
      '@typescript-eslint/max-params': ['error', { max: 6 }],
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
        // With an instant given it reads no clock.
        {
          selector:
            "NewExpression[callee.name='Date'][arguments.length=0], CallExpression[callee.name='Date']",
          message: 'The clock is an argument of the core.',
        },
      ],
    },
  },
  {
    files: ['src/server/**/*.ts', 'src/app/**/*.ts', 'cli/**/*.ts'],
    rules: { 'no-restricted-syntax': ['error', NO_DEFAULTS] },
  },
  {
    files: ['src/**/*.tsx'],
    ignores: ['src/ui/kit-of-parts/Link.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        { name: 'next/link', message: 'Use Link of ui/kit-of-parts: it asks for nothing ahead.' },
      ],
    },
  },
  {
    // A component that does not fit on two screens, or decides more than this, is parted.
    files: ['src/ui/**/*.tsx', 'src/app/**/*.tsx'],
    ignores: ['**/*.test.tsx'],
    rules: {
      complexity: ['error', { max: 15 }],
      'max-lines-per-function': ['error', { max: 150, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // The columnar judge indexes typed arrays inside their bounds millions of times.
    files: ['src/core/gland-selection/judge-all.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    // Places are exchanged by their numbers in lists of one length, a hundred thousand times for one plan.
    files: ['src/core/frame-packing/search/{weaker-frames,place-board,settle-places}.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  { files: ['cli/**', 'scripts/**', 'e2e/**', 'bench/**'], rules: { 'no-console': 'off' } },
  {
    // Mocks are looked at as what they were made of, and what a browser driver builds is of the class that its builder says.
    files: ['**/*.test.ts', 'e2e/**'],
    rules: {
      '@typescript-eslint/unbound-method': 'off',
      '@typescript-eslint/max-params': 'off', // rows of tables
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
    },
  },
  {
    files: ['scripts/**/*.cjs', '.dependency-cruiser.cjs'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  prettier,
];

export default config;
