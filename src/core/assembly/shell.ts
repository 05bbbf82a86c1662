import { type Piece } from '../pattern/index.ts';
import { type Bench } from './build.ts';
import { setSleeve } from './sleeve.ts';

/** The shell: shoulders, side and underarm seams, sleeves set in the round, hems pressed up while they can lie flat. */
export function shell(b: Bench): void {
  const front = b.shell('front');
  const back = b.shell('back');
  const sleeve = b.shell('sleeve');
  const stays = [front, back].flatMap((p) => (p ? b.ifMade(`stay:${p.id}`) : []));
  const extension = back?.ring.find((e) => e.role === 'vent');
  b.join(['shell-centre-back'], 'shell', stays, extension ? { code: 'sew-centre-back-vent' } : {});
  if (back && extension)
    b.add({
      id: 'press-vent',
      code: 'press-vent',
      section: 'shell',
      station: 'iron',
      pieces: [back.id],
      needs: b.ifMade('press:shell-centre-back'),
      press: 'hem-up',
      cautions: ['iron'],
      data: { turned: extension.allowance },
    });
  b.join(['shell-shoulder'], 'shell', [...stays, ...b.ifMade('press:shell-centre-back')]);
  b.join(['shell-side'], 'shell', []);
  b.join(['shell-underarm'], 'shell', []);
  setSleeve(b, 'shell', sleeve, 'shell-cap', ['press:shell-shoulder', 'press:shell-side', 'press:shell-underarm']);
  pressUp(b);
}

/** Hems and wrists pressed up while they can lie flat, and the try-on before the inside closes the garment. */
function pressUp(b: Bench): void {
  const front = b.shell('front');
  const back = b.shell('back');
  const sleeve = b.shell('sleeve');
  const hemmed = [front, back].filter((p): p is Piece => p?.ring.some((e) => e.role === 'hem') ?? false);
  const hem = hemmed[0]?.ring.find((e) => e.role === 'hem')?.allowance ?? 0;
  if (hemmed.length)
    b.add({
      id: 'press-hem',
      code: 'press-hem',
      section: 'shell',
      station: 'iron',
      pieces: hemmed.map((p) => p.id),
      needs: ['cut', ...b.ifMade('press:shell-side')],
      press: 'hem-up',
      cautions: ['iron'],
      data: { depth: hem },
    });
  if (front && back)
    b.add({
      id: 'try-on',
      code: 'try-on',
      section: 'shell',
      station: 'table',
      pieces: [front.id, back.id, ...(sleeve ? [sleeve.id] : [])],
      needs: ['cut', ...b.ifMade('press:shell-shoulder', 'press:shell-side', 'press:shell-cap', 'press-hem')],
      cautions: ['pins-on'],
    });
  const wrist = sleeve?.ring.find((e) => e.role === 'wrist')?.allowance ?? 0;
  if (sleeve && wrist)
    b.add({
      id: 'press-wrist',
      code: 'press-wrist',
      section: 'shell',
      station: 'iron',
      pieces: [sleeve.id],
      needs: ['cut', ...b.ifMade('press:shell-underarm')],
      press: 'hem-up',
      cautions: ['iron'],
      data: { depth: wrist },
    });
}
