import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import {
  awayFrom,
  beyond,
  type ClothSaid,
  deeperFold,
  density,
  type Off,
  type Placed,
} from '../../../core/cutting/index.ts';
import { type Piece } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Search } from '../../data/useLay.ts';
import { type Workbook } from '../../data/useProject.ts';
import { AllWell } from '../../ui/Notes.tsx';
import {
  bentWords,
  enoughWords,
  hemmedWords,
  meetWords,
  missedWords,
  SORT_NOTES,
  unheeded,
} from '../../words/index.ts';
import { putCloth } from './putCloth.ts';
import { type Laid } from './useLaid.ts';

/** How long a shorter lay is looked for, s, unless it is stopped. */
const SECONDS = 20;

/** How its sort of cloth is laid and cut, and what of that is not heeded yet. */
export function SortNote({ cloth }: { cloth: ClothSaid }) {
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

/** Of interfacing alone nothing else is cut. */
const isClothFor = (c: ClothSaid, pieces: readonly Piece[]): boolean =>
  c.takes.join() !== 'interfacing' || pieces.every((p) => p.material === 'interfacing');

/** What lies beyond the cloth that is there; the fewest pieces to cut elsewhere so that the rest is likely to fit, and from which cloth. */
function Beyond({ w, cloth, laid }: { w: Workbook; cloth: ClothSaid; laid: Laid }) {
  const over = useMemo(() => beyond(cloth, laid.lying), [cloth, laid.lying]);
  const away = useMemo(() => awayFrom(cloth, laid.lying), [cloth, laid.lying]);
  const { cloths, moved } = w.doc.decisions.cutting;
  if (!over.length) return null;
  const names = (all: readonly Piece[]): string => all.map((p) => p.name).join(', ');
  const to = (other: ClothSaid): void => {
    const rest = moved.filter((m) => !away.some((p) => p.id === m.piece));
    const all = [...rest, ...away.map((p) => ({ piece: p.id, cloth: other.id }))];
    setDecision(w, 'cutting', { moved: all }, { words: `${names(away)} cut from ${other.name}`, told: true });
  };
  return (
    <Box mb="3">
      <Text role="alert" color="berry" mb="2">
        Beyond its end: {names(over)}.
      </Text>
      {away.length < laid.mine.length && (
        <>
          <Text mb="2">
            Without {names(away)} the rest is likely to fit. Another cloth, or a leftover of it, is put in by “Another
            cloth”.
          </Text>
          <Flex gap="3" wrap="wrap">
            {cloths
              .filter((c) => c.id !== cloth.id && isClothFor(c, away))
              .map((c) => (
                <Button key={c.id} variant="outline" borderColor="rule" minH="44px" onClick={() => to(c)}>
                  Cut {away.length === 1 ? 'it' : 'them'} from {c.name}
                </Button>
              ))}
          </Flex>
        </>
      )}
    </Box>
  );
}

/** What does not fit on the cloth as it lies, and what would help. */
function TooWide({ w, cloth, tooWide }: { w: Workbook; cloth: ClothSaid; tooWide: Laid['tooWide'] }) {
  const { units } = w.doc;
  const deeper = deeperFold(cloth, tooWide);
  const mm = formatLength(deeper ?? 0, units, 0);
  return (
    <>
      {tooWide.map(({ piece, over }) => (
        <Text key={piece.id} role="alert" color="berry" mb="2">
          {piece.name} is {formatLength(over, units)} wider than{' '}
          {deeper !== null && piece.cut.onFold
            ? 'the strip that lies double.'
            : 'what can be used of this cloth: it takes wider cloth, a seam in the piece, or another grain.'}
        </Text>
      ))}
      {deeper !== null && (
        <Button
          variant="outline"
          borderColor="rule"
          minH="44px"
          mb="3"
          onClick={() => putCloth(w, cloth)({ foldedBy: deeper }, `${mm} lie double`)}
        >
          Fold it so that {mm} lie double
        </Button>
      )}
    </>
  );
}

/** Of a lace: which hems lie on its finished edge, and which cannot. */
function Hems({ w, laid }: { w: Workbook; laid: Laid }) {
  const { hemmed, bent } = laid;
  return (
    <>
      {hemmed.length > 0 && <Text mb="2">{hemmedWords(hemmed)}</Text>}
      {bent.map((b) => (
        <Text key={b.piece.id} role="note" mb="2" pl="2" borderLeftWidth="4px" borderColor="honey">
          {bentWords(b, w.doc.units)}
        </Text>
      ))}
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
          <a href={file('pdf')} download style={style}>
            as PDF
          </a>
        </>
      )}
      <Link to="buy" style={style}>
        What to buy
      </Link>
    </Flex>
  );
}

/** What stays where it lies. */
export const pinnedOf = (kept: readonly Placed[] | undefined): Placed[] => (kept ?? []).filter((q) => q.pinned);

const keyOfSeam = ({ match: m }: Off): string => `${m.code} ${m.a.piece} ${m.b.piece}`;

/** Where lines of its print meet, and which wish can't hold beside the others. */
function Meeting({ w, laid }: { w: Workbook; laid: Laid }) {
  const { computed, doc } = w;
  const nameOf = (id: string): string => computed.pieces.find((p) => p.id === id)?.name ?? 'A piece';
  const { meeting, missed, unplaced } = laid;
  if (!meeting.length && !missed.length && !unplaced.length) return null;
  return (
    <Box mb="2">
      {unplaced.map((p) => (
        <Text key={p.id} role="note" color="honey.fg">
          {p.name}: where it is stitched on is not drawn on the pattern, or slants, so its lines are laid to meet
          nothing. Draw its outline or its mouth on the front as a place for a pocket.
        </Text>
      ))}
      {meeting.length > 0 && <Text>Lines are laid to meet at the notches of:</Text>}
      <Box as="ul" pl="5">
        {meeting.map((x) => (
          <li key={keyOfSeam(x)}>{meetWords(x, nameOf, doc.units)}</li>
        ))}
        {missed.map((x) => (
          <Box as="li" key={keyOfSeam(x)} color="honey.fg">
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
  laid: Laid;
  search: Search;
}

/** How long the lay is and whether it holds; and what finds a shorter one. */
export function Verdict({ w, cloth, laid, search }: VerdictProps) {
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
          They lie on <b>{mm(laid.takes)}</b> of it
          {laid.takes > laid.length && `, ${mm(laid.length)} in each of its two layers`}:{' '}
          {Math.round(100 * density(cloth, laid.lying))} % of the cloth is in the pieces.
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
                  words={`Looked over: nothing overlaps, every piece ${laid.singly.length ? 'that can lie so ' : ''}is there, ${cloth.tilt ? `none more than ${cloth.tilt}° off its grain` : 'each on its grain'}${laid.hemmed.length ? ' or with its hem on the finished edge' : ''}${laid.meeting.length && !laid.missed.length ? ', and its lines meet' : ''}.`}
                />
              ) : (
                <Box as="ul" pl="5" mb="2" color="berry" role="status">
                  {told.slice(0, 8).map((words) => (
                    <li key={words}>{words}</li>
                  ))}
                </Box>
              )}
              <Meeting w={w} laid={laid} />
              {laid.lying.length > 0 && <Text mb="2">{enoughWords(cloth, laid.needs, units)}</Text>}
            </>
          )}
          <Beyond w={w} cloth={cloth} laid={laid} />
          <Hems w={w} laid={laid} />
          <TooWide w={w} cloth={cloth} tooWide={laid.tooWide} />
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
