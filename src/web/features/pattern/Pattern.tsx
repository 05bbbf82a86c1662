import { Box, Button, Flex, Heading, Link, Text } from '@chakra-ui/react';
import { useCallback, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import useSWR from 'swr';
import { sentenceOf } from '../../../contract/findings.ts';
import { type Shell, type ShellPiece } from '../../../core/document/project.ts';
import { unsaidEdges } from '../../../core/garment/index.ts';
import { type Point } from '../../../core/geometry/index.ts';
import { isUnsure } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { api } from '../../data/client.ts';
import { takeOver } from '../../data/handover.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { EdgePicker } from '../../drawing/EdgePicker.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { Ask } from '../../ui/Ask.tsx';
import { DropFile } from '../../ui/DropFile.tsx';
import { Measure } from '../../ui/Measure.tsx';
import { Findings } from '../../ui/Notes.tsx';
import { Page, SheetBox } from '../../ui/Page.tsx';
import { CornerCard } from './CornerCard.tsx';
import { CLICKS, MarksCard, type Placing, placed } from './MarksCard.tsx';
import { OpeningsCard } from './OpeningsCard.tsx';
import { EdgeCard, PieceCard, UnsaidCard } from './PatternCards.tsx';
import { PieceList } from './PieceList.tsx';
import { ReallowCard } from './ReallowCard.tsx';
import { SizeCard } from './SizeCard.tsx';
import { type Stop, WalkCard } from './WalkCard.tsx';

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
  const tall = useTall(250, 420);
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
  const savePiece = (label: string, p: ShellPiece) =>
    save(label, { ...shell, pieces: shell.pieces.map((q) => (q.id === p.id ? p : q)) });
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
  const toCard = () => requestAnimationFrame(() => card.current?.querySelector('select')?.focus());
  return (
    <Page
      question="Is this my pattern, at the right size?"
      {...(walk === null && {
        lead: 'Measure one piece you know against its printed size. Then click an edge, or walk along with the arrow keys, and say what it is.',
      })}
      below={
        <>
          {shell.trueSize && <SizeCard w={w} shell={shell} />}
          <WholePattern w={w} shell={shell} onSave={save} onPutIn={onPutIn} />
          <ReallowCard w={w} shell={shell} />
        </>
      }
      side={
        <>
          {walk === null ? (
            <Button variant="outline" borderColor="leaf.border" mb="3" minH="44px" onClick={() => go('size')}>
              Walk through the pattern
            </Button>
          ) : (
            <WalkCard {...{ w, shell, at: walk, onGo: go, onEdge: setEdgeId, onSave: savePiece }} />
          )}
          {pieceList}
          <div ref={card}>
            {drawn && piece && edge && (
              <>
                <EdgeCard
                  w={w}
                  pieces={shell.pieces}
                  piece={drawn}
                  computed={piece}
                  edge={edge}
                  asks={walk === null}
                  onSave={savePiece}
                />
                {unsaid.includes(edge.id) && <UnsaidCard w={w} piece={drawn.id} name={drawn.name} edge={edge.id} />}
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
                <PieceCard
                  pieces={shell.pieces}
                  piece={drawn}
                  onSave={savePiece}
                  onRemove={() =>
                    w.save(
                      `Remove ${drawn.name}`,
                      { ...w.doc, shell: { ...shell, pieces: shell.pieces.filter((p) => p.id !== drawn.id) } },
                      true,
                    )
                  }
                />
                <OpeningsCard piece={drawn} units={w.doc.units} onSave={savePiece} />
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
      {!shell.trueSize && walk !== 'size' && <SizeCard w={w} shell={shell} />}
      <SheetBox position={{ md: 'sticky' }} top="3">
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
      </SheetBox>
      <Findings findings={findings} w={w} />
    </Page>
  );
}

/** Which file the pieces were read from; the file itself can be had back. */
function FromFile({ id, name }: { id: string; name: string }) {
  const { data } = useSWR(['files', id, name], () => api.files(id));
  const file = data?.files.find((f) => f.name === name);
  return (
    <Text color="quiet">
      From the file{' '}
      {file ? (
        <Link href={`/api/projects/${id}/files/${file.id}`} download color="leaf.fg" textDecoration="underline">
          {name}
        </Link>
      ) : (
        name
      )}
      .
    </Text>
  );
}

interface WholeProps {
  w: Workbook;
  shell: Shell;
  onSave: (label: string, s: Shell) => void;
  onPutIn: (notes: string[]) => void;
}

/** What holds for the pattern as a whole: which lines are drawn, the usual allowances, another file. */
function WholePattern({ w, shell, onSave, onPutIn }: WholeProps) {
  const a = w.doc.decisions.allowances;
  const [again, setAgain] = useState(false);
  const row = (key: keyof typeof a, label: string, most: number) => (
    <Measure
      label={label}
      value={a[key]}
      least={0}
      most={most}
      units={w.doc.units}
      onPreview={(v) => setDecision(w, 'allowances', { [key]: v })}
      onValue={(v) => setDecision(w, 'allowances', { [key]: v }, { words: `${label} ${formatLength(v, w.doc.units)}` })}
    />
  );
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="3">
        The whole pattern
      </Heading>
      <Ask
        question="The lines drawn in the file are"
        value={shell.lines}
        answers={[
          ['seam', 'seam lines: allowance is added outside'],
          ['cut', 'cut lines: the seam lies inside'],
        ]}
        onAnswer={(lines) =>
          onSave(lines === 'cut' ? 'Drawn lines are cut lines' : 'Drawn lines are seam lines', { ...shell, lines })
        }
      />
      <Box display="grid" gridTemplateColumns={{ base: '1fr', lg: '1fr 1fr 1fr' }} gap="6">
        {row('seam', 'Seam allowance', 30)}
        {row('hem', 'Hem of the shell', 80)}
        {row('wrist', 'Wrist hem', 80)}
      </Box>
      <Flex gap="3" align="center" wrap="wrap">
        <FromFile id={w.id} name={shell.fileName} />
        <Button size="sm" variant="outline" borderColor="rule" onClick={() => setAgain(!again)}>
          {again ? 'Keep this one' : 'Put in another file'}
        </Button>
      </Flex>
      {again && (
        <DropFile
          w={w}
          onDone={(notes) => {
            setAgain(false);
            onPutIn(notes);
          }}
        />
      )}
    </SheetBox>
  );
}
