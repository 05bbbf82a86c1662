import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { type ReactNode, useRef } from 'react';
import { NavLink } from 'react-router';
import { type Closure } from '../../../core/closure/index.ts';
import { CLOSING_ONLY } from '../../../core/document/project.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { ClosureDrawing } from '../../drawing/ClosureDrawing.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { Findings, Why } from '../../ui/Notes.tsx';
import { Empty, Page, SheetBox } from '../../ui/Page.tsx';
import { Say } from '../../ui/Sentence.tsx';
import { countWords, gapsWords, placeOf, sizeWords } from '../../words/index.ts';
import { Answers, Thumbnails } from './Answers.tsx';
import { AtGarment } from './AtGarment.tsx';
import { ButtonQuestions } from './ButtonQuestions.tsx';
import { movingOf, putClosing, type ViewProps } from './closing.ts';
import { Closes } from './closingAsk.tsx';
import { HoleQuestions, Holes } from './Holes.tsx';
import { RestOfClosings, RestQuestions } from './RestOfClosings.tsx';

const VIEWS = {
  place: { to: '', words: 'Places', question: 'Where does each button go?' },
  holes: { to: '/holes', words: 'Holes', question: 'How is each hole made?' },
  rest: { to: '/rest', words: 'Else closed', question: 'What else is closed?' },
  garment: { to: '/garment', words: 'On the garment', question: 'What do I buy, and how far am I?' },
} as const;
export type View = keyof typeof VIEWS;

/** A refusal over the last placing that did fit: at the lower rim of the window, so that nothing moves under the hand. */
const BESIDE = { position: 'sticky', bottom: '12px', boxShadow: '0 -4px 18px rgba(0, 0, 0, 0.18)', zIndex: 2 } as const;

/** Where does each button go? And how is each hole made, what else is closed, how far is it on the garment. */
export function Buttons({ w, view }: { w: Workbook; view: View }) {
  const c = w.doc.decisions.closure;
  const result = w.computed.closure;
  const put = putClosing(w);
  // Where nothing fits, the last placing that did stays in sight: a button being dragged must not vanish under the hand.
  const last = useRef<Closure | null>(null);
  if (result?.ok) last.current = result.value;
  const shown = result ? last.current : null;
  const front = w.computed.shell.find((p) => p.kind === 'front');
  const { question } = VIEWS[view];
  if (!front && w.doc.garment !== CLOSING_ONLY) {
    return (
      <Page question={question}>
        <Empty title="No front yet">
          Buttons are placed along the front edge. Put the pattern in and say which piece is the front. To place buttons
          without any pattern, begin “Only a closing” on the shelf.
        </Empty>
      </Page>
    );
  }
  return (
    <Page
      question={question}
      lead={<Views id={w.id} />}
      side={
        <>
          {!c.on && (
            <Say>
              <Closes w={w} put={put} />
            </Say>
          )}
          {c.on && view === 'place' && <ButtonQuestions w={w} put={put} />}
          {c.on && view === 'holes' && <HoleQuestions w={w} put={put} />}
          {c.on && view === 'rest' && <RestQuestions w={w} put={put} />}
          {c.on && view === 'garment' && result?.ok && <AtGarment.Side w={w} c={result.value} put={put} />}
        </>
      }
    >
      {!c.on && <Empty title="Nothing closes">It is switched off at the left.</Empty>}
      {c.on && !result && (
        <Empty title="The front does not open">
          Its centre lies on the fold or in a seam, so no button is placed there. If it does open, name its front edge
          on the pattern page.
        </Empty>
      )}
      {shown && (
        <Box opacity={result?.ok ? 1 : 0.55}>
          <Shown w={w} c={shown} put={put} view={view} />
        </Box>
      )}
      {result && !result.ok && (
        <SheetBox {...(shown && BESIDE)}>
          <Findings findings={result.findings} w={w} />
        </SheetBox>
      )}
    </Page>
  );
}

function Shown({ view, ...p }: ViewProps & { view: View }): ReactNode {
  if (view === 'holes') return <Holes {...p} />;
  if (view === 'rest') return <RestOfClosings {...p} />;
  return view === 'garment' ? <AtGarment.Main {...p} /> : <Placed {...p} />;
}

function Views({ id }: { id: string }) {
  return (
    <Flex as="nav" aria-label="Parts of this question" gap="2" wrap="wrap">
      {Object.values(VIEWS).map(({ to, words }) => (
        <NavLink key={to} to={`/project/${id}/buttons${to}`} end>
          {({ isActive }) => (
            <Box
              mr="1"
              minH="44px"
              minW="44px"
              alignContent="center"
              borderBottomWidth="3px"
              borderColor={isActive ? 'leaf.solid' : 'transparent'}
              color={isActive ? 'leaf.fg' : 'quiet'}
              fontWeight={isActive ? 650 : 450}
            >
              {words}
            </Box>
          )}
        </NavLink>
      ))}
    </Flex>
  );
}

function Placed({ w, c, put }: ViewProps) {
  const { units } = w.doc;
  const mm = (v: number) => formatLength(v, units);
  const front = w.computed.shell.find((p) => p.id === c.piece);
  const held = c.choice.pins.length;
  const tall = useTall(300, 440);
  // Those of cuffs and the rest stand beside them. Notes come and go while a button is moved: they stand below.
  const own = c.findings.filter((f) => !c.small.some((s) => s.choice.id === f.where?.piece));
  return (
    <>
      <SheetBox display="flex" flexDirection="column">
        <Heading as="h2" fontSize="22px" fontWeight="600" mb="1">
          {countWords(c, c.buttons.length)} of {sizeWords(c.choice.diameter, units)}
          {c.gaps.length > 0 && `, gaps ${gapsWords(c.gaps, units)}`}
        </Heading>
        <Text mb="2" order={{ base: 2, md: 0 }}>
          {c.piece ? 'From the neck seam' : 'From the top'}:{' '}
          <b>{c.buttons.map((b) => placeOf(b.at, units)).join(', ')}</b>.
          {c.choice.measured !== null && ` Measured on the garment: ${mm(c.lengthMm)}, ${mm(c.drawnMm)} as drawn.`}
        </Text>
        <Box order={{ base: 2, md: 0 }}>
          <Findings
            findings={own.filter((f) => f.severity !== 'note')}
            w={w}
            well={front ? 'Clear of hem, edge and facing.' : 'Clear of both ends and of the edge.'}
          />
        </Box>
        <Flex gap="4" direction={{ base: 'column-reverse', md: 'row' }} align="flex-start">
          <Thumbnails w={w} c={c} put={put} />
          <Box flex="1" minW="0" w="100%">
            <ClosureDrawing
              closure={c}
              front={front}
              cut={front && w.computed.cutLines.get(front.id)}
              units={units}
              height={tall}
              moving={movingOf(w, c, put)}
            />
          </Box>
        </Flex>
        <Findings findings={own.filter((f) => f.severity === 'note')} w={w} />
        <Text color="quiet" fontSize="15px" mt="2">
          Drag a button, or move it with the arrow keys: it stays there and the rest is spaced anew. Delete lets it go.
          {held > 0 && ' '}
          {held > 0 && (
            <button
              type="button"
              onClick={() => put({ pins: [] }, 'All buttons let go')}
              style={{ color: 'var(--chakra-colors-leaf-fg)', fontWeight: 600, textDecoration: 'underline' }}
            >
              Let {held === 1 ? 'it' : `all ${held}`} go
            </button>
          )}
        </Text>
        <Why reasons={c.reasons} units={units} about="these figures" />
      </SheetBox>
      <Answers w={w} c={c} />
    </>
  );
}
