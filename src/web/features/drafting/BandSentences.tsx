import { type BandRole } from '../../../core/document/project.ts';
import { blanks } from '../../ui/fields.tsx';
import { Besides, ChoiceBlank, type Extra, Say } from '../../ui/Sentence.tsx';
import { asked, shellOf, widthExtra } from './asking.tsx';
import { type Deciding } from './deciding.ts';
import { biasFields, FACING } from './fields/facing.ts';

/** Facings along single edges, and how their outer edge is neatened. */
export function BandSentences(d: Deciding) {
  const f = d.w.doc.decisions.facing;
  const blank = asked(d, 'facing', FACING);
  const s = shellOf(d);
  const lined = d.w.doc.decisions.lining.on;
  const band = (
    role: BandRole,
    label: string,
    what: string,
    first: number,
    usual?: readonly [number, number],
    help?: string,
  ): Extra =>
    widthExtra({
      d,
      label,
      value: f.bands[role],
      first,
      least: 20,
      most: 120,
      ...(usual && { usual }),
      ...(help && { help }),
      say: [`${what} faced,`, ' deep.'],
      put: (v, words) => d.set('facing', { bands: { ...f.bands, [role]: v } }, words),
    });
  const open = s.edge('armhole') && !s.has('sleeve') && !lined;
  const waist = s.has('skirt-front', 'skirt-back') && !s.has('front', 'back', 'waistband');
  const extras: Extra[] = [
    ...(open
      ? [
          widthExtra({
            d,
            label: 'Face neck and armholes in one',
            value: f.inOne,
            first: 55,
            least: 30,
            most: 120,
            help: 'So far below the underarm, and as far below the neck.',
            say: ['Neck and armholes are faced in one,', ' deep.'],
            put: (inOne, words) => d.set('facing', { inOne }, words),
          }),
        ]
      : []),
    ...(open && f.inOne === 0 ? [band('armhole', 'Face the armholes', 'The armholes are', 55, [50, 60])] : []),
    ...(s.edge('cut-out') && !lined ? [band('cut-out', 'Face the cut-outs', 'The cut-outs are', 45, [40, 60])] : []),
    ...(waist ? [band('waist', 'Face the waist', 'The waist is', 55, [50, 60], 'Darts are closed first.')] : []),
    ...biasExtras(d, s.edge('armhole') && !s.has('sleeve')),
    ...(s.has('hood')
      ? [
          widthExtra({
            d,
            label: 'Face the opening of the hood',
            value: f.hood,
            first: 50,
            least: 20,
            most: 120,
            help: 'Its lining is what the facing leaves. No cords in hoods of children.',
            say: ['The opening of the hood is faced,', ' wide.'],
            put: (hood, words) => d.set('facing', { hood }, words),
          }),
        ]
      : []),
    band(
      'hem',
      'Face the hem',
      'The hem is',
      60,
      undefined,
      'In place of a turned hem: where the cloth is short, thick or flared.',
    ),
    ...(s.has('sleeve') ? [band('wrist', 'Face the sleeve hems', 'The sleeve hems are', 35, [30, 40])] : []),
  ];
  const lying = f.inOne > 0 || Object.values(f.bands).some((v) => v > 0);
  return (
    <>
      <Besides label="What else is faced" offer="Face another edge" extras={extras} />
      {lying && (
        <Say>
          Edges of facings that lie free are {blank.finish}, and the facings drawn {blank.turn} smaller, to roll inside.
        </Say>
      )}
    </>
  );
}

/** Bias strips in place of shaped facings, at the neck and at armholes. */
function biasExtras(d: Deciding, armhole: boolean): Extra[] {
  const { bias } = d.w.doc.decisions.facing;
  const put = (part: Partial<typeof bias>, label?: string) => d.set('facing', { bias: { ...bias, ...part } }, label);
  const strip = (key: 'neck' | 'armhole', label: string, where: string): Extra => ({
    label,
    on: bias[key],
    onAdd: () => put({ [key]: true }, label),
    said: (
      <>
        {where} is a bias strip{' '}
        <ChoiceBlank
          label={`${label}: how`}
          value={bias.school}
          ways={[
            { id: 'turned', words: 'sewn to the seam and turned inside' },
            { id: 'wrapped', words: 'wrapped round the trimmed edge' },
            { id: 'none', words: 'left out again' },
          ]}
          onPick={(x) =>
            x === 'none'
              ? put({ [key]: false }, `No more: ${label}`)
              : put({ school: x }, x === 'turned' ? 'Strip turned inside' : 'Strip wrapped round')
          }
        />
        , {blanks(biasFields(label), bias, d.w.doc.units, put).finished} wide when it is finished.
      </>
    ),
  });
  return [
    strip('neck', 'A bias strip at the neck instead', 'At the neck'),
    ...(armhole ? [strip('armhole', 'Bias strips at the armholes', 'At the armholes')] : []),
  ];
}
