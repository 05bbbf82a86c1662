import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import {
  PRACTICE,
  type PracticeId,
  type PracticeStep,
  practiceSteps,
  type ScrapLineKind,
  scrapsFrom,
} from '../../../core/bench/index.ts';
import { type StashCloth } from '../../../core/cutting/index.ts';
import { STASH } from '../../../core/document/project.ts';
import { formatLength, type LengthUnit, parseLength } from '../../../core/units.ts';
import { api } from '../../data/client.ts';
import { useStash } from '../../data/useStash.ts';
import { ScrapsDrawing } from '../../drawing/ScrapsDrawing.tsx';
import { TurningLayers } from '../../drawing/TurningLayers.tsx';
import { BenchFrame, BenchSides, HowFar } from '../../ui/BenchFrame.tsx';
import { FigureRow } from '../../ui/FigureRow.tsx';
import { StrokeDrawing, Worded } from '../../ui/Worded.tsx';
import {
  CAUTION_WORDS,
  PRACTICE_WORDS,
  practiceCautions,
  practiceFigures,
  practiceWords,
  SCRAP_WORDS,
  STATION_WORDS,
} from '../../words/index.ts';

/** Where one is in a practice piece is in the address: a reload goes on there. */
function useAt(last: number) {
  const [asked, setAsked] = useSearchParams();
  const n = Number(asked.get('step') ?? 0);
  const at = Number.isInteger(n) && n >= 0 && n <= last ? n : 0;
  const go = (to: number): void => {
    const card = asked.get('card') ?? '';
    if (to >= 0 && to <= last) setAsked(to ? { card, step: String(to) } : { card }, { replace: true });
  };
  return { at, go };
}

const Title = ({ children }: { children: string }) => (
  <Heading as="h1" fontSize={{ base: '36px', lg: '44px' }} fontWeight="600" lineHeight="1.14" my="2">
    {children}
  </Heading>
);

/** One practice piece at the bench: the scraps are cut, its steps sewn one at a time, and in the end it is looked at. */
export function PracticeCard({ id }: { id: PracticeId }) {
  const steps = useMemo(() => practiceSteps(id), [id]);
  const { stash, units } = useStash();
  const { at, go } = useAt(steps.length + 1);
  const { title, check } = PRACTICE_WORDS[id];
  useEffect(() => {
    document.title = `${title} · Woodbine`;
  }, [title]);
  const step = steps[at - 1];
  const ended = at > steps.length;
  const said = step ? practiceWords(id, step, units) : { title: ended ? check : 'Cut the scraps', how: '' };
  return (
    <BenchFrame
      leave={{ to: '/practice', words: 'Leave the practice' }}
      title={title}
      spoken={`${said.title}. ${said.how}`}
      go={ended ? null : step ? 'Done' : 'They are cut'}
      onDone={() => !ended && go(at + 1)}
      onBack={() => go(at - 1)}
      first={at === 0}
      far={
        <HowFar
          words={step ? `${at} of ${steps.length}` : ended ? 'the look at the end' : `${steps.length} steps`}
          share={Math.round((100 * at) / (steps.length + 1))}
        />
      }
    >
      {step ? (
        <OneStep id={id} steps={steps} at={at - 1} units={units} />
      ) : ended ? (
        <Look id={id} units={units} />
      ) : (
        <ToCut id={id} units={units} rests={(stash?.cloths ?? []).filter((c) => !c.used && c.of !== '')} />
      )}
    </BenchFrame>
  );
}

interface StepProps {
  id: PracticeId;
  steps: readonly PracticeStep[];
  at: number;
  units: LengthUnit;
}

function OneStep({ id, steps, at, units }: StepProps) {
  const step = steps[at] as PracticeStep;
  const { title, how } = practiceWords(id, step, units);
  const before = useMemo(
    () => steps.slice(0, at).flatMap((s) => s.lines.filter((l) => STAYS.has(l.kind))),
    [steps, at],
  );
  const cautions = practiceCautions(steps, at);
  return (
    <BenchSides
      label={title}
      seen={
        <>
          <Scraps id={id} lines={step.lines} before={before} height={step.layers ? 240 : 340} />
          {step.layers && (
            <Box my="4">
              <TurningLayers key={step.code} layers={step.layers} names={SCRAP_WORDS} units={units} />
            </Box>
          )}
        </>
      }
    >
      <Text fontSize="22px" color="quiet">
        {at + 1} of {steps.length} · {STATION_WORDS[step.station]}
      </Text>
      <Title>{title}</Title>
      <Text fontSize={{ base: '26px', lg: '28px' }} lineHeight="1.4" my="3">
        <Worded text={how} />
      </Text>
      <FigureRow figures={practiceFigures(step, units)} size="bench" />
      {cautions && (
        <Text fontSize="22px" color="honey" mt="3">
          {cautions}
        </Text>
      )}
    </BenchSides>
  );
}

/** What is still seen at later steps. */
const STAYS: ReadonlySet<ScrapLineKind> = new Set(['seam', 'crease']);

interface ScrapsProps {
  id: PracticeId;
  lines: PracticeStep['lines'];
  before: PracticeStep['lines'];
  height: number;
}

/** The scraps of a card, each by what it stands for. */
const Scraps = ({ id, lines, before, height }: ScrapsProps) => (
  <ScrapsDrawing
    scraps={PRACTICE[id].scraps.flatMap((s) =>
      s.as.map((as) => ({ ...s, as, words: as === 'corner' ? 'the scrap' : SCRAP_WORDS[as] })),
    )}
    lines={lines}
    before={before}
    height={height}
  />
);

/** What to cut, and out of which leftover. */
function ToCut({ id, units, rests }: { id: PracticeId; units: LengthUnit; rests: readonly StashCloth[] }) {
  const { scraps } = PRACTICE[id];
  const from = scrapsFrom(rests, scraps);
  const { why, drawn } = PRACTICE_WORDS[id];
  return (
    <BenchSides
      label="Cut the scraps"
      seen={
        <>
          <Scraps id={id} lines={[]} before={[]} height={300} />
          <Box mt="6">
            <StrokeDrawing drawn={drawn} width={320} />
            <Text fontSize="18px" color="quiet">
              What it comes to
            </Text>
          </Box>
        </>
      }
    >
      <Text fontSize="22px" color="quiet">
        {why}
      </Text>
      <Title>Cut the scraps</Title>
      <Box as="ul" fontSize={{ base: '26px', lg: '28px' }} m="0" pl="6">
        {scraps.map((s) => (
          <li key={`${s.width} ${s.length}`}>
            {s.as.length} of {formatLength(s.width, units)} by {formatLength(s.length, units)}
          </li>
        ))}
      </Box>
      <Text fontSize="22px" mt="3">
        {from ? (
          <>
            They can be cut from {from.name}, which lies in <Link to="/stash">the stash</Link>.
          </>
        ) : rests.length ? (
          'No leftover in the stash is large enough for all of them: take any cloth like that of the garment.'
        ) : (
          'There are no leftovers in the stash: take any cloth like that of the garment.'
        )}
      </Text>
      <Text fontSize="22px" mt="3" color="honey">
        {CAUTION_WORDS.blades.full}
      </Text>
    </BenchSides>
  );
}

/** The look at the end: measured where it can be, and noted. */
function Look({ id, units }: { id: PracticeId; units: LengthUnit }) {
  const { title, check } = PRACTICE_WORDS[id];
  const { passes } = PRACTICE[id];
  const leave = useNavigate();
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const keep = async (result: string, figures: Record<string, number | string>): Promise<void> => {
    try {
      // The notebook of what belongs to no project is begun when it is first asked for.
      await api.stash();
      await api.entry(STASH, {
        kind: 'practice',
        words: `${title}: ${result}`,
        figures: { ...figures, card: id, what: title, result },
      });
      leave('/practice');
    } catch (e) {
      setWrong((e as Error).message);
    }
  };
  const measured = (): void => {
    const read = parseLength(text, units);
    if (!read.ok || passes === null) setWrong('Say a length: 1.5 mm, or 1/16".');
    else
      void keep(
        `${formatLength(read.value, units)} off, ${read.value <= passes ? 'it passes' : `more than ${formatLength(passes, units)}: once more`}`,
        { by: read.value },
      );
  };
  return (
    <Box as="article" aria-label={check}>
      <Title>{check}</Title>
      {wrong && (
        <Text role="alert" color="berry" fontSize="22px">
          {wrong}
        </Text>
      )}
      <Flex gap="4" wrap="wrap" align="center" my="4">
        {passes === null ? (
          <>
            <Answer words="No" onClick={() => void keep('nothing is caught, it passes', {})} />
            <Answer words="Yes" onClick={() => void keep('it is caught: once more', {})} />
          </>
        ) : (
          <>
            <Input
              aria-label="How much"
              placeholder={formatLength(1, units)}
              w="9em"
              h="64px"
              fontSize="26px"
              borderColor="rule"
              value={text}
              onChange={(e) => setText(e.target.value)}
              onKeyDown={(e) => e.key === 'Enter' && measured()}
            />
            <Answer words="Note it" onClick={measured} />
          </>
        )}
      </Flex>
      {passes !== null && (
        <Text fontSize="22px" color="quiet">
          Up to {formatLength(passes, units)} passes.
        </Text>
      )}
    </Box>
  );
}

const Answer = ({ words, onClick }: { words: string; onClick: () => void }) => (
  <Button h="64px" px="8" fontSize="22px" colorPalette="leaf" onClick={onClick}>
    {words}
  </Button>
);
