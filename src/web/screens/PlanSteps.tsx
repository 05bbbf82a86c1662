import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { closestCenter, DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react';
import { type KeyboardEvent, useState } from 'react';
import { moved, type PlanStep } from '../../core/plan/index.ts';
import { cautionsOf, factsOf, minutesWords, SECTION_WORDS, STATION_WORDS, stepWords } from '../words/index.ts';
import { Complaint } from './OwnOrder.tsx';
import { type Planning } from './planning.ts';
import { StepDetails } from './StepDetails.tsx';

/** The steps in their order; each can be dragged or keyed elsewhere, left out, and opened. */
export function PlanSteps({ p }: { p: Planning }) {
  const { w, plan, set, names } = p;
  const { steps } = plan;
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const [all, setAll] = useState(false);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const cautions = cautionsOf(steps);
  const ids = steps.map((s) => s.id);
  const move = (id: string, to: number): void => {
    if (to < 0 || to >= ids.length || ids[to] === id) return;
    const s = steps.find((x) => x.id === id) as PlanStep;
    set(`Step moved: ${stepWords(s, w.doc.units, names).title}`, { order: moved(ids, id, to) });
  };
  const drop = ({ active, over }: DragEndEvent): void => {
    if (over) move(String(active.id), ids.indexOf(String(over.id)));
  };
  const toggle = (id: string): void =>
    setOpen((o) => {
      const next = new Set(o);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const out = (s: PlanStep): void =>
    set(`Step left out: ${stepWords(s, w.doc.units, names).title}`, { left: [...w.doc.decisions.making.left, s.id] });
  return (
    <Box>
      <Flex justify="space-between" gap="4" mb="2" wrap="wrap">
        <Text fontSize="15px" color="quiet" maxW="62ch">
          Open a step to see its layers in section: thick line with dots is the right side of the cloth, dashes along a
          layer are interfacing. Alt with the arrow keys moves the step you are on.
        </Text>
        <Button size="sm" variant="outline" onClick={() => setAll(!all)} aria-pressed={all}>
          {all ? 'Close all' : 'Open all'}
        </Button>
      </Flex>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <Box as="ol" listStyleType="none" m="0" p="0">
            {steps.map((s, i) => (
              <Step
                key={s.id}
                s={s}
                p={p}
                head={steps[i - 1]?.section !== s.section}
                cautions={cautions.get(s.id) ?? []}
                open={all || open.has(s.id)}
                onToggle={() => toggle(s.id)}
                onMove={(by) => move(s.id, i + by)}
                onOut={() => out(s)}
              />
            ))}
          </Box>
        </SortableContext>
      </DndContext>
    </Box>
  );
}

interface StepProps {
  s: PlanStep;
  p: Planning;
  head: boolean;
  cautions: string[];
  open: boolean;
  onToggle: () => void;
  onMove: (by: number) => void;
  onOut: () => void;
}

function Step({ s, p, head, cautions, open, onToggle, onMove, onOut }: StepProps) {
  const { setNodeRef, transform, transition, listeners, isDragging } = useSortable({ id: s.id });
  const { title, how } = stepWords(s, p.w.doc.units, p.names);
  const facts = factsOf(s, p.w.doc.units);
  const broken = p.plan.findings.filter((f) => f.severity !== 'note' && f.data?.step === s.id);
  const keys = (e: KeyboardEvent): void => {
    const by = e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' ? 1 : 0;
    if (!e.altKey || !by) return;
    e.preventDefault();
    onMove(by);
  };
  return (
    <li ref={setNodeRef} style={{ transform: CSS.Translate.toString(transform), transition }} data-step={s.id}>
      {head && (
        <Heading as="h3" fontSize="19px" fontWeight="600" mt="4" mb="2" color="leaf.fg">
          {SECTION_WORDS[s.section]}
        </Heading>
      )}
      <Box
        bg="sheet"
        borderWidth="1px"
        borderColor={broken.some((f) => f.severity === 'stop') ? 'berry' : broken.length ? 'honey' : 'rule'}
        borderRadius="6px"
        px="3"
        py="2"
        mb="2"
        opacity={isDragging ? 0.6 : 1}
        onKeyDown={keys}
      >
        <Flex gap="3" align="flex-start">
          <Box {...listeners} cursor="grab" color="quiet" pt="1" aria-hidden style={{ touchAction: 'none' }}>
            <GripVertical size={18} />
          </Box>
          <Text fontFamily="heading" fontSize="24px" lineHeight="1.15" minW="34px" textAlign="right" color="leaf.fg">
            {s.number}
          </Text>
          <Box flex="1" minW="0">
            <Flex gap="3" align="baseline" wrap="wrap">
              <button
                type="button"
                onClick={onToggle}
                aria-expanded={open}
                style={{ textAlign: 'left', cursor: 'pointer' }}
              >
                <Text as="span" fontSize="17.5px" fontWeight="650">
                  {title}
                </Text>
              </button>
              <Text as="span" fontSize="14px" color="quiet">
                {STATION_WORDS[s.station]} · {minutesWords(s.minutes)}
                {s.after.length > 0 && ` · after ${s.after.join(', ')}`}
              </Text>
            </Flex>
            {facts.length > 0 && <Text fontWeight="550">{facts.join(' · ')}</Text>}
            {how && <Text maxW="75ch">{how}</Text>}
            {cautions.length > 0 && (
              <Text fontSize="15px" color="honey">
                {cautions.join(' ')}
              </Text>
            )}
          </Box>
          <Moves title={title} onMove={onMove} />
        </Flex>
        {broken.length > 0 && (
          <Box as="ul" listStyleType="none" m="0" pl="70px">
            {broken.map((f, i) => (
              <Complaint key={`${f.code}${i}`} f={f} p={p} />
            ))}
          </Box>
        )}
        {open && <StepDetails s={s} p={p} onOut={onOut} />}
      </Box>
    </li>
  );
}

function Moves({ title, onMove }: { title: string; onMove: (by: number) => void }) {
  return (
    <Flex gap="1" flexShrink={0}>
      <Button size="xs" variant="ghost" px="1" aria-label={`Earlier: ${title}`} onClick={() => onMove(-1)}>
        <ArrowUp size={17} aria-hidden />
      </Button>
      <Button size="xs" variant="ghost" px="1" aria-label={`Later: ${title}`} onClick={() => onMove(1)}>
        <ArrowDown size={17} aria-hidden />
      </Button>
    </Flex>
  );
}
