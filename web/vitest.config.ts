import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['tests/**/*.test.{ts,tsx}'],
    environment: 'happy-dom',
    // A thread starts sooner than a process, and the files keep to themselves in either.
    pool: 'threads',
    restoreMocks: true,
    unstubGlobals: true,
    // Logic is in .ts files; what is drawn is looked at by the tests in a browser.
    coverage: { include: ['src/**/*.ts'], exclude: ['src/api/schema.d.ts', 'src/api/fields.ts'], reporter: ['json-summary', 'text'] },
  },
});
