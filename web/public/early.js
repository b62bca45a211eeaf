// What a page needs first is fetched while its own script is still being read: for a lesson
// the core, compiled as it comes; for the shelf, which stands without the core, its script. A
// child's desk stands without it too.
(() => {
  const { core, shelf } = document.currentScript.dataset;
  const { pathname } = globalThis.location;
  if (pathname === '/') {
    const link = document.createElement('link');
    link.rel = 'modulepreload';
    link.href = shelf;
    document.head.append(link);
  } else if (!pathname.startsWith('/desk') && WebAssembly.compileStreaming) {
    globalThis.unitbloomEarly = WebAssembly.compileStreaming(fetch(core));
    globalThis.unitbloomEarly.catch(() => undefined);
  }
})();
