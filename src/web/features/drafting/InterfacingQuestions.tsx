import { Text } from '@chakra-ui/react';
import { type ReactNode } from 'react';
import { interfacingFor, WEIGHTS, type Weight } from '../../../core/drafting/index.ts';
import { type PieceKind } from '../../../core/pattern/index.ts';
import { Besides, ChoiceBlank, type Extra, Say, type Way } from '../../ui/Sentence.tsx';
import { asked, shellOf, widthExtra } from './asking.tsx';
import { type Deciding } from './deciding.ts';
import { INTERFACING } from './fields/interfacing.ts';
import { RegionQuestions } from './RegionQuestions.tsx';

/** What is stiffened, where it ends, and for which cloth. */
export function InterfacingQuestions(d: Deciding) {
  const i = d.w.doc.decisions.interfacing;
  const f = asked(d, 'interfacing', INTERFACING);
  return (
    <>
      <ClothSentence {...d} />
      <Say>
        Facings and front edge {f.on}.{' '}
        {i.on && (
          <>
            It ends {f.trim}. On the front itself, under the facing, lies {f.front}
            {i.front === 'strip' && <>, {f.frontStrip} wide</>}.
          </>
        )}
      </Say>
      {i.on && <MoreInterfacing {...d} />}
    </>
  );
}

const WEIGHT_WORDS: Record<Weight, [string, string]> = {
  sheer: ['shows through', 'None: it would be seen.'],
  light: ['light', 'Only what carries buttons or has to stand.'],
  medium: ['medium', 'Facings, front edge, collar, cuffs and bands.'],
  heavy: ['heavy', 'Hems and upper back besides, as in coats and jackets.'],
};

/** The usual set for a cloth, as a beginning: each answer below can still be changed. */
function ClothSentence(d: Deciding) {
  const { regions: _, ...now } = d.w.doc.decisions.interfacing;
  const weight = WEIGHTS.find(
    (x) => JSON.stringify(interfacingFor(x)) === JSON.stringify({ ...interfacingFor(x), ...now }),
  );
  return (
    <Say>
      The set is{' '}
      <ChoiceBlank
        label="The usual set for cloth that is"
        value={weight ?? ''}
        said={weight ? `the usual one for cloth that is ${WEIGHT_WORDS[weight][0]}` : 'your own'}
        ways={WEIGHTS.map((x): Way<Weight | ''> => ({ id: x, words: WEIGHT_WORDS[x][0] }))}
        help={weight ? WEIGHT_WORDS[weight][1] : 'An answer here begins anew with the usual one.'}
        onPick={(x) => x && d.set('interfacing', interfacingFor(x), `Interfacing for cloth: ${WEIGHT_WORDS[x][0]}`)}
      />
      .
    </Say>
  );
}

/** Bands and collars that can be stiffened, by their names. */
const BANDS: readonly (readonly [PieceKind, string])[] = [
  ['collar', 'collar'],
  ['stand', 'stand'],
  ['cuff', 'cuffs'],
  ['waistband', 'waistband'],
  ['placket', 'placket'],
];

/** Those of them that this garment has, as a sentence begins. */
function present(has: (kind: PieceKind) => boolean): string {
  const names = BANDS.filter(([kind]) => has(kind)).map(([, name]) => name);
  const list = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '');
  return list.charAt(0).toUpperCase() + list.slice(1);
}

/** Interfacings beside those of the facings. */
function MoreInterfacing(d: Deciding) {
  const i = d.w.doc.decisions.interfacing;
  const s = shellOf(d);
  const zipped = d.w.doc.decisions.lining.zip.length > 0 || d.w.doc.decisions.making.methods.front === 'zip';
  const bands = BANDS.filter(([kind]) => s.has(kind)).length;
  const ticked = (key: 'collars' | 'patches', label: string, said: ReactNode): Extra => ({
    label,
    on: i[key],
    said,
    onAdd: () => d.set('interfacing', { [key]: true }, label),
  });
  const out = (key: 'collars' | 'patches', label: string, words: string) => (
    <ChoiceBlank
      label={label}
      value="yes"
      said={words}
      ways={[
        { id: 'yes', words },
        { id: 'no', words: 'left out again' },
      ]}
      onPick={(x) => x === 'no' && d.set('interfacing', { [key]: false }, `No more: ${label}`)}
    />
  );
  const extras: Extra[] = [
    ...(s.has('collar', 'stand', 'cuff', 'waistband', 'placket')
      ? [
          ticked(
            'collars',
            'Interface collar, stand, cuffs, waistband and placket',
            <>
              {present(s.has)} {bands > 1 || s.has('cuff') ? 'are' : 'is'}{' '}
              {out('collars', 'Interface collar, stand, cuffs, waistband and placket', 'interfaced')}
              {s.has('stand') && i.collars && <>, the stand in {asked(d, 'interfacing', INTERFACING).stand}</>}.
            </>,
          ),
        ]
      : []),
    ...(zipped
      ? [
          widthExtra({
            d,
            label: 'Strips along the zip',
            value: i.zip,
            first: 25,
            least: 15,
            most: 50,
            help: 'In knit and soft cloth, on the wrong side; {25 mm} is usual.',
            say: ['Along the zip lie strips,', ' wide.'],
            put: (zip, words) => d.set('interfacing', { zip }, words),
          }),
        ]
      : []),
    ...(d.w.doc.decisions.closure.on && s.has('front')
      ? [
          ticked(
            'patches',
            'A patch behind each buttonhole',
            <>Behind each buttonhole lies {out('patches', 'A patch behind each buttonhole', 'a patch')}.</>,
          ),
        ]
      : []),
    widthExtra({
      d,
      label: 'Bias strips in the hems',
      value: i.hems,
      first: 15,
      least: 5,
      most: 30,
      help: 'So much wider than the hem, to reach past its fold; {15 mm} is usual.',
      say: ['In the hems lie bias strips,', ' wider than the hem.'],
      put: (hems, words) => d.set('interfacing', { hems }, words),
    }),
    ...(s.has('back')
      ? [
          widthExtra({
            d,
            label: 'A stay for the upper back',
            value: i.stay,
            first: 200,
            least: 100,
            most: 320,
            help: 'Its depth at centre back.',
            say: ['The upper back has a stay,', ' deep at the centre.'],
            put: (stay, words) => d.set('interfacing', { stay }, words),
          }),
        ]
      : []),
  ];
  return (
    <>
      <Besides label="What else is interfaced" offer="Interface something else" extras={extras} />
      <RegionQuestions {...d} />
      <Text color="quiet" fontSize="15px">
        Fuse a test square first. Where the cloth shows through, leave it out.
      </Text>
    </>
  );
}
