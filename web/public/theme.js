// Sets light or dark before the first paint; in a file of its own, as the page allows no inline script.
(function () {
  var kept = null;
  try {
    kept = JSON.parse(localStorage.getItem('sempre-theme'));
  } catch (e) {
    kept = null;
  }
  var dark = kept ? kept === 'dark' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.setAttribute('theme', dark ? 'g100' : 'white');
})();
