// Compiles the core while the page's own script is still being read. The shelf stands without
// it: there it is compiled after the first lessons.
(() => {
  const link = document.querySelector('link[type="application/wasm"]');
  if (!link || globalThis.location.pathname === '/' || !WebAssembly.compileStreaming) return;
  globalThis.unitbloomEarly = WebAssembly.compileStreaming(fetch(link.href));
  globalThis.unitbloomEarly.catch(() => undefined);
})();
