import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { type ComponentType, createContext, memo, type ReactNode, useContext, useEffect } from 'react';
import { Link, Navigate, Route, Routes, useLocation, useParams } from 'react-router';
import { CLOSING_ONLY, STASH } from '../../core/document/project.ts';
import { useProject, type Workbook } from '../data/useProject.ts';
import { Boundary } from '../ui/Boundary.tsx';
import { Clash } from '../ui/Clash.tsx';
import { Contradicts } from '../ui/Contradicts.tsx';
import { later } from '../ui/later.tsx';
import { Masthead } from '../ui/Masthead.tsx';
import { Opening } from '../ui/opened.tsx';
import { Told } from '../ui/Told.tsx';
import { chaptersOf } from '../words/index.ts';
import { NotFound } from './NotFound.tsx';
import {
  Bench,
  Buttons,
  BuySheet,
  CalendarSheet,
  ClosingSheet,
  Cutting,
  HistoryPage,
  Inside,
  LaySheet,
  Notebook,
  NotebookSheet,
  Paper,
  Pattern,
  PlanPage,
  PlanSheet,
  Seams,
  SewingPage,
  StashPage,
  TrimPage,
} from './screens.ts';
import { Thread } from './Thread.tsx';
import { Tools } from './Tools.tsx';
import { Verdict } from './Verdict.tsx';

/** One project: its chapters above, the page that answers the chosen one below, how it stands at the foot. */
export function Project() {
  const { id = '' } = useParams();
  const { pathname } = useLocation();
  const { workbook, error } = useProject(id);
  useUndoKeys(workbook);
  if (!workbook) {
    return (
      <Box minH="100vh">
        <Masthead />
        <Box p="8">
          {error ? (
            <Text role="alert" color="berry" fontWeight="600">
              {error.message} <Link to="/">To the shelf</Link>
            </Text>
          ) : (
            <Text color="quiet">Opening the workbook …</Text>
          )}
        </Box>
      </Box>
    );
  }
  return pathname.endsWith('/bench') ? <AtBench w={workbook} /> : <Opened w={workbook} />;
}

/** The bench has the whole screen; what could not be kept is told there too. */
const AtBench = ({ w }: { w: Workbook }) => (
  <Box data-project={w.id}>
    <Trouble w={w} />
    <Clash w={w} />
    <Boundary what="The bench" place="bench">
      <Opening>
        <Bench w={w} />
      </Opening>
    </Boundary>
    <Told w={w} />
  </Box>
);

function Opened({ w }: { w: Workbook }) {
  const { pathname } = useLocation();
  useGivenUp(w, pathname);
  const first = { [CLOSING_ONLY]: 'buttons', [STASH]: 'stash' }[w.doc.garment];
  return (
    <Box
      data-project={w.id}
      display="flex"
      flexDirection="column"
      minH="100vh"
      h={{ lg: '100dvh' }}
      overflow={{ lg: 'hidden' }}
      css={{ '@media print': { display: 'block', height: 'auto', minHeight: 0, overflow: 'visible' } }}
    >
      <Top w={w} />
      <Trouble w={w} />
      <Clash w={w} />
      <Box as="main" flex="1" minH="0" overflow={{ lg: 'auto' }} css={{ '@media print': { overflow: 'visible' } }}>
        <Boundary what="This page" place={pathname}>
          <Opening>
            <Here.Provider value={w}>
              <Pages id={w.id} first={first ?? null} begun={w.doc.shell !== null} />
            </Here.Provider>
          </Opening>
        </Boundary>
      </Box>
      <Verdict w={w} />
      <Contradicts w={w} />
      <Told w={w} />
    </Box>
  );
}

const Here = createContext<Workbook | null>(null);

/** A page with the workbook as it stands. */
function Shown<P extends { w: Workbook }>({ of: Of, more }: { of: ComponentType<P>; more: Omit<P, 'w'> }) {
  const w = useContext(Here);
  return w && <Of {...({ ...more, w } as P)} />;
}

const put = (of: ComponentType<{ w: Workbook }>): ReactNode => <Shown of={of} more={{}} />;
const view = <V extends string>(of: ComponentType<{ w: Workbook; view: V }>, v: V): ReactNode => (
  <Shown of={of} more={{ view: v }} />
);

interface PagesProps {
  id: string;
  /** Where what is no garment begins. */
  first: string | null;
  /** A pattern is put in. */
  begun: boolean;
}

/** Which page it is: found by the address, and not anew with every step of a slider. */
const Pages = memo(function Pages({ id, first, begun }: PagesProps) {
  return (
    <Routes>
      <Route index element={<Navigate to={first ?? (begun ? 'inside' : 'pattern')} replace />} />
      <Route path="pattern" element={put(Pattern)} />
      <Route path="pattern/trim" element={put(TrimPage)} />
      <Route path="seams" element={put(Seams)} />
      <Route path="inside" element={put(Inside)} />
      <Route path="buttons" element={view(Buttons, 'place')} />
      <Route path="buttons/sheet" element={put(ClosingSheet)} />
      <Route path="buttons/holes" element={view(Buttons, 'holes')} />
      <Route path="buttons/rest" element={view(Buttons, 'rest')} />
      <Route path="buttons/garment" element={view(Buttons, 'garment')} />
      <Route path="plan" element={put(PlanPage)} />
      <Route path="plan/sheet" element={put(PlanSheet)} />
      <Route path="cutting" element={put(Cutting)} />
      <Route path="cutting/sheet" element={put(LaySheet)} />
      <Route path="cutting/buy" element={put(BuySheet)} />
      <Route path="paper" element={put(Paper)} />
      <Route path="sewing" element={view(SewingPage, 'now')} />
      <Route path="sewing/notebook/sheet" element={put(NotebookSheet)} />
      <Route path="sewing/calendar/sheet" element={put(CalendarSheet)} />
      <Route path="sewing/notebook" element={put(Notebook)} />
      <Route path="sewing/calendar" element={view(SewingPage, 'calendar')} />
      <Route path="stash" element={put(StashPage)} />
      <Route path="history" element={put(HistoryPage)} />
      <Route path="*" element={<NotFound inside={`/project/${id}/${first ?? 'pattern'}`} />} />
    </Routes>
  );
});

/** What stands above every page. */
const Top = later(({ w }: { w: Workbook }) => (
  <Masthead
    title={w.doc.name}
    under={savedWords(w)}
    onName={(name) => w.save(`Called “${name}”`, { ...w.now(), name })}
    tools={<Tools w={w} />}
  >
    <Thread id={w.id} chapters={chaptersOf(w.doc, w.computed)} />
  </Masthead>
));

/** What could not be kept or worked out, in a sentence, with what can be done about it. */
function Trouble({ w }: { w: Workbook }) {
  const words = w.trouble ?? w.stuck;
  if (!words) return null;
  return (
    <Flex
      role="alert"
      bg="sheet"
      color="berry"
      px="8"
      py="2"
      gap="4"
      align="center"
      borderBottomWidth="1px"
      borderColor="rule"
    >
      <Text flex="1" fontWeight="600">
        {words}
        {w.again && ' Your change is still here and not saved yet.'}
      </Text>
      {w.again && (
        <Button size="xs" colorPalette="leaf" onClick={w.retry}>
          Save again
        </Button>
      )}
      {w.trouble && (
        <Button size="xs" variant="outline" onClick={w.calm}>
          {w.again ? 'Give it up' : 'I see'}
        </Button>
      )}
    </Flex>
  );
}

/** What the sewist may rely on: stored, on its way, or not. */
function savedWords(w: Workbook): string {
  if (w.clash || w.again) return 'Not saved';
  if (w.saving) return 'Saving …';
  if (w.trying) return 'Trying it';
  return w.behind ? 'Working it out …' : w.saved ? 'Saved' : 'Not saved';
}

/** A drag that is given up (Escape, the finger lifted by the system, another page) leaves nothing behind. */
function useGivenUp(w: Workbook, pathname: string): void {
  const { trying, cancel } = w;
  useEffect(() => {
    if (!trying) return;
    const onKey = (e: KeyboardEvent) => e.key === 'Escape' && cancel();
    window.addEventListener('pointercancel', cancel);
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('pointercancel', cancel);
      window.removeEventListener('keydown', onKey);
    };
  }, [trying, cancel]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another page is another place, whatever was tried here.
  useEffect(() => cancel, [pathname, cancel]);
}

/** Ctrl or Cmd with Z undoes, with Shift or Y redoes; typing in a field keeps its own undo. */
function useUndoKeys(w: Workbook | null): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLInputElement && e.target.type !== 'checkbox' && e.target.type !== 'radio';
      if (!w || typing || !(e.ctrlKey || e.metaKey)) return;
      const key = e.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      e.preventDefault();
      if (key === 'y' || e.shiftKey) w.redo();
      else w.undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [w]);
}
