// Runs before the first paint, so that a dark shed is never lit up by a white flash.
(() => {
  const kept = localStorage.getItem('jack-plane.theme');
  const dark = kept ? kept === 'shed' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = dark ? 'shed' : 'loft';
})();
