import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['**/dist', '**/bin', '**/obj', 'artifacts', '.data', 'web/src/api/schema.d.ts'] },
  js.configs.recommended,
  ...tseslint.configs.strictTypeChecked,
  { files: ['web/**'], ...hooks.configs.flat.recommended },
  {
    languageOptions: {
      parserOptions: { project: ['./web/tsconfig.json', './tests/e2e/tsconfig.json'], tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/method-signature-style': ['error', 'property'],
      '@typescript-eslint/no-non-null-assertion': 'off',
    },
  },
  {
    files: ['**/*.js', '**/*.mjs'],
    extends: [tseslint.configs.disableTypeChecked],
    languageOptions: {
      parserOptions: { project: null },
      globals: Object.fromEntries(
        [
          'console',
          'process',
          'performance',
          'URL',
          'document',
          'window',
          'location',
          'addEventListener',
          'requestAnimationFrame',
          'setTimeout',
          'fetch',
          'MutationObserver',
          'MessageChannel',
        ].map((name) => [name, 'readonly']),
      ),
    },
  },
);
