import { test } from '@jest/globals';
import { intakeSvg } from './core/intake/index.ts';
import { compute, planOf } from './core/compute.ts';
import { emptyDocument } from './core/project.ts';
import { draftCoat, draftSvg, GREENHOUSE_COAT } from './demo/draft.ts';
test('smoke', () => {
  const svg = draftSvg(draftCoat(GREENHOUSE_COAT), GREENHOUSE_COAT.extension);
  require_fs(svg);
  const r = intakeSvg(svg);
  if (!r.ok) { console.log(JSON.stringify(r, null, 1)); return; }
  const doc = emptyDocument('x', 'coat');
  doc.shell = { fileName: 'a.svg', lines: 'seam', pieces: r.value.pieces };
  console.log(JSON.stringify(r.value.findings), r.value.pieces.map((p) => p.name + ' ' + p.kind + ' ' + p.ring.map((e) => e.role + (e.onFold ? '*' : '') + e.confidence.toFixed(2)).join(',') + ' n' + JSON.stringify(p.notches) + p.lines.map(l=>l.kind)).join('\n'));
  let c = compute(doc);
  const t = performance.now(); for (let i = 0; i < 20; i++) c = compute(doc); console.log('ms', (performance.now() - t) / 20);
  console.log(JSON.stringify(c.findings));
  console.log(c.seams.map((s) => `${s.group} ${s.code} ${s.lengthAMm.toFixed(2)} ${s.lengthBMm.toFixed(2)} ${s.differenceMm.toFixed(2)} ${s.verdict}`).join('\n'));
  console.log(c.pieces.map((p) => p.id + ' ' + p.ring.map((e) => e.role).join(',') + ' notches ' + p.notches.length + (c.cutLines.get(p.id)?.cleaned ? ' CLEANED' : '')).join('\n'));
  const pl = planOf(doc, c);
  console.log(pl.ok ? pl.value.steps.map((s) => `${s.number} ${s.section} ${s.station} ${s.id}`).join('\n') + '\nchanges ' + pl.value.stationChanges + JSON.stringify(pl.value.findings) : JSON.stringify(pl));
  console.log(c.closure?.ok ? JSON.stringify(c.closure.value.buttons.map(b=>b.at)) : JSON.stringify(c.closure));
});
import { writeFileSync } from 'node:fs';
function require_fs(s: string) { writeFileSync('/tmp/w/coat.svg', s); }
