import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { closestCenter, DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react';
import { type KeyboardEvent, memo, useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { moved, type PlanStep } from '../../core/plan/index.ts';
import { type Finding } from '../../core/result.ts';
import { type LengthUnit } from '../../core/units.ts';
import { cautionsOf, factsOf, minutesWords, SECTION_WORDS, STATION_WORDS, stepWords } from '../words/index.ts';
import { Complaint } from './OwnOrder.tsx';
import { type Planning } from './planning.ts';
import { StepDetails } from './StepDetails.tsx';

/** Nothing amiss: the same list every time, so that a step is seen to be as it was. */
const NONE: never[] = [];

/** A pointer drags after six pixels. The same object every time: another makes every step listen anew. */
const FROM_6 = { activationConstraint: { distance: 6 } };

/** What can be done with a step. */
interface Doing {
  toggle: (id: string) => void;
  /** So many places later; earlier below 0. */
  move: (id: string, by: number) => void;
  out: (s: PlanStep) => void;
}

/** The same functions as long as the screen stands, doing what the plan as it is asks. */
function useDoing(p: Planning, toggle: (id: string) => void): Doing {
  const latest = useRef(p);
  useLayoutEffect(() => {
    latest.current = p;
  });
  return useMemo(() => {
    const title = (s: PlanStep): string => stepWords(s, latest.current.w.doc.units, latest.current.names).title;
    return {
      toggle,
      move: (id, by) => {
        const { plan, set } = latest.current;
        const ids = plan.steps.map((s) => s.id);
        const [from, to] = [ids.indexOf(id), ids.indexOf(id) + by];
        const s = plan.steps[from];
        if (s && by && ids[to] !== undefined) set(`Step moved: ${title(s)}`, { order: moved(ids, id, to) });
      },
      out: (s) => {
        const { w, set } = latest.current;
        set(`Step left out: ${title(s)}`, { left: [...w.doc.decisions.making.left, s.id] });
      },
    };
  }, [toggle]);
}

/** What is amiss with each step. */
function brokenAt(findings: readonly Finding[]): Map<unknown, Finding[]> {
  const at = new Map<unknown, Finding[]>();
  for (const f of findings) if (f.severity !== 'note') at.set(f.data?.step, [...(at.get(f.data?.step) ?? []), f]);
  return at;
}

/** The steps in their order; each can be dragged or keyed elsewhere, left out, and opened. */
export function PlanSteps({ p }: { p: Planning }) {
  const { steps, findings } = p.plan;
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const [all, setAll] = useState(false);
  const sensors = useSensors(useSensor(PointerSensor, FROM_6));
  const cautions = useMemo(() => cautionsOf(steps), [steps]);
  const broken = useMemo(() => brokenAt(findings), [findings]);
  const ids = useMemo(() => steps.map((s) => s.id), [steps]);
  const toggle = useCallback((id: string): void => {
    setOpen((o) => {
      const next = new Set(o);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }, []);
  const doing = useDoing(p, toggle);
  const drop = ({ active, over }: DragEndEvent): void => {
    const id = String(active.id);
    if (over) doing.move(id, ids.indexOf(String(over.id)) - ids.indexOf(id));
  };
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
            {steps.map((s, i) => {
              const amiss = broken.get(s.id) ?? NONE;
              const opened = all || open.has(s.id);
              return (
                <Step
                  key={s.id}
                  s={s}
                  units={p.w.doc.units}
                  names={p.names}
                  head={steps[i - 1]?.section !== s.section}
                  cautions={(cautions.get(s.id) ?? NONE).join(' ')}
                  broken={amiss}
                  doing={doing}
                  p={opened || amiss.length ? p : null}
                  open={opened}
                />
              );
            })}
          </Box>
        </SortableContext>
      </DndContext>
    </Box>
  );
}

interface StepProps {
  s: PlanStep;
  units: LengthUnit;
  names: Planning['names'];
  head: boolean;
  /** What to be careful of; empty if nothing. */
  cautions: string;
  broken: Finding[];
  open: boolean;
  /** Given where more than the step itself is shown. */
  p: Planning | null;
  doing: Doing;
}

/** A step where it lies in the list, and where it is dragged to. */
function Step({ head, ...shown }: StepProps) {
  const { s } = shown;
  const { setNodeRef, transform, transition, listeners, isDragging } = useSortable({ id: s.id });
  return (
    <li ref={setNodeRef} style={{ transform: CSS.Translate.toString(transform), transition }} data-step={s.id}>
      {head && (
        <Heading as="h3" fontSize="19px" fontWeight="600" mt="4" mb="2" color="leaf.fg">
          {SECTION_WORDS[s.section]}
        </Heading>
      )}
      <StepCard {...shown} listeners={listeners} dragging={isDragging} />
    </li>
  );
}

interface CardProps extends Omit<StepProps, 'head'> {
  listeners: ReturnType<typeof useSortable>['listeners'];
  dragging: boolean;
}

/** Drawn anew only when something of it changed: ninety of them took a second at every click. */
const StepCard = memo(function StepCard(c: CardProps) {
  const { s, units, names, cautions, broken, open, p, doing, listeners, dragging } = c;
  const { title, how } = stepWords(s, units, names);
  const facts = factsOf(s, units);
  const keys = (e: KeyboardEvent): void => {
    const by = e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' ? 1 : 0;
    if (!e.altKey || !by) return;
    e.preventDefault();
    doing.move(s.id, by);
  };
  return (
    <Box
      bg="sheet"
      borderWidth="1px"
      borderColor={broken.some((f) => f.severity === 'stop') ? 'berry' : broken.length ? 'honey' : 'rule'}
      borderRadius="6px"
      px="3"
      py="2"
      mb="2"
      opacity={dragging ? 0.6 : 1}
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
              onClick={() => doing.toggle(s.id)}
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
          {cautions && (
            <Text fontSize="15px" color="honey">
              {cautions}
            </Text>
          )}
        </Box>
        <Moves title={title} onMove={(by) => doing.move(s.id, by)} />
      </Flex>
      {p && broken.length > 0 && (
        <Box as="ul" listStyleType="none" m="0" pl="70px">
          {broken.map((f, i) => (
            <Complaint key={`${f.code}${i}`} f={f} p={p} />
          ))}
        </Box>
      )}
      {p && open && <StepDetails s={s} p={p} onOut={() => doing.out(s)} />}
    </Box>
  );
});

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
