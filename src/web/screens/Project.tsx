import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { Redo2, Undo2 } from 'lucide-react';
import { useEffect } from 'react';
import { Link, Navigate, NavLink, Route, Routes, useLocation, useParams } from 'react-router';
import { CLOSING_ONLY } from '../../core/document/project.ts';
import { useProject, type Workbook } from '../api/useProject.ts';
import { Ask } from '../parts/Ask.tsx';
import { Boundary } from '../parts/Boundary.tsx';
import { Clash } from '../parts/Clash.tsx';
import { Masthead } from '../parts/Masthead.tsx';
import { Opening, opened } from '../parts/opened.tsx';
import { Told } from '../parts/Told.tsx';
import { NotFound } from './NotFound.tsx';

const Buttons = opened(() => import('./Buttons.tsx'), 'Buttons');
const ClosingSheet = opened(() => import('./ClosingSheet.tsx'), 'ClosingSheet');
const HistoryPage = opened(() => import('./History.tsx'), 'HistoryPage');
const Inside = opened(() => import('./Inside.tsx'), 'Inside');
const Paper = opened(() => import('./Paper.tsx'), 'Paper');
const Pattern = opened(() => import('./Pattern.tsx'), 'Pattern');
const PlanPage = opened(() => import('./Plan.tsx'), 'PlanPage');
const PlanSheet = opened(() => import('./PlanSheet.tsx'), 'PlanSheet');
const Seams = opened(() => import('./Seams.tsx'), 'Seams');
const TrimPage = opened(() => import('./TrimPage.tsx'), 'TrimPage');

const PAGES: [string, string][] = [
  ['pattern', 'Is this my pattern?'],
  ['seams', 'Will it go together?'],
  ['inside', 'What else do I cut?'],
  ['buttons', 'Where do the buttons go?'],
  ['plan', 'In what order?'],
  ['paper', 'On to paper'],
  ['history', 'What did I change?'],
];

/** One project: its questions at the left, the page that answers the chosen one beside them. */
export function Project() {
  const { id = '' } = useParams();
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
  return <Opened w={workbook} />;
}

function Opened({ w }: { w: Workbook }) {
  const { pathname } = useLocation();
  useGivenUp(w, pathname);
  const only = w.doc.garment === CLOSING_ONLY;
  return (
    <Box minH="100vh" _print={{ minH: '0' }}>
      <Masthead>
        <Text as="span" fontWeight="600" truncate maxW="34ch">
          {w.doc.name}
        </Text>
        <Tools w={w} />
      </Masthead>
      <Trouble w={w} />
      <Clash w={w} />
      <Box
        display="grid"
        gridTemplateColumns={{ base: '1fr', xl: '228px minmax(0,1fr)' }}
        maxW="1560px"
        mx="auto"
        _print={{ display: 'block' }}
      >
        <Contents id={w.id} only={only} />
        <Box as="main" px={{ base: 4, lg: 7 }} py="5" minW="0" _print={{ p: '0' }}>
          <Boundary what="This page" place={pathname}>
            <Opening>
              <Routes>
                <Route
                  index
                  element={<Navigate to={only ? 'buttons' : w.doc.shell ? 'inside' : 'pattern'} replace />}
                />
                <Route path="pattern" element={<Pattern w={w} />} />
                <Route path="pattern/trim" element={<TrimPage w={w} />} />
                <Route path="seams" element={<Seams w={w} />} />
                <Route path="inside" element={<Inside w={w} />} />
                <Route path="buttons" element={<Buttons w={w} view="place" />} />
                <Route path="buttons/sheet" element={<ClosingSheet w={w} />} />
                <Route path="buttons/holes" element={<Buttons w={w} view="holes" />} />
                <Route path="buttons/rest" element={<Buttons w={w} view="rest" />} />
                <Route path="buttons/garment" element={<Buttons w={w} view="garment" />} />
                <Route path="plan" element={<PlanPage w={w} />} />
                <Route path="plan/sheet" element={<PlanSheet w={w} />} />
                <Route path="paper" element={<Paper w={w} />} />
                <Route path="history" element={<HistoryPage w={w} />} />
                <Route path="*" element={<NotFound inside={`/project/${w.id}/${only ? 'buttons' : 'pattern'}`} />} />
              </Routes>
            </Opening>
          </Boundary>
        </Box>
      </Box>
      <Told w={w} />
    </Box>
  );
}

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

function Tools({ w }: { w: Workbook }) {
  return (
    <Flex ml="auto" gap="2" align="center">
      <Text aria-live="polite" fontSize="15px" color="quiet" minW="4.5em" textAlign="right">
        {savedWords(w)}
      </Text>
      <Button
        size="sm"
        variant="outline"
        borderColor="rule"
        disabled={!w.steps.undo}
        onClick={w.undo}
        title={w.steps.undo ? `Undo: ${w.steps.undo}` : 'Nothing to undo'}
      >
        <Undo2 size={17} aria-hidden /> Undo
      </Button>
      <Button
        size="sm"
        variant="outline"
        borderColor="rule"
        disabled={!w.steps.redo}
        onClick={w.redo}
        title={w.steps.redo ? `Redo: ${w.steps.redo}` : 'Nothing to redo'}
      >
        <Redo2 size={17} aria-hidden /> Redo
      </Button>
      <Box
        css={{ '& fieldset': { marginBottom: 0 }, '& legend': { display: 'none' }, '& label': { minHeight: '36px' } }}
      >
        <Ask
          question="Lengths in"
          value={w.doc.units}
          answers={[
            ['mm', 'mm'],
            ['in', 'inch'],
          ]}
          onAnswer={(units) =>
            w.save(units === 'mm' ? 'Lengths in millimetres' : 'Lengths in inches', { ...w.doc, units })
          }
        />
      </Box>
    </Flex>
  );
}

/** What a project asks that is only a closing. */
const WITHOUT_PATTERN = ['buttons', 'paper', 'history'];

function Contents({ id, only }: { id: string; only: boolean }) {
  const pages = only ? PAGES.filter(([path]) => WITHOUT_PATTERN.includes(path)) : PAGES;
  return (
    <Box
      as="nav"
      aria-label="The questions of this project"
      py="5"
      pl={{ base: 4, lg: 6 }}
      pr="2"
      borderRightWidth={{ base: 0, xl: '1px' }}
      borderColor="rule"
    >
      <Box
        as="ol"
        listStyleType="none"
        m="0"
        p="0"
        display="flex"
        flexDirection={{ base: 'row', xl: 'column' }}
        flexWrap="wrap"
        gap="1"
      >
        {pages.map(([path, words], i) => (
          <li key={path}>
            <NavLink to={`/project/${id}/${path}`}>
              {({ isActive }) => (
                <Box
                  px="3"
                  py="2"
                  borderLeftWidth={{ base: 0, xl: '4px' }}
                  borderBottomWidth={{ base: '3px', xl: 0 }}
                  borderColor={isActive ? 'leaf.solid' : 'transparent'}
                  bg={isActive ? 'leaf.subtle' : undefined}
                  fontWeight={isActive ? 650 : 450}
                  lineHeight="1.25"
                >
                  <Text as="span" color="quiet" mr="2" fontFamily="heading">
                    {i + 1}
                  </Text>
                  {words}
                </Box>
              )}
            </NavLink>
          </li>
        ))}
      </Box>
    </Box>
  );
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
