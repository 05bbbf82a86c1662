import { Box, Button, Text } from '@chakra-ui/react';
import { useCallback, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { sentenceOf } from '../../../contract/findings.ts';
import { doneIn } from '../../../core/bench/index.ts';
import { type Shell, type ShellPiece } from '../../../core/document/project.ts';
import { unsaidEdges } from '../../../core/garment/index.ts';
import { type Point } from '../../../core/geometry/index.ts';
import { isUnsure } from '../../../core/pattern/index.ts';
import { takeOver } from '../../data/handover.ts';
import { type Workbook } from '../../data/useProject.ts';
import { EdgePicker } from '../../drawing/EdgePicker.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { DropFile } from '../../ui/DropFile.tsx';
import { FitNotes } from '../../ui/FitNotes.tsx';
import { Findings } from '../../ui/Notes.tsx';
import { Page, SheetBox } from '../../ui/Page.tsx';
import { CornerCard } from './CornerCard.tsx';
import { EdgeSentences, Unsaid } from './EdgeSentences.tsx';
import { CLICKS, MarksCard, type Placing, placed } from './MarksCard.tsx';
import { PieceList } from './PieceList.tsx';
import { PieceSentences } from './PieceSentences.tsx';
import { ReallowCard } from './ReallowCard.tsx';
import { SizeCard } from './SizeCard.tsx';
import { type Stop, WalkCard } from './WalkCard.tsx';
import { WholePattern } from './WholePattern.tsx';

/** Is this my pattern, at the right size? */
export function Pattern({ w }: { w: Workbook }) {
  const shell = w.doc.shell;
  const [notes, setNotes] = useState<string[]>([]);
  const [first] = useState(takeOver);
  const [, setAsked] = useSearchParams();
  // What was put in is walked through, a piece at a time.
  const onDone = (said: string[]): void => {
    setNotes(said);
    // Who is on the way to another page or project meanwhile is not called back.
    if (window.location.pathname === `/project/${w.id}/pattern`) setAsked({ walk: 'size' }, { replace: true });
  };
  if (!shell) {
    return (
      <Page
        question="Is this my pattern, at the right size?"
        lead="Drop the pattern of the shell: the outside pieces, each a closed line at full size, as SVG, DXF or PDF, or a photo of a paper piece."
      >
        <DropFile w={w} first={first} onDone={onDone} />
      </Page>
    );
  }
  return <Pieces w={w} shell={shell} notes={notes} onNotes={setNotes} onPutIn={onDone} />;
}

interface PiecesProps {
  w: Workbook;
  shell: Shell;
  /** What was healed, assumed or passed over when the file was read. */
  notes: string[];
  onNotes: (notes: string[]) => void;
  /** Once another file is put in. */
  onPutIn: (notes: string[]) => void;
}

function Pieces({ w, shell, notes, onNotes, onPutIn }: PiecesProps) {
  // Another page leads to a piece and its edge; the walk is at one of its stops.
  const [asked, setAsked] = useSearchParams();
  const [pieceId, setPieceId] = useState(asked.get('piece') ?? shell.pieces[0]?.id ?? '');
  const [edgeId, setEdge] = useState<string | null>(asked.get('edge'));
  const [mark, setMark] = useState<number | null>(null);
  const [placing, setPlacing] = useState<Placing | null>(null);
  const [clicks, setClicks] = useState<Point[]>([]);
  const [wrong, setWrong] = useState<string | null>(null);
  const [again, setAgain] = useState(false);
  const setEdgeId = useCallback((id: string | null) => {
    setEdge(id);
    setMark(null);
  }, []);
  const walk = asked.get('walk');
  const go = useCallback(
    (to: Stop | null): void => {
      setAsked(to === null ? {} : { walk: to }, { replace: true });
      setEdgeId(null);
      if (to !== null && shell.pieces.some((p) => p.id === to)) setPieceId(to);
    },
    [setAsked, setEdgeId, shell.pieces],
  );
  const card = useRef<HTMLDivElement>(null);
  const tall = useTall(150, 420);
  const drawn = shell.pieces.find((p) => p.id === pieceId) ?? shell.pieces[0];
  const piece = w.computed.shell.find((p) => p.id === drawn?.id);
  const unsaid = useMemo(
    () => unsaidEdges(w.computed.surface).flatMap((e) => (e.piece === drawn?.id ? [e.edge] : [])),
    [w.computed.surface, drawn?.id],
  );
  const findings = useMemo(
    () =>
      w.computed.findings.filter(
        (f) =>
          f.code === 'allowance-swallows-piece' ||
          f.code === 'piece-missing' ||
          (f.code === 'part-failed' && ['pattern', 'seam-line', 'cut-line'].includes(String(f.data?.part))),
      ),
    [w.computed],
  );
  const save = (label: string, next: Shell) => w.save(label, { ...w.doc, shell: next });
  const withPiece = (p: ShellPiece): Shell => ({ ...shell, pieces: shell.pieces.map((q) => (q.id === p.id ? p : q)) });
  const savePiece = (label: string, p: ShellPiece) => save(label, withPiece(p));
  const edge = drawn?.ring.find((e) => e.id === edgeId) ?? null;
  const place = (p: Placing | null) => {
    setPlacing(p);
    setClicks([]);
    setWrong(null);
  };
  const spot = (p: Point) => {
    if (!drawn || !placing) return;
    const all = [...clicks, p];
    if (all.length < CLICKS[placing]) {
      setClicks(all);
      return;
    }
    const made = placed(drawn, placing, all);
    place(null);
    if (made.ok) savePiece(`${drawn.name}: ${placing === 'grain' ? 'grainline' : placing}`, made.value);
    else setWrong(made.findings.map((f) => sentenceOf(f, w.doc.units)).join(' '));
  };
  const pieceList = (
    <PieceList
      w={w}
      shell={shell}
      chosen={drawn?.id ?? ''}
      onChoose={(id) => {
        if (walk !== null) return go(id);
        setPieceId(id);
        setEdgeId(null);
      }}
    />
  );
  // Its card is there once the edge is chosen.
  const toCard = () => requestAnimationFrame(() => card.current?.querySelector<HTMLElement>('.blank')?.focus());
  return (
    <Page
      question="Is this my pattern, at the right size?"
      {...(walk === null && {
        lead: 'Click an edge in the drawing, or walk along with the arrow keys, and say what it is.',
      })}
      side={
        <>
          {walk === null ? (
            <Button variant="outline" borderColor="leaf.border" mb="3" minH="44px" onClick={() => go('size')}>
              Walk through the pattern
            </Button>
          ) : (
            <WalkCard {...{ w, shell, at: walk, onGo: go, onEdge: setEdgeId, onSave: savePiece }} />
          )}
          <FitNotes w={w} />
          {pieceList}
          {!shell.trueSize && walk !== 'size' && <SizeCard w={w} shell={shell} />}
          <div ref={card}>
            {drawn && piece && edge && (
              <>
                <EdgeSentences
                  w={w}
                  pieces={shell.pieces}
                  piece={drawn}
                  computed={piece}
                  edge={edge}
                  asks={walk === null}
                  onPreview={(p) => w.preview({ ...w.doc, shell: withPiece(p) })}
                  onSave={savePiece}
                />
                {unsaid.includes(edge.id) && <Unsaid w={w} piece={drawn.id} name={drawn.name} edge={edge.id} />}
                <CornerCard
                  w={w}
                  piece={drawn}
                  computed={piece}
                  edge={edge}
                  mark={mark}
                  onMark={setMark}
                  onSave={savePiece}
                />
              </>
            )}
            {drawn && !edge && (
              <>
                <PieceSentences
                  pieces={shell.pieces}
                  piece={drawn}
                  units={w.doc.units}
                  onSave={savePiece}
                  onRemove={() =>
                    w.save(
                      `Remove ${drawn.name}`,
                      { ...w.doc, shell: { ...shell, pieces: shell.pieces.filter((p) => p.id !== drawn.id) } },
                      true,
                    )
                  }
                />
                <MarksCard
                  piece={drawn}
                  placing={placing}
                  clicks={clicks.length}
                  wrong={wrong}
                  onPlacing={place}
                  onSave={savePiece}
                />
              </>
            )}
          </div>
          <Box borderTopWidth="1px" borderColor="rule" pt="3">
            <WholePattern w={w} shell={shell} onSave={save} onAgain={() => setAgain(true)} />
            <ReallowCard w={w} shell={shell} />
            {shell.trueSize && <SizeCard w={w} shell={shell} />}
          </Box>
        </>
      }
    >
      {notes.length > 0 && (
        <SheetBox role="status">
          <Text fontWeight="650">When the file was read</Text>
          <Box as="ul" pl="5" mb="2">
            {notes.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </Box>
          <Button size="xs" variant="outline" borderColor="rule" onClick={() => onNotes([])}>
            I see
          </Button>
        </SheetBox>
      )}
      {again && <AnotherFile w={w} onPutIn={onPutIn} onKeep={() => setAgain(false)} />}
      <Box>
        {piece && (
          <EdgePicker
            piece={piece}
            cut={w.computed.cutLines.get(piece.id)}
            units={w.doc.units}
            height={tall}
            selected={edgeId}
            onSelect={setEdgeId}
            mark={mark}
            unsure={new Set([...(drawn?.ring.filter(isUnsure).map((e) => e.id) ?? []), ...unsaid])}
            onMark={setMark}
            onSpot={placing ? spot : undefined}
            spots={clicks}
            onEnter={toCard}
          />
        )}
        <Text fontSize="15px" color="quiet">
          Full line: cut. Dashes: seam. Long and short dashes: fold. Arrow: grainline.
        </Text>
      </Box>
      <Findings findings={findings} w={w} />
    </Page>
  );
}

/** Another file in place of the one the pieces were read from. */
function AnotherFile({ w, onPutIn, onKeep }: { w: Workbook; onPutIn: (notes: string[]) => void; onKeep: () => void }) {
  const done = doneIn(w.doc.decisions.bench).size;
  return (
    <SheetBox>
      {done > 0 && (
        <Text color="honey" mb="2">
          {done === 1 ? 'A step is done' : `${done} steps are done`} with this pattern, and what is cut stays as it is.
          Where another pattern is otherwise, the page of the sewing names the steps and asks; undo brings this one
          back.
        </Text>
      )}
      <DropFile
        w={w}
        onDone={(notes) => {
          onKeep();
          onPutIn(notes);
        }}
      />
      <Button variant="outline" borderColor="rule" onClick={onKeep}>
        Keep this one
      </Button>
    </SheetBox>
  );
}
