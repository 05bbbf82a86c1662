import { Text } from '@chakra-ui/react';
import { type ReactNode, useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { type ClothSaid, clothFor, type LayFault, type Placed } from '../../../core/cutting/index.ts';
import { formatLength } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { useLay } from '../../data/useLay.ts';
import { type Workbook } from '../../data/useProject.ts';
import { type Hand, keyOf, LayDrawing } from '../../drawing/LayDrawing.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { Empty, Page } from '../../ui/Page.tsx';
import { Tabs } from '../../ui/Tabs.tsx';
import { ClothSentences } from './ClothSentences.tsx';
import { FromStash } from './FromStash.tsx';
import { putCloth } from './putCloth.ts';
import { useLaid } from './useLaid.ts';
import { pinnedOf, SortNote, Verdict } from './Verdict.tsx';
import { WhatIf } from './WhatIf.tsx';
import { WhichPiece } from './WhichPiece.tsx';

const QUESTION = 'How much cloth, laid how?';

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
          <FromStash w={w} cloth={cloth} laid={laid} />
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
          owned={cloth.owned}
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
