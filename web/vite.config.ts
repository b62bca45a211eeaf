import react from '@vitejs/plugin-react';
import { basename } from 'node:path';
import { defineConfig, type Plugin } from 'vite';

/** The core is fetched and compiled while the page's script is still being read. */
function earlyCore(): Plugin {
  return {
    name: 'early-core',
    transformIndexHtml: (_html, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => file.endsWith('.wasm'))
        .flatMap((file) => [
          {
            tag: 'link',
            attrs: {
              rel: 'preload',
              as: 'fetch',
              type: 'application/wasm',
              crossorigin: true,
              href: `/${file}`,
            },
            injectTo: 'head-prepend' as const,
          },
          // Before the style sheet, which a script after it would wait for.
          { tag: 'script', attrs: { src: '/early.js' }, injectTo: 'head-prepend' as const },
        ]),
  };
}

export default defineConfig({
  plugins: [react(), earlyCore()],
  build: { target: 'es2022', assetsInlineLimit: 0, chunkSizeWarningLimit: 1500 },
  // A class of a component's own sheet is known by both their names: Stem_leaf.
  css: {
    modules: {
      generateScopedName: (name, file) => `${basename(file.split('?')[0]!, '.module.css')}_${name}`,
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
});
