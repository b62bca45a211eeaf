import react from '@vitejs/plugin-react';
import { basename } from 'node:path';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/**
 * What a page needs first is fetched while its script is still being read: the core for a
 * lesson, its own script for the shelf.
 */
function early(): Plugin {
  return {
    name: 'early',
    transformIndexHtml: (_html, { bundle }) => {
      const files = Object.keys(bundle ?? {});
      const core = files.find((file) => file.endsWith('.wasm'));
      const shelf = files.find((file) => /\/ShelfPage-[^/]*\.js$/.test(file));
      if (!core || !shelf) return [];
      // Before the style sheet, which a script after it would wait for.
      const attrs = { src: '/early.js', 'data-core': `/${core}`, 'data-shelf': `/${shelf}` };
      return [{ tag: 'script', attrs, injectTo: 'head-prepend' as const }];
    },
  };
}

/** The application is kept on the device, and nothing of the server's: it starts without the network. */
const kept = VitePWA({
  registerType: 'prompt',
  injectRegister: false,
  manifest: {
    name: 'Unit Bloom',
    short_name: 'Unit Bloom',
    description: 'Numbers to see, to move and to work out, for a class.',
    theme_color: '#FBF8F1',
    background_color: '#FBF8F1',
    display: 'standalone',
    icons: [
      { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' },
      { src: '/icon.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
    ],
  },
  workbox: {
    globPatterns: [
      '**/*.{js,css,html,wasm,svg}',
      'assets/{andika,figtree}-latin-[4w]*.woff2',
      'assets/andika-latin-7*.woff2',
    ],
    maximumFileSizeToCacheInBytes: 16 << 20,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/healthz/],
    // Their names change with what is in them: what was fetched for the page is not fetched again.
    dontCacheBustURLsMatching: /^assets\//,
    inlineWorkboxRuntime: true,
  },
});

const sheets = new Map<string, string>();

/** The name of a component's own sheet. Two of one name would style one another's classes. */
function ownName(file: string): string {
  const name = basename(file, '.module.css');
  const other = sheets.get(name) ?? file;
  if (other !== file) throw new Error(`${file} is named as ${other} is: give it another name.`);
  sheets.set(name, file);
  return name;
}

export default defineConfig({
  plugins: [react(), early(), kept],
  build: { target: 'es2022', assetsInlineLimit: 0, chunkSizeWarningLimit: 1500 },
  // A class of a component's own sheet is known by both their names: Stem_leaf.
  css: {
    modules: {
      generateScopedName: (name, file) => `${ownName(file.split('?')[0]!)}_${name}`,
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
});
