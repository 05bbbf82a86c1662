import { Box, Heading, Text } from '@chakra-ui/react';
import { type HemChoice } from '../../../core/document/project.ts';
import { facedHem, liningHem } from '../../../core/drafting/lining/hem.ts';
import { HemSection } from '../../drawing/HemSection.tsx';
import { blanks } from '../../ui/fields.tsx';
import { Findings, Why } from '../../ui/Notes.tsx';
import { ChoiceBlank, Say, type Way } from '../../ui/Sentence.tsx';
import { type Deciding } from './deciding.ts';
import { hemFields } from './fields/lining.ts';

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
  const put = (part: Partial<HemChoice>, label?: string) => d.set('lining', { [which]: { ...choice, ...part } }, label);
  const f = blanks(hemFields(title), choice, units, put);
  return (
    <Box mb="5">
      <Heading as="h3" fontSize="18px" fontWeight="600" mb="2">
        {title}
      </Heading>
      <Say>
        The lining is {f.kind}.{' '}
        {choice.kind === 'joined' && (
          <>
            Its fold stays {f.clearance} above the hem; the seam between lining and hem is {f.seam}.
          </>
        )}
        {choice.kind === 'free' && (
          <>
            It ends {f.above} above the hem, turned {f.turn1} and then {f.turn2}.
          </>
        )}
        {choice.kind === 'rib' && (
          <>
            The rib is {f.ribDepth} deep when it is finished, and{' '}
            <ChoiceBlank
              label={`${title}: length of the rib, of the edge it is stretched to`}
              value={String(choice.ribShare)}
              ways={RIB_SHARES}
              onPick={(share) => put({ ribShare: Number(share) }, `${title}: rib ${share} % of the edge`)}
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
