import { Box, Text } from '@chakra-ui/react';
import { type FrontInterfacing, type Trim } from '../../core/document/project.ts';
import { interfacingFor, WEIGHTS, type Weight } from '../../core/drafting/index.ts';
import { inUnit } from '../../core/units.ts';
import { Ask, Tick } from '../parts/Ask.tsx';
import { hide, Length, shellOf, Width } from './asking.tsx';
import { type Deciding } from './deciding.ts';
import { RegionQuestions } from './RegionQuestions.tsx';

const TRIMS: [Trim, string][] = [
  ['inside', '{3 mm} inside the seam: least bulk'],
  ['seam', 'up to the seam line'],
  ['caught', '{3 mm} into the allowance: caught'],
  ['whole', 'the whole piece'],
];

const FRONT_ANSWERS: [FrontInterfacing, string][] = [
  ['strip', 'a strip along the edge'],
  ['shaped', 'shaped, from shoulder and underarm'],
  ['whole', 'the whole front'],
];

export function InterfacingQuestions(d: Deciding) {
  const i = d.w.doc.decisions.interfacing;
  return (
    <>
      <ClothQuestion {...d} />
      <Tick
        label="Interface facings and front edge"
        checked={i.on}
        onTick={(on) => d.set('interfacing', { on }, on ? 'With interfacing' : 'Without interfacing')}
      />
      {hide(
        i.on,
        <>
          <Ask
            question="It ends"
            value={i.trim}
            answers={TRIMS.map(([t, words]): [Trim, string] => [t, inUnit(words, d.w.doc.units)])}
            onAnswer={(trim) => d.set('interfacing', { trim }, 'Interfacing ends elsewhere')}
          />
          <Ask
            question="On the front itself, under the facing"
            value={i.front}
            answers={FRONT_ANSWERS}
            onAnswer={(front) =>
              d.set('interfacing', { front }, `On the front: ${FRONT_ANSWERS.find(([x]) => x === front)?.[1] ?? front}`)
            }
          />
          {i.front === 'strip' && (
            <Length
              d={d}
              of="interfacing"
              key_="frontStrip"
              label="Strip along the front edge"
              least={0}
              most={120}
              help="Under buttons and buttonholes; 0 for none."
            />
          )}
          <MoreInterfacing {...d} />
        </>,
      )}
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
export function ClothQuestion(d: Deciding) {
  const { regions: _, ...now } = d.w.doc.decisions.interfacing;
  const weight = WEIGHTS.find(
    (x) => JSON.stringify(interfacingFor(x)) === JSON.stringify({ ...interfacingFor(x), ...now }),
  );
  return (
    <Box mb="3">
      <Ask
        question="The usual set for cloth that is"
        value={weight ?? ''}
        answers={WEIGHTS.map((x): [Weight | '', string] => [x, WEIGHT_WORDS[x][0]])}
        onAnswer={(x) => x && d.set('interfacing', interfacingFor(x), `Interfacing for cloth: ${WEIGHT_WORDS[x][0]}`)}
      />
      <Text color="quiet" fontSize="15px">
        {weight ? WEIGHT_WORDS[weight][1] : 'Your own set; an answer here begins anew with the usual one.'}
      </Text>
    </Box>
  );
}

/** Interfacings beside those of the facings. */
export function MoreInterfacing(d: Deciding) {
  const i = d.w.doc.decisions.interfacing;
  const s = shellOf(d);
  return (
    <>
      {s.has('collar', 'stand', 'cuff', 'waistband', 'placket') && (
        <Tick
          label="Interface collar, stand, cuffs, waistband and placket"
          checked={i.collars}
          onTick={(collars) =>
            d.set('interfacing', { collars }, collars ? 'Collars interfaced' : 'Collars not interfaced')
          }
        />
      )}
      {s.has('stand') && i.collars && (
        <Ask
          question="The collar stand"
          value={i.stand}
          answers={[
            ['both', 'both layers'],
            ['one', 'one layer'],
          ]}
          onAnswer={(stand) =>
            d.set('interfacing', { stand }, stand === 'both' ? 'Stand: both layers' : 'Stand: one layer')
          }
        />
      )}
      {(d.w.doc.decisions.lining.zip.length > 0 || d.w.doc.decisions.making.methods.front === 'zip') && (
        <Width
          d={d}
          label="Strips along the zip"
          value={i.zip}
          usual={25}
          least={15}
          most={50}
          help="In knit and soft cloth, on the wrong side; {25 mm} is usual."
          put={(zip, words) => d.set('interfacing', { zip }, words)}
        />
      )}
      {d.w.doc.decisions.closure.on && s.has('front') && (
        <Tick
          label="A patch behind each buttonhole"
          checked={i.patches}
          onTick={(patches) => d.set('interfacing', { patches }, patches ? 'Patches behind buttonholes' : 'No patches')}
        />
      )}
      <Width
        d={d}
        label="Bias strips in the hems"
        value={i.hems}
        usual={15}
        least={5}
        most={30}
        help="So much wider than the hem, to reach past its fold; {15 mm} is usual."
        put={(hems, words) => d.set('interfacing', { hems }, words)}
      />
      {s.has('back') && (
        <Width
          d={d}
          label="A stay for the upper back"
          value={i.stay}
          usual={200}
          least={100}
          most={320}
          help="Its depth at centre back."
          put={(stay, words) => d.set('interfacing', { stay }, words)}
        />
      )}
      <RegionQuestions {...d} />
      <Text color="quiet" fontSize="15px">
        Fuse a test square first. Where the cloth shows through, leave it out.
      </Text>
    </>
  );
}
