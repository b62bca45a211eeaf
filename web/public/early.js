// Fetches and compiles the core while the page's own script is still being read. The shelf
// stands without it: there it comes after the first lessons.
(() => {
  const core = document.querySelector('meta[name="core"]');
  if (!core || globalThis.location.pathname === '/' || !WebAssembly.compileStreaming) return;
  globalThis.unitbloomEarly = WebAssembly.compileStreaming(fetch(core.content));
  globalThis.unitbloomEarly.catch(() => undefined);
})();
