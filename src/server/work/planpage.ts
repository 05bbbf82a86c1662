/** How the page of a plan looks: large, light or dark as the tablet is, and sparing of ink. */
export const PLAN_STYLE = `
:root{color-scheme:light dark;--page:#f5f1e6;--sheet:#fffdf7;--ink:#2c2722;--quiet:#655b50;--rule:#d9cfbb;--leaf:#335f43;--berry:#98283f;--honey:#8a5a08;--soft:#eef4ee}
@media (prefers-color-scheme:dark){:root{--page:#1c1a17;--sheet:#262320;--ink:#efe9dc;--quiet:#b9ae9f;--rule:#463f37;--leaf:#86b193;--berry:#f097a6;--honey:#eeb955;--soft:#15291d}}
*{box-sizing:border-box}
body{margin:0;background:var(--page);color:var(--ink);font:20px/1.45 system-ui,sans-serif;font-variant-numeric:tabular-nums}
h1,h2{font-family:Georgia,serif;line-height:1.15;margin:0 0 8px}
header{padding:16px 20px;border-bottom:1px solid var(--rule)}header p{margin:0;color:var(--quiet)}
main{display:grid;grid-template-columns:minmax(0,5fr) minmax(0,7fr)}
#seen{position:sticky;top:0;align-self:start;max-height:100vh;overflow:auto;padding:16px 20px;background:var(--sheet)}
#steps{padding:16px 20px}
#map{width:100%;max-height:46vh}
.panel{fill:var(--soft);stroke:none}.edge{fill:none;stroke:var(--quiet);stroke-width:1;vector-effect:non-scaling-stroke}
.edge.sewn{stroke:var(--leaf);stroke-width:3}.edge.lit{stroke:var(--berry);stroke-width:6}
.step{background:var(--sheet);border:1px solid var(--rule);border-left:6px solid transparent;border-radius:8px;padding:12px 16px;margin:0 0 12px;break-inside:avoid}
.step.here{border-left-color:var(--leaf)}.step.ticked b{color:var(--quiet);text-decoration:line-through}
.step p{margin:6px 0}.how{font-size:22px}.quiet{color:var(--quiet);font-size:17px}.care{color:var(--honey)}.big{font-size:26px;font-weight:650;line-height:1.2}
label{display:flex;gap:12px;align-items:flex-start;font-size:22px;min-height:48px;cursor:pointer}
input[type=checkbox]{width:28px;height:28px;flex:none;accent-color:var(--leaf)}
dl{display:flex;flex-wrap:wrap;gap:4px 28px;margin:6px 0}dl div{display:flex;flex-direction:column}dd{margin:0;font:600 28px Georgia,serif}dt{color:var(--quiet);font-size:16px}
button{font:inherit;font-weight:650;min-height:56px;min-width:120px;border-radius:12px;border:2px solid var(--leaf);background:transparent;color:var(--leaf)}
#done{background:var(--leaf);color:var(--page)}
figure{margin:8px 0;max-width:340px}figure svg{width:100%}figure input{width:100%;min-height:44px;accent-color:var(--leaf)}
:focus-visible{outline:3px solid var(--honey);outline-offset:2px}
@media (max-width:800px){main{display:block}#seen{max-height:48vh}#map{max-height:26vh}}
@media print{#seen,button,figure input{display:none}main{display:block}body{background:none;font-size:12pt}.step{border-color:#999}}
`;

/** What the page does: ticks kept in the browser, the step that is next lit on the map, layers that turn as a slider is moved. */
export const PLAN_SCRIPT = `
(function () {
  var begun = JSON.parse(document.getElementById('begun').textContent);
  var key = 'woodbine-plan-' + begun.name;
  var steps = [].slice.call(document.querySelectorAll('.step'));
  var done, kept = true;
  try { done = JSON.parse(localStorage.getItem(key)); } catch (e) { kept = false; }
  done = new Set(Array.isArray(done) ? done : begun.done);
  var at = Math.max(0, steps.findIndex(function (s) { return !done.has(s.dataset.step); }));
  function keep() {
    try { localStorage.setItem(key, JSON.stringify([].concat.apply([], [Array.from(done)]))); kept = true; } catch (e) { kept = false; }
  }
  function show(move) {
    var here = steps[at];
    var lit = new Set(JSON.parse(here.dataset.lit));
    var sewn = new Set();
    steps.forEach(function (s) {
      var ticked = done.has(s.dataset.step);
      s.classList.toggle('here', s === here);
      s.classList.toggle('ticked', ticked);
      s.querySelector('[data-tick]').checked = ticked;
      if (ticked) JSON.parse(s.dataset.lit).forEach(function (k) { sewn.add(k); });
    });
    document.querySelectorAll('.edge').forEach(function (e) {
      e.classList.toggle('lit', lit.has(e.dataset.edge));
      e.classList.toggle('sewn', sewn.has(e.dataset.edge));
    });
    document.getElementById('now').textContent = here.querySelector('b').textContent;
    var last = steps.findIndex(function (s) { return !done.has(s.dataset.step); });
    var upTo = last < 0 ? steps.length : last;
    document.getElementById('far').textContent = done.size + ' ticked' + (upTo ? ', all up to step ' + upTo : '') + '.';
    document.getElementById('kept').textContent = kept
      ? 'Ticks stay in this browser. To enter them in Woodbine: Sewing, "ticked on paper".'
      : 'This browser keeps nothing: ticks are lost when the page is closed.';
    if (move) here.scrollIntoView({ block: 'center', behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth' });
  }
  function tick(i, on) {
    if (on) done.add(steps[i].dataset.step); else done.delete(steps[i].dataset.step);
    keep();
  }
  function onward() {
    tick(at, true);
    var next = steps.findIndex(function (s, i) { return i > at && !done.has(s.dataset.step); });
    at = next < 0 ? at : next;
    show(true);
  }
  function back() { at = Math.max(0, at - 1); show(true); }
  steps.forEach(function (s, i) {
    s.querySelector('[data-tick]').addEventListener('change', function (e) { at = i; tick(i, e.target.checked); show(false); });
    s.addEventListener('click', function () { at = i; show(false); });
  });
  document.getElementById('done').addEventListener('click', onward);
  document.getElementById('back').addEventListener('click', back);
  window.addEventListener('keydown', function (e) {
    if (e.target.closest('input,button,summary') && (e.key === ' ' || e.key === 'Enter' || e.target.type === 'range')) return;
    if (e.key === ' ' || e.key === 'ArrowRight' || e.key === 'PageDown') { e.preventDefault(); onward(); }
    if (e.key === 'ArrowLeft' || e.key === 'PageUp') { e.preventDefault(); back(); }
  });
  var INK = { shell: 'var(--leaf)', facing: 'var(--honey)', lining: 'var(--berry)', interfacing: 'var(--quiet)' };
  document.querySelectorAll('.layers').forEach(function (f) {
    var l = JSON.parse(f.dataset.layers), SEAM = 165, REACH = 150, ROW = 34;
    var over = l.bars.some(function (b) { return b.halves > 0; }) ? REACH * 0.42 : 0;
    var ground = 24 + over + l.rows * ROW, high = ground + 20 + REACH * 0.42;
    f.innerHTML = '<svg viewBox="0 0 330 ' + high + '" role="img"></svg><input type="range" min="0" max="100" value="0" aria-label="Turn the layers"><div class="quiet">left: for the seam; right: when it is done. The thick line is the right side.</div>';
    var svg = f.firstChild, range = f.querySelector('input');
    function draw(t) {
      var out = '';
      l.bars.forEach(function (b) {
        var turn = Math.PI * b.halves * t, y = ground - (b.from + (b.to - b.from) * t) * ROW;
        var wx = -Math.cos(turn), wy = -Math.sin(turn) * 0.42, n = Math.hypot(wx, wy), nx = -wy / n, ny = wx / n;
        var up = b.up === 'right' ? 1 : -1;
        function line(off, w) {
          return '<path stroke="' + INK[b.of] + '" stroke-width="' + w + '" d="M' + (SEAM + nx * off) + ' ' + (y + ny * off) + 'L' + (SEAM + wx * REACH + nx * off) + ' ' + (y + wy * REACH + ny * off) + '"/>';
        }
        out += line(up * 9, 4) + line(-up * 9, 1);
        out += '<text text-anchor="middle" font-size="13" fill="currentColor" opacity="' + Math.max(0, Math.abs(Math.cos(turn)) * 2 - 1) + '" x="' + (SEAM + wx * REACH / 2) + '" y="' + (y + wy * REACH / 2 + 4) + '"></text>';
      });
      svg.innerHTML = out + '<path stroke="var(--berry)" stroke-dasharray="4 3" stroke-width="2" d="M' + SEAM + ' ' + (ground - l.rows * ROW) + 'V' + (ground + 12) + '"/>';
      [].forEach.call(svg.querySelectorAll('text'), function (x, i) { x.textContent = l.bars[i].name; });
    }
    range.addEventListener('input', function () { draw(range.value / 100); });
    draw(0);
  });
  show(false);
})();
`;
