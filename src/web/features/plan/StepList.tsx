import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { closestCenter, DndContext, type DragEndEvent, MouseSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { type KeyboardEvent, memo, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { doneIn, forgetStep, setStep } from '../../../core/bench/index.ts';
import { moved, type PlanStep } from '../../../core/plan/index.ts';
import { type Finding } from '../../../core/result.ts';
import { atBench, instantNow, saveBench } from '../../data/benchlog.ts';
import { minutesWords, SECTION_WORDS, STATION_WORDS, stepWords } from '../../words/index.ts';
import { type Planning } from './planning.ts';

/** A mouse drags after six pixels; a finger scrolls. The same object every time: another makes every step listen anew. */
const FROM_6 = { activationConstraint: { distance: 6 } };

/** What can be done with a step in the list. */
export interface Doing {
  open: (id: string) => void;
  /** So many places later; earlier below 0. */
  move: (id: string, by: number) => void;
  tick: (s: PlanStep, done: boolean) => void;
}

/** The same functions as long as the screen stands, doing what the plan as it is asks. */
export function useDoing(p: Planning, open: (id: string) => void): Doing {
  const latest = useRef({ p, open });
  useLayoutEffect(() => {
    latest.current = { p, open };
  });
  return useMemo(() => {
    const title = (s: PlanStep): string => stepWords(s, latest.current.p.w.doc.units, latest.current.p.names).title;
    return {
      open: (id) => latest.current.open(id),
      move: (id, by) => {
        const { plan, set } = latest.current.p;
        const ids = plan.steps.map((s) => s.id);
        const [from, to] = [ids.indexOf(id), ids.indexOf(id) + by];
        const s = plan.steps[from];
        if (s && by && ids[to] !== undefined) set(`Step moved: ${title(s)}`, { order: moved(ids, id, to) });
      },
      tick: (s, done) => {
        const { w, plan } = latest.current.p;
        const { bench } = w.doc.decisions;
        const next = done ? setStep(atBench(w, plan), s.id, 'done', instantNow()) : forgetStep(bench, s.id);
        saveBench(w, `${done ? 'Done' : 'Not done yet'}: ${title(s)}`, next);
      },
    };
  }, []);
}

/** Steps that follow each other in one section of the work. */
interface Group {
  key: string;
  section: PlanStep['section'];
  steps: PlanStep[];
}

function groupsOf(steps: PlanStep[]): Group[] {
  const out: Group[] = [];
  for (const s of steps) {
    const last = out.at(-1);
    if (last?.section === s.section) last.steps.push(s);
    else out.push({ key: `${s.section}${out.length}`, section: s.section, steps: [s] });
  }
  return out;
}

interface Props {
  p: Planning;
  /** The step that is open beside the list. */
  at: string;
  doing: Doing;
}

/** The steps in their order, a line each: ticked off, opened beside the list, dragged or keyed elsewhere; sections fold. */
export function StepList({ p, at, doing }: Props) {
  const { steps, findings } = p.plan;
  const { bench } = p.w.doc.decisions;
  const done = useMemo(() => doneIn(bench), [bench]);
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const sensors = useSensors(useSensor(MouseSensor, FROM_6));
  const ids = useMemo(() => steps.map((s) => s.id), [steps]);
  const groups = useMemo(() => groupsOf(steps), [steps]);
  const amiss = useMemo(() => worstAt(findings), [findings]);
  // A step that an address leads to is seen in the list; the page's other column stays where it is.
  useEffect(() => {
    document.querySelector(`[data-step="${window.CSS.escape(at)}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [at]);
  const drop = ({ active, over }: DragEndEvent): void => {
    const id = String(active.id);
    if (over) doing.move(id, ids.indexOf(String(over.id)) - ids.indexOf(id));
  };
  const fold = (key: string): void =>
    setFolded((f) => {
      const next = new Set(f);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        {groups.map((g) => {
          const shut = folded.has(g.key);
          const left = g.steps.filter((s) => !done.has(s.id)).length;
          return (
            <Box key={g.key} mb="2">
              <Button
                variant="plain"
                px="0"
                minH="44px"
                w="100%"
                justifyContent="flex-start"
                aria-expanded={!shut}
                onClick={() => fold(g.key)}
              >
                {shut ? <ChevronRight size={18} aria-hidden /> : <ChevronDown size={18} aria-hidden />}
                <Text as="span" fontFamily="heading" fontSize="18px" fontWeight="600" color="leaf.fg">
                  {SECTION_WORDS[g.section]}
                </Text>
                <Text as="span" fontSize="14px" color="quiet" fontWeight="450" ml="auto">
                  {left ? `${left} of ${g.steps.length} to do` : 'done'}
                </Text>
              </Button>
              {!shut && (
                <Box as="ol" listStyleType="none" m="0" p="0">
                  {g.steps.map((s) => (
                    <Row
                      key={s.id}
                      s={s}
                      here={s.id === at}
                      done={done.has(s.id)}
                      amiss={amiss.get(s.id) ?? null}
                      title={stepWords(s, p.w.doc.units, p.names).title}
                      doing={doing}
                    />
                  ))}
                </Box>
              )}
            </Box>
          );
        })}
      </SortableContext>
    </DndContext>
  );
}

/** How grave the worst is that is amiss with each step. */
function worstAt(findings: readonly Finding[]): Map<string, 'stop' | 'warn'> {
  const at = new Map<string, 'stop' | 'warn'>();
  for (const f of findings) {
    const id = String(f.data?.step);
    if (f.severity !== 'note' && at.get(id) !== 'stop') at.set(id, f.severity);
  }
  return at;
}

interface RowProps {
  s: PlanStep;
  here: boolean;
  done: boolean;
  amiss: 'stop' | 'warn' | null;
  title: string;
  doing: Doing;
}

const EDGE = { stop: 'berry', warn: 'honey' } as const;

/** Drawn anew only when something of it changed: ninety of them took a second at every click. */
const Row = memo(function Row({ s, here, done, amiss, title, doing }: RowProps) {
  const { setNodeRef, transform, transition, listeners, isDragging } = useSortable({ id: s.id });
  const keys = (e: KeyboardEvent<HTMLElement>): void => {
    const by = e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' ? 1 : 0;
    if (!by) return;
    e.preventDefault();
    if (e.altKey) doing.move(s.id, by);
    else {
      const all = [...document.querySelectorAll<HTMLElement>('[data-step] > button')];
      const next = all[all.indexOf(e.currentTarget) + by];
      next?.focus();
      next?.click();
    }
  };
  return (
    <Flex
      as="li"
      ref={setNodeRef}
      {...listeners}
      data-step={s.id}
      align="stretch"
      minH="44px"
      mx="-10px"
      pl="6px"
      borderLeftWidth="4px"
      borderColor={here ? 'leaf.solid' : amiss ? EDGE[amiss] : 'transparent'}
      bg={here ? 'sheet' : undefined}
      opacity={isDragging ? 0.6 : 1}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <Flex as="label" align="center" justify="center" minW="44px" cursor="pointer">
        <input
          type="checkbox"
          aria-label={`Done: ${title}`}
          checked={done}
          onChange={(e) => doing.tick(s, e.target.checked)}
          style={{ width: 20, height: 20 }}
        />
      </Flex>
      <button
        type="button"
        aria-current={here ? 'step' : undefined}
        onClick={() => doing.open(s.id)}
        onKeyDown={keys}
        style={{
          flex: 1,
          minWidth: 0,
          display: 'flex',
          alignItems: 'center',
          gap: 10,
          textAlign: 'left',
          cursor: 'pointer',
          padding: '4px 10px 4px 0',
        }}
      >
        <Text as="span" flex="1" fontSize="16px" lineHeight="1.3" fontWeight={here ? 650 : 450}>
          <Text as="span" color="quiet">
            {s.number}
          </Text>{' '}
          {title}
        </Text>
        <Text as="span" fontSize="14px" color="quiet" flexShrink={0}>
          {STATION_WORDS[s.station]} · {minutesWords(s.minutes)}
        </Text>
      </button>
    </Flex>
  );
});
