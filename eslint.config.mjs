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
  // Tests break documents on purpose, in ways no type allows.
  { files: ['**/*.test.ts', 'e2e/**'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
];

export default config;
