import { dayWords } from '../../contract/words/index.ts';
import { type Computed } from '../../core/document/compute.ts';
import { CLOSING_ONLY, type ProjectDocument } from '../../core/document/project.ts';

/** How far it is sewn, and for when it is wanted; nothing where it is not begun. */
function sewnWords({ decisions: { bench } }: ProjectDocument): string | null {
  if (bench.finished) return `Finished on ${dayWords(bench.finished)}`;
  const done = bench.steps.filter((s) => s.state === 'done').length;
  if (!done) return bench.by ? `Wanted for ${dayWords(bench.by)}` : null;
  return `${done} ${done === 1 ? 'step' : 'steps'} done${bench.by ? `, wanted for ${dayWords(bench.by)}` : ''}`;
}

/** Where the sewist stopped, in a few words. */
export function whereStopped(doc: ProjectDocument, c: Computed): string {
  const line = c.closure?.ok ? c.closure.value : null;
  if (doc.garment === CLOSING_ONLY && !doc.shell) {
    const cut = doc.decisions.closure.done.filter((d) => d.line === 'front' && d.state === 'cut').length;
    if (!line) return 'To mend: nothing fits on its line yet';
    return `${line.buttons.length} to place${cut ? `, ${cut} cut` : ''}`;
  }
  if (!doc.shell) return 'Next: put the pattern in';
  if (c.findings.some((f) => f.code === 'size-odd')) return 'Next: see whether the pattern came in at its true size';
  // A pocket bag or a tab needs no names; a pattern of which nothing was recognised does.
  const known = doc.shell.pieces.filter((p) => p.kind !== 'other' && p.kind !== 'placket');
  const unnamed = (known.length ? known : doc.shell.pieces).filter((p) =>
    p.ring.some((e) => e.role === 'plain'),
  ).length;
  if (unnamed) return `Next: name the edges of ${unnamed} piece${unnamed === 1 ? '' : 's'}`;
  const off = c.seams.filter((s) => s.verdict === 'a-too-long' || s.verdict === 'a-too-short').length;
  if (off) return `Look at ${off} seam${off === 1 ? '' : 's'} that ${off === 1 ? 'does' : 'do'} not match`;
  const stops = c.findings.filter((f) => f.severity === 'stop').length;
  if (stops) return `${stops} thing${stops === 1 ? '' : 's'} to mend`;
  const sewn = sewnWords(doc);
  if (sewn) return sewn;
  if (!doc.shell.trueSize) return 'Next: say whether the pattern is its true size';
  return `Ready to cut: ${c.pieces.length} pieces, every seam matches`;
}
