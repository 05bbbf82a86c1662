import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { useMemo } from 'react';
import { gradingOf, type Layers, layersOf, type PlanStep, type Section } from '../../core/assembly/index.ts';
import { planOf } from '../../core/compute.ts';
import { formatLength } from '../../core/units.ts';
import { type Workbook } from '../api/useProject.ts';
import { LayersDrawing } from '../drawing/LayersDrawing.tsx';
import { AllWell, Findings } from '../parts/Notes.tsx';
import { Empty, Page, SheetBox } from '../parts/Page.tsx';
import { cautionsOf, SECTION_WORDS, SIDES_WORDS, STATION_WORDS, stepWords, stopWords } from '../words/index.ts';

/** In what order, and which side up? */
export function PlanPage({ w }: { w: Workbook }) {
  const plan = useMemo(() => planOf(w.doc, w.computed), [w.doc, w.computed]);
  const names = useMemo(() => Object.fromEntries(w.computed.pieces.map((p) => [p.id, p.name])), [w.computed]);
  if (!w.computed.shell.length) {
    return (
      <Page question="In what order, and which side up?">
        <Empty title="Nothing to sew yet">
          The plan follows from the pieces and their seams. Put the pattern in first.
        </Empty>
      </Page>
    );
  }
  if (!plan.ok) {
    return (
      <Page question="In what order, and which side up?">
        <SheetBox>
          <Findings findings={plan.findings} w={w} />
        </SheetBox>
      </Page>
    );
  }
  const { steps, findings, stationChanges } = plan.value;
  const cautions = cautionsOf(steps);
  const graded = gradingOf(steps);
  return (
    <Page
      question="In what order, and which side up?"
      lead={`${steps.length} steps for this garment as you decided it, ${stationChanges} walks between table, iron and machine. Each waits for the steps it needs.`}
    >
      <SheetBox>
        {findings.length === 0 ? (
          <AllWell words="Looked over: every edge is taken care of, no step comes before what it needs, and it can be turned right side out." />
        ) : (
          <Findings findings={findings} w={w} />
        )}
      </SheetBox>
      <Text fontSize="15px" color="quiet" mb="3">
        Beside each seam its layers in section, from the top down: as they lie for stitching (the dashes across), and
        when it is pressed. Thick line with dots: the right side of the cloth. Dashes along a layer: interfacing.
      </Text>
      {blocks(steps).map((b) => (
        <Box key={b.steps[0]?.number} mb="5">
          <Heading as="h2" fontSize="21px" fontWeight="600" mb="2" color="leaf.fg">
            {SECTION_WORDS[b.section]}
          </Heading>
          <Box as="ol" listStyleType="none" m="0" p="0">
            {b.steps.map((s) => (
              <Step
                key={s.id}
                s={s}
                w={w}
                names={names}
                cautions={cautions.get(s.id) ?? []}
                layers={layersOf(s, w.computed, graded)}
              />
            ))}
          </Box>
        </Box>
      ))}
    </Page>
  );
}

/** Neighbouring steps of one section under one heading. */
function blocks(steps: PlanStep[]): { section: Section; steps: PlanStep[] }[] {
  const out: { section: Section; steps: PlanStep[] }[] = [];
  for (const s of steps) {
    const last = out[out.length - 1];
    if (last?.section === s.section) last.steps.push(s);
    else out.push({ section: s.section, steps: [s] });
  }
  return out;
}

interface StepProps {
  s: PlanStep;
  w: Workbook;
  names: Record<string, string>;
  cautions: string[];
  layers: Layers | null;
}

function Step({ s, w, names, cautions, layers }: StepProps) {
  const units = w.doc.units;
  const { title, how } = stepWords(s, units, names);
  const pieces =
    s.pieces.length > 8
      ? ''
      : s.pieces
          .map((p) => names[p])
          .filter(Boolean)
          .join(', ');
  const facts = [
    s.sides && SIDES_WORDS[s.sides],
    s.allowance !== null && s.allowance > 0 && `allowance ${formatLength(s.allowance, units)}`,
    ...stopWords(s, units),
  ].filter(Boolean);
  return (
    <SheetBox as="li" mb="2" py="3">
      <Flex gap="4" align="flex-start" wrap={{ base: 'wrap', xl: 'nowrap' }}>
        <Text fontFamily="heading" fontSize="26px" lineHeight="1" minW="38px" textAlign="right" color="leaf.fg">
          {s.number}
        </Text>
        <Box flex="1" minW="0">
          <Flex gap="3" align="baseline" wrap="wrap">
            <Heading as="h3" fontSize="18px" fontWeight="650" fontFamily="body">
              {title}
            </Heading>
            <Text
              as="span"
              fontSize="14px"
              px="2"
              borderWidth="1px"
              borderColor="rule"
              borderRadius="full"
              color="quiet"
            >
              {STATION_WORDS[s.station]}
            </Text>
          </Flex>
          {pieces && (
            <Text fontSize="15px" color="quiet">
              {pieces}
            </Text>
          )}
          {facts.length > 0 && <Text fontWeight="600">{facts.join(' · ')}</Text>}
          <Text maxW="75ch">{how}</Text>
          {cautions.length > 0 && (
            <Text fontSize="15px" color="honey">
              {cautions.join(' ')}
            </Text>
          )}
          {s.after.length > 0 && (
            <Text fontSize="14px" color="quiet">
              after step{s.after.length === 1 ? '' : 's'} {s.after.join(', ')}
            </Text>
          )}
        </Box>
        {layers && <LayersDrawing layers={layers} names={names} units={units} />}
      </Flex>
    </SheetBox>
  );
}
