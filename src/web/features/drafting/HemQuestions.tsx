import { Box, Heading, Text } from '@chakra-ui/react';
import { type HemChoice, type HemKind } from '../../../core/document/project.ts';
import { facedHem, liningHem } from '../../../core/drafting/lining/hem.ts';
import { formatLength } from '../../../core/units.ts';
import { HemSection } from '../../drawing/HemSection.tsx';
import { Findings, Why } from '../../ui/Notes.tsx';
import { ChoiceBlank, LengthBlank, Say, type Way } from '../../ui/Sentence.tsx';
import { type Deciding } from './deciding.ts';

export function HemQuestions(d: Deciding) {
  if (d.w.doc.decisions.lining.on && d.w.doc.decisions.lining.self)
    return <Text color="quiet">Worn on both sides: both layers are seamed together at hem and wrist.</Text>;
  return (
    <>
      <OneHem d={d} which="hem" title="At the hem" />
      <OneHem d={d} which="wrist" title="At the wrist" />
    </>
  );
}

const KINDS: readonly Way<HemKind>[] = [
  {
    id: 'joined',
    words: 'sewn to the hem, with a fold',
    drawn: [
      ['edge', 'M50 6V50H78V34'],
      ['under', 'M70 6V40Q70 44 74 44T78 40V34H84V6Z'],
      ['stitch', 'M72 34H84'],
    ],
  },
  {
    id: 'free',
    words: 'hanging free',
    drawn: [
      ['edge', 'M50 6V50H68V36'],
      ['under', 'M80 6H88V40H80Z'],
      ['stitch', 'M80 34H88'],
    ],
  },
  {
    id: 'rib',
    words: 'sewn with the shell to a rib',
    drawn: [
      ['edge', 'M50 6V34M72 6V34'],
      ['under', 'M66 6H72V34H66Z'],
      ['fill', 'M50 34H72V54H50Z'],
      ['edge', 'M50 34H72M55 36V54M61 36V54M67 36V54'],
    ],
  },
  {
    id: 'edge',
    words: "seamed to the shell's edge",
    drawn: [
      ['edge', 'M50 6V52'],
      ['under', 'M54 6H62V52H54Z'],
      ['stitch', 'M48 48H64'],
    ],
  },
];
/** 80–90 % by handbooks, from memory. */
const RIB_SHARES: readonly Way<string>[] = [75, 80, 85, 90].map((n) => ({ id: String(n), words: `${n} %` }));

function OneHem({ d, which, title }: { d: Deciding; which: 'hem' | 'wrist'; title: string }) {
  const lining = d.w.doc.decisions.lining;
  const units = d.w.doc.units;
  const choice = lining[which];
  const faced = facedHem(d.w.doc.decisions, which);
  const allowance =
    d.w.computed.shell.flatMap((p) => p.ring).find((e) => e.role === which)?.allowance ??
    d.w.doc.decisions.allowances[which];
  const depth = faced ?? allowance;
  const made = liningHem(choice, allowance, faced);
  const put = (part: Partial<HemChoice>, label?: string) =>
    d.set('lining', { [which]: { ...choice, ...part } }, label && `${title}: ${label}`);
  const length = (key: Exclude<keyof HemChoice, 'kind' | 'ribShare'>, label: string, least: number, most: number) => (
    <LengthBlank
      label={`${title}: ${label.toLowerCase()}`}
      value={choice[key]}
      least={least}
      most={most}
      units={units}
      onPreview={(v) => put({ [key]: v })}
      onValue={(v) => put({ [key]: v }, `${label.toLowerCase()} ${formatLength(v, units)}`)}
    />
  );
  return (
    <Box mb="5">
      <Heading as="h3" fontSize="18px" fontWeight="600" mb="2">
        {title}
      </Heading>
      <Say>
        The lining is{' '}
        <ChoiceBlank
          label={`${title} the lining is`}
          value={choice.kind}
          ways={KINDS}
          onPick={(kind) => put({ kind }, `lining ${KINDS.find((x) => x.id === kind)?.words ?? kind}`)}
        />
        .{' '}
        {choice.kind === 'joined' && (
          <>
            Its fold stays {length('clearance', 'Fold stays above the hem', 5, 35)} above the hem; the seam between
            lining and hem is {length('seam', 'Seam between lining and hem', 5, 15)}.
          </>
        )}
        {choice.kind === 'free' && (
          <>
            It ends {length('above', 'Lining ends above the hem', 5, 60)} above the hem, turned{' '}
            {length('turn1', 'First turn', 5, 30)} and then {length('turn2', 'Second turn', 10, 50)}.
          </>
        )}
        {choice.kind === 'rib' && (
          <>
            The rib is {length('ribDepth', 'Rib, finished depth', 20, 120)} deep when it is finished, and{' '}
            <ChoiceBlank
              label={`${title}: length of the rib, of the edge it is stretched to`}
              value={String(choice.ribShare)}
              ways={RIB_SHARES}
              onPick={(share) => put({ ribShare: Number(share) }, `rib ${share} % of the edge`)}
            />{' '}
            as long as the edge it is stretched to.
          </>
        )}
      </Say>
      {made.ok ? (
        <>
          <HemSection depth={depth} choice={choice} hem={made.value} units={units} />
          <Why reasons={[made.value.reason]} units={units} about="there" />
        </>
      ) : (
        <Findings findings={made.findings} w={d.w} />
      )}
    </Box>
  );
}
