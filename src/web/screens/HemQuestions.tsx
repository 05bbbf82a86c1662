import { Box, Heading, Text } from '@chakra-ui/react';
import { type HemChoice, type HemKind } from '../../core/document/project.ts';
import { facedHem, liningHem } from '../../core/drafting/lining/hem.ts';
import { formatLength } from '../../core/units.ts';
import { HemSection } from '../drawing/HemSection.tsx';
import { Ask } from '../parts/Ask.tsx';
import { Measure } from '../parts/Measure.tsx';
import { Findings, Why } from '../parts/Notes.tsx';
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

const HEM_ANSWERS: [HemKind, string][] = [
  ['joined', 'sewn to the hem, with a fold'],
  ['free', 'hanging free'],
  ['rib', 'sewn with the shell to a rib'],
  ['edge', "seamed to the shell's edge"],
];
/** 80–90 % by handbooks, from memory. */
const RIB_SHARES: [string, string][] = [75, 80, 85, 90].map((n) => [String(n), `${n} %`]);

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
    <Measure
      label={label}
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
      <Ask
        question="The lining is"
        value={choice.kind}
        answers={HEM_ANSWERS}
        onAnswer={(kind) => put({ kind }, `lining ${HEM_ANSWERS.find(([x]) => x === kind)?.[1] ?? kind}`)}
      />
      {choice.kind === 'joined' && (
        <>
          {length('clearance', 'Fold stays above the hem', 5, 35)}
          {length('seam', 'Seam between lining and hem', 5, 15)}
        </>
      )}
      {choice.kind === 'free' && (
        <>
          {length('above', 'Lining ends above the hem', 5, 60)}
          {length('turn1', 'First turn', 5, 30)}
          {length('turn2', 'Second turn', 10, 50)}
        </>
      )}
      {choice.kind === 'rib' && (
        <>
          {length('ribDepth', 'Rib, finished depth', 20, 120)}
          <Ask
            question="Its length, of the edge it is stretched to"
            value={String(choice.ribShare)}
            answers={RIB_SHARES}
            onAnswer={(share) => put({ ribShare: Number(share) }, `rib ${share} % of the edge`)}
          />
        </>
      )}
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
