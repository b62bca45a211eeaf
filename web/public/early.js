// Compiles the core while the page's own script is still being read.
(() => {
  const link = document.querySelector('link[type="application/wasm"]');
  if (!link || !WebAssembly.compileStreaming) return;
  globalThis.unitbloomEarly = WebAssembly.compileStreaming(fetch(link.href));
  globalThis.unitbloomEarly.catch(() => undefined);
})();
