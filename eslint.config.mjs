import next from 'eslint-config-next';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '.next/**',
      'dist/**',
      'node_modules/**',
      'coverage/**',
      'next-env.d.ts',
      'drizzle/**',
      'playwright-report/**',
      'test-results/**',
      '.shots/**',
      'data/**',
    ],
  },
  ...(Array.isArray(next) ? next : [next]),
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': [
        'error',
        { fixStyle: 'inline-type-imports', disallowTypeAnnotations: false },
      ],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      'no-console': ['error', { allow: ['error'] }],
      eqeqeq: 'error',
      'no-nested-ternary': 'error',
      'no-useless-rename': 'error',
      'object-shorthand': ['error', 'properties'],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'process',
        'Date',
        'performance',
        'setTimeout',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'The core is given its randomness.' },
      ],
    },
  },
  { files: ['scripts/**', 'bench/**', 'e2e/**'], rules: { 'no-console': 'off' } },
);
