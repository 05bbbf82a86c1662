import { usualDecisions } from '../core/document/project.ts';
import { completed, type Task } from '../core/plan/index.ts';
import { copy, Draft, type Edge, isLined } from './draft.ts';
import { type Features } from './features.ts';
import { skirtAlone, trousers } from './lowerbody.ts';
import { surfaceFrom } from './sheet.ts';

function shell(d: Draft, f: Features): void {
  const twoYokes = !isLined(f);
  const covered = isLined(f);
  const low: Edge = f.skirt ? ['waist', 200] : ['hem', 260];
  const front: Edge = f.opening === 'front' ? ['front-edge', 600] : ['centre-front', 600, 'fold'];
  const back: Edge = f.backSeam || f.opening === 'zip' ? ['centre-back', 400] : ['centre-back', 400, 'fold'];
  const raglan = f.sleeves === 'raglan';
  const yoke = f.yoke && !raglan;
  const top: Edge[] = raglan
    ? [['neckline', 100]]
    : [
        ['neckline', 160],
        ['shoulder', f.strap],
      ];
  const vent: Edge[] =
    f.vent && !f.skirt && back[2] !== 'fold'
      ? [
          ['vent', 300],
          ['vent-top', 40],
        ]
      : [];
  d.piece('front', 'front', 'shell', [front, ...top, ['armhole', 240], ['side', 400], low], {
    covered,
    darts: f.darts ? 1 : 0,
  });
  d.piece(
    'back',
    'back',
    'shell',
    yoke
      ? [back, ['yoke-seam', 200], ['armhole', 150], ['side', 400], low, ...vent]
      : [back, ...top, ['armhole', 240], ['side', 400], low, ...vent],
    { covered },
  );
  const yokeRing: Edge[] = [
    ['centre-back', 90, 'fold'],
    ['neckline', 90],
    ['shoulder', f.strap],
    ['armhole', 90],
    ['yoke-seam', 200],
  ];
  if (yoke) d.piece('yoke', 'yoke', 'shell', yokeRing, { covered: covered || twoYokes });
  if (yoke && twoYokes) d.piece('yoke:in', 'yoke', 'shell', yokeRing, { of: 'yoke', covered: true, layer: 'inner' });
  if (yoke) {
    d.join('yoke-shoulder', d.on('shoulder', 'yoke'), d.on('shoulder', 'front'));
    d.join('yoke-back', d.on('yoke-seam', 'back'), d.on('yoke-seam', 'yoke'));
  } else d.join('shoulder', d.on('shoulder', 'back'), d.on('shoulder', 'front'));
  d.join('side', d.on('side', 'front'), d.on('side', 'back'));
  if (back[2] !== 'fold') d.join('centre-back', d.on('centre-back', 'back'), d.on('centre-back', 'back'));
  if (f.sleeves !== 'none') {
    const neck: Edge[] = raglan
      ? [
          ['neckline', 60],
          ['cap', 250],
        ]
      : [];
    d.piece(
      'sleeve',
      'sleeve',
      'shell',
      [
        ['cap', raglan ? 250 : 500],
        ...neck.slice(0, 1),
        ...neck.slice(1),
        ['underarm', 400],
        ['wrist', 300],
        ['underarm', 400],
      ],
      { covered },
    );
    const [u1, u2] = d.on('underarm', 'sleeve');
    d.join('underarm', [u1 as string], [u2 as string]);
    d.join(raglan ? 'raglan' : 'cap', d.on('cap', 'sleeve'), d.on('armhole', 'front', 'back', 'yoke'));
  }
  if (f.skirt) {
    for (const part of ['skirt-front', 'skirt-back'] as const) {
      const centre: Edge =
        part === 'skirt-back' && back[2] !== 'fold'
          ? ['centre-back', 600]
          : [part === 'skirt-back' ? 'centre-back' : 'centre-front', 600, 'fold'];
      d.piece(part, part, 'shell', [centre, ['waist', 200], ['side', 600], ['hem', 320]], { covered });
    }
    d.join('waist-front', d.on('waist', 'skirt-front'), d.on('waist', 'front'));
    d.join('waist-back', d.on('waist', 'skirt-back'), d.on('waist', 'back'));
    d.join('skirt-side', d.on('side', 'skirt-front'), d.on('side', 'skirt-back'));
  }
  if (f.pockets) d.piece('bag', 'other', 'shell', [['plain', 700]], { covered, use: 'pocket-bag' });
  if (f.placket && f.neck === 'bare') d.piece('placket', 'placket', 'shell', [['plain', 1400]], { covered: true });
  if (f.cuffs && f.sleeves !== 'none') {
    d.piece(
      'cuff',
      'cuff',
      'shell',
      [
        ['cuff-seam', 240],
        ['cuff-edge', 350],
      ],
      { covered: true },
    );
    d.piece(
      'cuff:in',
      'cuff',
      'shell',
      [
        ['cuff-seam', 240],
        ['cuff-edge', 350],
      ],
      { of: 'cuff', covered: true, layer: 'inner' },
    );
    d.join('cuff', d.on('wrist', 'sleeve'), d.on('cuff-seam', 'cuff'));
  }
  collar(d, f);
}

function collar(d: Draft, f: Features): void {
  const necks = d.on('neckline', 'front', 'back', 'yoke', 'sleeve');
  const two = (kind: 'collar' | 'stand', ring: Edge[]): void => {
    d.piece(kind, kind, 'shell', ring, { covered: true });
    d.piece(`${kind}:in`, kind, 'shell', ring, { of: kind, covered: true, layer: 'inner' });
  };
  if (f.collar === 'stand' || f.collar === 'band') {
    two('stand', [
      ['stand-top', 300],
      ['stand-neck', 260],
    ]);
    d.join('stand-neck', d.on('stand-neck', 'stand'), necks);
  }
  if (f.collar === 'stand' || f.collar === 'one-piece')
    two('collar', [
      ['collar-outer', 380],
      ['collar-neck', 250],
    ]);
  if (f.collar === 'stand') d.join('collar-stand', d.on('stand-top', 'stand'), d.on('collar-neck', 'collar'));
  if (f.collar === 'one-piece') d.join('collar-neck', necks, d.on('collar-neck', 'collar'));
  if (f.collar === 'hood') {
    d.piece(
      'hood',
      'hood',
      'shell',
      [
        ['front-edge', 320],
        ['centre-back', 500],
        ['neckline', 260],
      ],
      { covered: isLined(f) },
    );
    d.join('hood-neck', d.on('neckline', 'hood'), necks);
    if (isLined(f)) {
      d.piece('hood-lining', 'hood', 'lining', [
        ['front-edge', 320],
        ['centre-back', 500],
        ['neckline', 260],
      ]);
      d.join('hood-crown', d.on('centre-back', 'hood-lining'), d.on('centre-back', 'hood-lining'));
      d.join('hood-edge', d.on('front-edge', 'hood-lining'), d.on('front-edge', 'hood'), true);
      d.join('hood-neck', d.on('neckline', 'hood-lining'), d.on('neckline', 'hood'), true);
    }
  }
}

/** Facings along front edge and neck; the lining reaches the edges where there are none. */
function inside(d: Draft, f: Features): void {
  const faced = (f.neck === 'facing' || f.neck === 'lapel') && f.lining !== 'edge' && f.sleeves !== 'raglan';
  const line: Edge = ['facing-line', 700];
  const front = (copy(d, 'front')[0] ?? line) as Edge;
  if (faced) {
    const foot: Edge[] = front[2] !== 'fold' && !f.skirt ? [['hem', 80]] : front[2] === 'fold' ? [] : [['waist', 80]];
    d.piece('front-facing', 'front', 'facing', [front, ['neckline', 160], ['shoulder', 40], line, ...foot]);
    if (!f.yoke)
      d.piece('back-facing', 'back', 'facing', [
        (copy(d, 'back')[0] ?? line) as Edge,
        ['neckline', 90],
        ['shoulder', 40],
        line,
      ]);
    d.join('facing-shoulder', d.on('shoulder', 'back-facing'), d.on('shoulder', 'front-facing'));
    if (!f.yoke && (front[2] === 'fold') === false && copy(d, 'back')[0]?.[2] !== 'fold' && f.opening !== 'zip')
      d.join('facing-centre-back', d.on('centre-back', 'back-facing'), d.on('centre-back', 'back-facing'));
  }
  if (f.neck === 'in-one' && !isLined(f) && f.sleeves === 'none' && !f.yoke)
    for (const p of ['front', 'back'] as const) {
      const own = copy(d, p).filter((e) => !['hem', 'waist', 'vent', 'vent-top'].includes(e[0]));
      d.piece(`${p}-in-one`, p, 'facing', [...own, ['inner', 300]]);
      d.join('band-neckline', d.on('neckline', `${p}-in-one`), d.on('neckline', p), true);
      d.join('band-armhole', d.on('armhole', `${p}-in-one`), d.on('armhole', p), true);
      d.join('front-edge', d.on('front-edge', `${p}-in-one`), d.on('front-edge', p), true);
    }
  if (isLined(f)) linings(d, f, faced);
  const [fi, bi] = [faced ? 'front-facing' : 'front-lining', faced && !f.yoke ? 'back-facing' : 'back-lining'];
  d.join('front-edge', d.on('front-edge', fi), d.on('front-edge', 'front'), true);
  d.join('neckline-front', d.on('neckline', fi), d.on('neckline', 'front'), true);
  d.join(
    'neckline-back',
    d.on('neckline', bi),
    d.on('neckline', f.yoke && f.sleeves !== 'raglan' ? 'yoke' : 'back'),
    true,
  );
  if (f.sleeves === 'raglan')
    d.join('neckline-sleeve', d.on('neckline', 'sleeve-lining'), d.on('neckline', 'sleeve'), true);
  if (f.sleeves === 'none') {
    d.join('armhole-front', d.on('armhole', 'front-lining'), d.on('armhole', 'front'), true);
    d.join(
      'armhole-back',
      d.on('armhole', 'back-lining'),
      d.on('armhole', 'back', ...(isLined(f) ? ['yoke'] : [])),
      true,
    );
  }
}

function linings(d: Draft, f: Features, faced: boolean): void {
  const skirt = f.skirt;
  const body = (p: 'front' | 'back'): Edge[] =>
    copy(d, p).flatMap((e): Edge[] => {
      if (faced && (e[0] === 'front-edge' || (e[0] === 'neckline' && !(p === 'back' && f.yoke))))
        return e[0] === 'neckline' ? [['facing-line', 700]] : [];
      // A yoke is taken into the lining of the back.
      if (e[0] === 'yoke-seam')
        return [
          ['neckline', 90],
          ['shoulder', f.strap],
        ];
      return [e];
    });
  d.piece('front-lining', 'front', 'lining', body('front'));
  d.piece(
    'back-lining',
    'back',
    'lining',
    body('back').filter((e) => !e[0].startsWith('vent')),
  );
  if (faced) {
    d.join('facing-line-front', d.on('facing-line', 'front-lining'), d.on('facing-line', 'front-facing'));
    if (!f.yoke) d.join('facing-line-back', d.on('facing-line', 'back-lining'), d.on('facing-line', 'back-facing'));
  }
  d.join('lining-shoulder', d.on('shoulder', 'back-lining'), d.on('shoulder', 'front-lining'));
  d.join('lining-side', d.on('side', 'front-lining'), d.on('side', 'back-lining'));
  if (f.sleeves !== 'none') {
    d.piece('sleeve-lining', 'sleeve', 'lining', copy(d, 'sleeve'));
    const [u1, u2] = d.on('underarm', 'sleeve-lining');
    d.join('lining-underarm', [u1 as string], [u2 as string]);
    d.join(
      f.sleeves === 'raglan' ? 'lining-raglan' : 'lining-cap',
      d.on('cap', 'sleeve-lining'),
      d.on('armhole', 'front-lining', 'back-lining'),
    );
    if (f.cuffs) d.join('wrist-to-cuff', d.on('wrist', 'sleeve-lining'), d.on('wrist', 'sleeve'), true);
    else if (f.lining !== 'free') d.join('wrist', d.on('wrist', 'sleeve-lining'), d.on('wrist', 'sleeve'), true);
  }
  const hems = skirt ? (['skirt-front', 'skirt-back'] as const) : (['front', 'back'] as const);
  if (skirt) {
    for (const p of ['skirt-front', 'skirt-back'] as const) d.piece(`${p}-lining`, p, 'lining', copy(d, p));
    d.join('lining-skirt-side', d.on('side', 'skirt-front-lining'), d.on('side', 'skirt-back-lining'));
    d.join('lining-waist-front', d.on('waist', 'skirt-front-lining'), d.on('waist', 'front-lining'));
    d.join('lining-waist-back', d.on('waist', 'skirt-back-lining'), d.on('waist', 'back-lining'));
  }
  if (f.lining !== 'free') for (const p of hems) d.join(`hem-${p}`, d.on('hem', `${p}-lining`), d.on('hem', p), true);
}

/** A skirt by itself: waistband of two layers, its lining basted to the waist. */
/** The garment of these features, as the planner takes it. */
export function taskFrom(f: Features): Task {
  const d = new Draft();
  const alone = f.waistband && f.skirt;
  if (alone && f.legs) trousers(d, f);
  else if (alone) skirtAlone(d, f);
  else {
    shell(d, f);
    inside(d, f);
  }
  const decisions = usualDecisions();
  Object.assign(decisions.facing, {
    on: f.neck === 'facing' || f.neck === 'lapel',
    kind: f.neck === 'lapel' ? 'lapel' : 'separate',
  });
  Object.assign(decisions.lining, { on: isLined(f), self: f.lining === 'edge' });
  if (isLined(f)) decisions.lining.hem.kind = f.lining as 'free';
  decisions.lining.wrist.kind =
    f.lining === 'edge' || f.lining === 'rib' ? 'edge' : f.lining === 'free' || !isLined(f) ? 'free' : 'joined';
  if (f.lining === 'rib' && f.sleeves !== 'none' && !f.cuffs && !alone) {
    d.piece('wrist-rib', 'other', 'shell', [['plain', 260]], { covered: true });
    decisions.lining.wrist.kind = 'rib';
  }
  if (f.lining === 'rib') d.piece('hem-rib', 'other', 'shell', [['plain', 900]], { covered: true });
  if (f.opening === 'zip') decisions.lining.zip.length = alone ? 200 : f.skirt ? 550 : 300;
  if (f.neck === 'bias' && !isLined(f) && !alone) {
    if (f.collar === 'none') d.piece('neck-bias', 'front', 'facing', [['plain', 600]]);
    if (f.sleeves === 'none') d.piece('armhole-bias', 'front', 'facing', [['plain', 450]]);
  }
  const making = completed(d.parts, d.joints, surfaceFrom(d.parts, d.joints), {
    bulk: f.bulk,
    lace: f.lace && isLined(f),
  });
  return {
    making,
    d: decisions,
    buttons: f.buttons && f.opening === 'front' ? 6 : 0,
    holes: f.buttons && f.opening === 'front' ? 6 : 0,
    snaps: 0,
    hole: f.buttons ? { opening: 25, overall: 28 } : null,
  };
}
