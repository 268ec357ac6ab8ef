import { cpSync, existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

const framework = resolve(import.meta.dirname, '../artifacts/browser/wwwroot/_framework');

/** Puts the core's WebAssembly beside the page, and a compressed twin beside every text of the page. */
function coreAndCompression(): Plugin {
  return {
    name: 'core-and-compression',
    apply: 'build',
    closeBundle() {
      if (!existsSync(framework)) {
        throw new Error(
          'The core is not built for the browser. Run ./dev start, or: dotnet publish src/Juxtopsis.Browser -c Release -o artifacts/browser',
        );
      }
      const dist = resolve(import.meta.dirname, 'dist');
      for (const name of readdirSync(dist, { recursive: true, encoding: 'utf8' })) {
        if (/\.(js|css|html|svg|json)$/.test(name)) {
          const text = readFileSync(join(dist, name));
          writeFileSync(join(dist, `${name}.br`), brotliCompressSync(text, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }));
          writeFileSync(join(dist, `${name}.gz`), gzipSync(text, { level: 9 }));
        }
      }
      cpSync(framework, join(dist, '_framework'), { recursive: true });
    },
  };
}

export default defineConfig({
  plugins: [react(), coreAndCompression()],
  build: {
    target: 'es2022',
    sourcemap: false,
    rollupOptions: { input: ['index.html', 'sheet.html'].map((page) => resolve(import.meta.dirname, page)) },
  },
});
