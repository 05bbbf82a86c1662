import { type Bench } from './build.ts';

/** Last pressing, then buttonholes practised, sewn, cut, and buttons. */
export function finish(b: Bench): void {
  const done = b.ifMade('close-opening', 'turn', 'shell-hem', 'shell-wrist', 'chains', 'tack-hem');
  if (!done.length) return;
  b.add({
    id: 'press-all',
    code: 'press-all',
    section: 'finish',
    station: 'iron',
    needs: done,
    press: 'edges-roll',
    cautions: ['iron'],
  });
  const { buttons, hole } = b.g;
  if (!buttons || !hole) return;
  const front = b.shell('front')?.id ?? '';
  const data = { buttons, opening: hole.opening, overall: hole.overall };
  b.add({
    id: 'practise',
    code: 'practise-holes',
    section: 'finish',
    station: 'buttonhole',
    needs: ['press-all'],
    data,
  });
  b.add({
    id: 'mark-holes',
    code: 'mark-holes',
    section: 'finish',
    station: 'table',
    pieces: [front],
    needs: ['press-all'],
    data,
  });
  b.add({
    id: 'holes',
    code: 'sew-holes',
    section: 'finish',
    station: 'buttonhole',
    pieces: [front],
    needs: ['practise', 'mark-holes'],
    cautions: ['thick-seam'],
    data,
  });
  b.add({
    id: 'cut-holes',
    code: 'cut-holes',
    section: 'finish',
    station: 'table',
    pieces: [front],
    needs: ['holes'],
    cautions: ['ripper'],
    data,
  });
  b.add({
    id: 'buttons',
    code: 'sew-buttons',
    section: 'finish',
    station: 'hand',
    pieces: [front],
    needs: ['cut-holes'],
    cautions: ['small-parts'],
    data,
  });
}
