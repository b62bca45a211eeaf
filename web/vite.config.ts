import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/** The core is fetched while the page's script is still being read. */
function earlyCore(): Plugin {
  return {
    name: 'early-core',
    transformIndexHtml: (_html, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => file.endsWith('.wasm'))
        .map((file) => ({
          tag: 'link',
          attrs: {
            rel: 'preload',
            as: 'fetch',
            type: 'application/wasm',
            crossorigin: true,
            href: `/${file}`,
          },
          injectTo: 'head',
        })),
  };
}

export default defineConfig({
  plugins: [react(), earlyCore()],
  build: { target: 'es2022', assetsInlineLimit: 0, chunkSizeWarningLimit: 1500 },
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
});
