import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier';

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'test-results/**', '.nelvix/**', 'playwright-report/**', 'public/sw.js'] },
  ...next,
  ...typescript,
  prettier,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-restricted-globals': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  { files: ['scripts/**'], rules: { 'no-console': 'off' } },
  {
    // A file that a reader takes in at one sitting, a function at one look.
    files: ['src/**', 'scripts/**'],
    rules: {
      'max-lines': ['error', { max: 400 }],
      'max-lines-per-function': ['error', { max: 100 }],
    },
  },
  {
    files: ['**/*.test.ts', '**/*.test.tsx', 'e2e/**'],
    rules: { 'max-lines': 'off', 'max-lines-per-function': 'off' },
  },
  // Tests break documents on purpose, in ways no type allows.
  { files: ['**/*.test.ts', 'e2e/**'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
];

export default config;
