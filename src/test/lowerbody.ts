import { type Role } from '../core/pattern/index.ts';
import { copy, type Draft, type Edge, isLined } from './draft.ts';
import { type Features } from './features.ts';

// Skirts and trousers with a waistband.

/** Trousers with a band: legs closed along side and inseam, the rise from leg to leg. */
export function trousers(d: Draft, f: Features): void {
  const covered = isLined(f);
  const leg = (): Edge[] => [
    ['rise', 320],
    ['waist', 200],
    ['side', 1000],
    ['hem', 240],
    ['inseam', 740],
  ];
  const both = ['trouser-front', 'trouser-back'] as const;
  for (const p of both) d.piece(p, p, 'shell', leg(), { covered });
  const join = (of: '' | 'lining-', suffix: string): void => {
    const on = (role: Role): [string[], string[]] => [
      d.on(role, `trouser-front${suffix}`),
      d.on(role, `trouser-back${suffix}`),
    ];
    d.join(`${of}skirt-side`, ...on('side'));
    d.join(`${of}inseam`, ...on('inseam'));
    d.join(`${of}rise`, on('rise').flat(), on('rise').flat().reverse());
  };
  join('', '');
  band(d, ['trouser-front', 'trouser-back']);
  if (!covered) return;
  for (const p of both) {
    d.piece(`${p}-lining`, p, 'lining', copy(d, p));
    d.join(
      p === 'trouser-front' ? 'waist-front-lining' : 'waist-back-lining',
      d.on('waist', `${p}-lining`),
      d.on('waist', p),
      true,
    );
    if (f.lining !== 'free') d.join(`hem-${p}`, d.on('hem', `${p}-lining`), d.on('hem', p), true);
  }
  join('lining-', '-lining');
}

/** A waistband of two layers, joined to the waist of these pieces. */
function band(d: Draft, below: string[]): void {
  const ring: Edge[] = [
    ['waist', 400],
    ['band-edge', 460],
  ];
  d.piece('band', 'waistband', 'shell', ring, { covered: true });
  d.piece('band:in', 'waistband', 'shell', ring, { of: 'band', covered: true, layer: 'inner' });
  d.join('waistband', d.on('waist', ...below), d.on('waist', 'band'));
}

export function skirtAlone(d: Draft, f: Features): void {
  const covered = isLined(f);
  const back: Edge = f.backSeam || f.opening === 'zip' ? ['centre-back', 600] : ['centre-back', 600, 'fold'];
  d.piece(
    'skirt-front',
    'skirt-front',
    'shell',
    [
      ['centre-front', 600, 'fold'],
      ['waist', 200],
      ['side', 600],
      ['hem', 320],
    ],
    { covered },
  );
  d.piece('skirt-back', 'skirt-back', 'shell', [back, ['waist', 200], ['side', 600], ['hem', 320]], { covered });
  d.join('skirt-side', d.on('side', 'skirt-front'), d.on('side', 'skirt-back'));
  band(d, ['skirt-front', 'skirt-back']);
  if (!covered) return;
  for (const p of ['skirt-front', 'skirt-back'] as const) {
    d.piece(`${p}-lining`, p, 'lining', copy(d, p));
    d.join(
      p === 'skirt-front' ? 'waist-front-lining' : 'waist-back-lining',
      d.on('waist', `${p}-lining`),
      d.on('waist', p),
      true,
    );
    if (f.lining !== 'free') d.join(`hem-${p}`, d.on('hem', `${p}-lining`), d.on('hem', p), true);
  }
  d.join('lining-skirt-side', d.on('side', 'skirt-front-lining'), d.on('side', 'skirt-back-lining'));
}
