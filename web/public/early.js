// What a page needs first is fetched while its own script is still being read: for a lesson
// the core, compiled as it comes; for the shelf, which stands without the core, its script.
(() => {
  const { core, shelf } = document.currentScript.dataset;
  if (globalThis.location.pathname === '/') {
    const link = document.createElement('link');
    link.rel = 'modulepreload';
    link.href = shelf;
    document.head.append(link);
  } else if (WebAssembly.compileStreaming) {
    globalThis.unitbloomEarly = WebAssembly.compileStreaming(fetch(core));
    globalThis.unitbloomEarly.catch(() => undefined);
  }
})();
