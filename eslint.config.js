import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** The layers of the page, from what knows nothing of the others to what knows them all. */
const layers = ['api', 'core', 'ui', 'drawing', 'gear', 'documents', 'picture', 'sheets', 'features', 'app'];

/** What a folder may not import, and why. */
const forbid = (group, message) => ({ 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] });

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
  ...['bench', 'brief', 'shelf', 'work', 'shared'].map((feature) => ({
    files: [`web/src/features/${feature}/**`],
    rules: forbid(
      ['bench', 'brief', 'shelf', 'work', 'shared'].filter((other) => other !== feature).map((other) => `**/${other}/**`),
      'Features do not know each other: what two of them need lies in gear/, drawing/, documents/, picture/ or ui/.',
    ),
  })),
  {
    files: layers.slice(0, layers.indexOf('features')).map((layer) => `web/src/${layer}/**`),
    rules: forbid(['**/features/**'], 'What all features share knows none of them.'),
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
          'AbortSignal',
          'Buffer',
          'MutationObserver',
          'MessageChannel',
        ].map((name) => [name, 'readonly']),
      ),
    },
  },
);
