import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { type ReactNode, useEffect, useRef } from 'react';
import { Link, useSearchParams } from 'react-router';
import {
  type ClothSaid,
  clothFor,
  density,
  type LayFault,
  offAtEnds,
  type Placed,
} from '../../../core/cutting/index.ts';
import { formatLength } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Search, useLay } from '../../data/useLay.ts';
import { type Workbook } from '../../data/useProject.ts';
import { type Hand, keyOf, LayDrawing } from '../../drawing/LayDrawing.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { AllWell } from '../../ui/Notes.tsx';
import { Empty, Page } from '../../ui/Page.tsx';
import { Tabs } from '../../ui/Tabs.tsx';
import { beyondWords, enoughWords, meetWords, missedWords, SORT_NOTES, unheeded } from '../../words/index.ts';
import { ClothSentences } from './ClothSentences.tsx';
import { putCloth } from './putCloth.ts';
import { useLaid } from './useLaid.ts';
import { WhatIf } from './WhatIf.tsx';
import { WhichPiece } from './WhichPiece.tsx';

const QUESTION = 'How much cloth, laid how?';
/** How long a shorter lay is looked for, s, unless it is stopped. */
const SECONDS = 20;

/** How much cloth, laid how: a cloth in its sentences, its pieces on the table. */
export function Cutting({ w }: { w: Workbook }) {
  const { cloths } = w.doc.decisions.cutting;
  const [asked, setAsked] = useSearchParams();
  const cloth = cloths.find((c) => c.id === asked.get('cloth')) ?? cloths[0];
  if (!w.computed.pieces.length || !cloth)
    return (
      <Page question={QUESTION}>
        <Empty title="Nothing to lay yet">
          Put the pattern in on the first page: its pieces are laid on the cloth here.
        </Empty>
      </Page>
    );
  return (
    <OneCloth
      key={cloth.id}
      w={w}
      cloth={cloth}
      tabs={
        <Tabs
          words="Cloths"
          tabs={cloths.map((c) => [c.id, c.name] as const)}
          at={cloth.id}
          onTab={(id) => setAsked({ cloth: id }, { replace: true })}
        />
      }
    />
  );
}

function OneCloth({ w, cloth, tabs }: { w: Workbook; cloth: ClothSaid; tabs: ReactNode }) {
  const search = useLay();
  const laid = useLaid(w, cloth, search.best?.placed);
  const { units } = w.doc;
  const keep = (placed: readonly Placed[], words: string): void => {
    const rest = w.doc.decisions.cutting.lays.filter((l) => l.cloth !== cloth.id);
    setDecision(w, 'cutting', { lays: [...rest, { cloth: cloth.id, placed: [...placed] }] }, { words });
  };
  // What was found is kept once the search has ended, by itself or by hand, and once only.
  const before = useRef<unknown>(null);
  useEffect(() => {
    if (search.running || !search.best || before.current === search.best) return;
    before.current = search.best;
    const pinned = new Set(pinnedOf(laid.kept).map(keyOf));
    const placed = search.best.placed.map((q) => (pinned.has(keyOf(q)) ? { ...q, pinned: true } : q));
    keep(placed, `${cloth.name} laid on ${formatLength(search.best.length, units, 0)}`);
    search.forget();
  });
  // Of another cloth than it was begun on, nothing that is found is of use.
  const { stop, forget } = search;
  const about = JSON.stringify(cloth);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what it is about is what it hangs on.
  useEffect(
    () => () => {
      stop();
      forget();
    },
    [about],
  );
  const put = (q: Placed, part: Partial<Placed>, words: string): void =>
    keep(
      (laid.kept ?? []).map((p) => (keyOf(p) === keyOf(q) ? { ...p, ...part } : p)),
      words,
    );
  const hand: Hand | null =
    search.best || !laid.kept
      ? null
      : {
          move: (q, to) => put(q, to, `${q.shape.name} moved on the cloth`),
          turn: (q) => put(q, { turn: (q.turn + 180) % 360 }, `${q.shape.name} turned on the cloth`),
          pin: (q) => put(q, { pinned: !q.pinned }, `${q.shape.name} ${q.pinned ? 'let go' : 'pinned on the cloth'}`),
        };
  const faulty = new Set(laid.faults.flatMap((f) => laid.lying.filter((q) => isOf(f, q)).map(keyOf)));
  const tall = useTall(150, 300);
  const { cutting } = w.doc.decisions;
  const homeless = w.computed.pieces.filter((p) => !clothFor(cutting, p));
  return (
    <Page
      question={QUESTION}
      side={
        <>
          {tabs}
          {homeless.length > 0 && (
            <Text role="note" mb="3" pl="2" borderLeftWidth="4px" borderColor="honey">
              Cut from no cloth yet: {homeless.map((p) => p.name).join(', ')}.
            </Text>
          )}
          <ClothSentences w={w} cloth={cloth} mine={laid.mine} />
          <SortNote cloth={cloth} />
          <Verdict w={w} cloth={cloth} laid={laid} search={search} />
          {laid.mine.length > 0 && <WhichPiece w={w} mine={laid.mine} />}
          {laid.mine.length > 0 && (
            <WhatIf
              // Of other pieces, or a cloth laid otherwise, its answers would be untrue.
              key={JSON.stringify([{ ...cloth, width: 0, lies: '' }, laid.mine.map((p) => p.id)])}
              w={w}
              cloth={cloth}
              mine={laid.mine}
              holds={laid.holds}
              onTake={putCloth(w, cloth, { told: true })}
            />
          )}
        </>
      }
    >
      {laid.lying.length > 0 ? (
        <LayDrawing
          cloth={cloth}
          lying={laid.lying}
          length={laid.length}
          faulty={faulty}
          units={units}
          height={tall}
          hand={hand}
        />
      ) : (
        <Empty title={laid.mine.length ? 'Not laid yet' : 'Nothing is cut from this cloth'}>
          {laid.mine.length
            ? `${laid.mine.length} pieces are cut from it. “Lay the pieces” finds how they lie on the least of it.`
            : 'Say beside the drawing what is.'}
        </Empty>
      )}
    </Page>
  );
}

/** Whether a fault is one of this cut. */
const isOf = (f: LayFault, q: Placed): boolean =>
  (f.piece === q.piece && !('copy' in f && f.copy !== q.copy)) || ('other' in f && f.other === q.piece);

/** How its sort of cloth is laid and cut, and what of that is not heeded yet. */
function SortNote({ cloth }: { cloth: ClothSaid }) {
  const missed = unheeded(cloth);
  return (
    <>
      {SORT_NOTES[cloth.sort] && <Text mb="3">{SORT_NOTES[cloth.sort]}</Text>}
      {missed && (
        <Text role="note" mb="3" pl="2" borderLeftWidth="4px" borderColor="honey">
          {missed}
        </Text>
      )}
    </>
  );
}

/** What is taken along: the sheet for the table, the lay as a file, the list to buy. */
function Away({ w, cloth, laid }: { w: Workbook; cloth: ClothSaid; laid: boolean }) {
  const file = (ending: string): string => `/api/projects/${w.id}/export/lay.${ending}?cloth=${cloth.id}`;
  const style = { textDecoration: 'underline' } as const;
  return (
    <Flex gap="4" wrap="wrap" rowGap="1">
      {laid && (
        <>
          <Link to={`sheet?cloth=${cloth.id}`} style={style}>
            A sheet for the table
          </Link>
          <a href={file('svg')} download style={style}>
            The lay as SVG
          </a>
          <a href={file('dxf')} download style={style}>
            as DXF
          </a>
        </>
      )}
      <Link to="buy" style={style}>
        What to buy
      </Link>
    </Flex>
  );
}

const pinnedOf = (kept: readonly Placed[] | undefined): Placed[] => (kept ?? []).filter((q) => q.pinned);

/** Where lines of its print meet, and which wish can't hold beside the others. */
function Meeting({ w, cloth, laid }: { w: Workbook; cloth: ClothSaid; laid: ReturnType<typeof useLaid> }) {
  const { computed, doc } = w;
  const nameOf = (id: string): string => computed.pieces.find((p) => p.id === id)?.name ?? 'A piece';
  const held = laid.matches.filter((m) => !laid.missed.some((x) => x.match === m));
  if (!laid.matches.length) return null;
  const cut = { pieces: laid.mine, cutLines: computed.cutLines };
  return (
    <Box mb="2">
      {held.length > 0 && <Text>Lines are laid to meet at the notches of:</Text>}
      <Box as="ul" pl="5">
        {held.map((m) => (
          <li key={`${m.code} ${m.a.piece} ${m.b.piece}`}>
            {meetWords(m, offAtEnds(m, cut, cloth), nameOf, doc.units)}
          </li>
        ))}
        {laid.missed.map((x) => (
          <Box as="li" key={`${x.match.code} ${x.match.a.piece} ${x.match.b.piece}`} color="honey.fg">
            {missedWords(x, nameOf, doc.units)}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

interface VerdictProps {
  w: Workbook;
  cloth: ClothSaid;
  laid: ReturnType<typeof useLaid>;
  search: Search;
}

/** How long the lay is and whether it holds; and what finds a shorter one. */
function Verdict({ w, cloth, laid, search }: VerdictProps) {
  const { units } = w.doc;
  const mm = (v: number): string => formatLength(v, units, 0);
  const { best, running } = search;
  const { told } = laid;
  const pinned = pinnedOf(laid.kept);
  const start = (): void =>
    search.start({
      ...{ pieces: laid.mine, cutLines: w.computed.cutLines, cloth, holds: laid.holds },
      ...{ pinned, seed: 1, seconds: SECONDS },
    });
  return (
    <Box borderTopWidth="1px" borderColor="rule" pt="3" aria-live="polite">
      {(laid.kept || best) && laid.lying.length > 0 && (
        <Text fontSize="19px" mb="1">
          They lie on <b>{mm(laid.length)}</b> of it: {Math.round(100 * density(cloth, laid.lying))} % of the cloth is
          in the pieces.
        </Text>
      )}
      {running ? (
        <Box mb="3">
          <Text color="quiet">
            {best
              ? `${mm(best.first)} at first; ${Math.round(best.seconds)} of ${SECONDS} seconds gone.`
              : 'Laying the largest first …'}
          </Text>
          <progress value={best?.seconds ?? 0} max={SECONDS} aria-label="The search" style={{ width: '100%' }} />
          <Button variant="outline" borderColor="rule" minH="44px" onClick={search.stop}>
            {best ? 'Good so: keep it' : 'Stop'}
          </Button>
        </Box>
      ) : (
        <>
          {laid.kept && (
            <>
              {told.length === 0 && !laid.tooWide.length ? (
                <AllWell
                  words={`Looked over: nothing overlaps, every piece ${laid.singly.length ? 'that can lie so ' : ''}is there, each on its grain${laid.matches.length ? ', and its lines meet' : ''}.`}
                />
              ) : (
                <Box as="ul" pl="5" mb="2" color="berry" role="status">
                  {told.slice(0, 8).map((words) => (
                    <li key={words}>{words}</li>
                  ))}
                </Box>
              )}
              <Meeting w={w} cloth={cloth} laid={laid} />
              {laid.lying.length > 0 && (
                <Text mb="2">
                  {enoughWords(cloth, laid.length, units)} {beyondWords(cloth, laid.lying)}
                </Text>
              )}
            </>
          )}
          {laid.tooWide.map(({ piece, over }) => (
            <Text key={piece.id} role="alert" color="berry" mb="2">
              {piece.name} is {formatLength(over, units)} wider than what can be used of this cloth: it takes wider
              cloth, a seam in the piece, or another grain.
            </Text>
          ))}
          {laid.singly.length > 0 && (
            <Text mb="2">
              Not on two layers: {laid.singly.map((p) => p.name).join(', ')}. Cut them from one layer of what is left.
            </Text>
          )}
          {search.failed && (
            <Text role="alert" color="berry" mb="2">
              The search stopped: that is a fault of Woodbine. Nothing was changed.
            </Text>
          )}
          {laid.mine.length > 0 && (
            <Flex gap="3" wrap="wrap" mb="3">
              <Button colorPalette="leaf" minH="44px" onClick={start}>
                {!laid.kept ? 'Lay the pieces' : pinned.length ? 'Lay the rest anew' : 'Lay anew'}
              </Button>
            </Flex>
          )}
          <Away w={w} cloth={cloth} laid={laid.kept !== undefined && laid.lying.length > 0} />
          {laid.kept && (
            <Text color="quiet" fontSize="15px" mt="2">
              Drag a piece, or choose it by Tab and move it by the arrow keys; R turns it, P or a double click pins it:
              what is pinned stays while the rest is laid anew.
            </Text>
          )}
        </>
      )}
    </Box>
  );
}
