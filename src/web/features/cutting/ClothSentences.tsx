import { Box, Button, Text } from '@chakra-ui/react';
import {
  type ClothSaid,
  type CuttingChoice,
  foldLies,
  type Length,
  lengthsOf,
  MEETS,
  type Meet,
  standingOf,
  turnedOver,
} from '../../../core/cutting/index.ts';
import { MATERIALS, type Material, type Piece } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Tick } from '../../ui/Ask.tsx';
import { blanks } from '../../ui/fields.tsx';
import { Blank, ChoiceBlank, NameBlank, Say } from '../../ui/Sentence.tsx';
import { joinWords, MATERIAL_WORDS, SIDE_WORDS } from '../../words/index.ts';
import { FlawSentences } from './FlawSentences.tsx';
import { CLOTH, PRINT, SHRINKS } from './fields.ts';
import { putCloth } from './putCloth.ts';

interface Props {
  w: Workbook;
  cloth: ClothSaid;
  /** What is cut from it. */
  mine: Piece[];
}

/** A cloth as it would be told: how wide it is, how it lies, what is cut from it. */
export function ClothSentences({ w, cloth, mine }: Props) {
  const put = putCloth(w, cloth);
  const several = cloth.more.length ? lengthsOf(cloth) : null;
  const size = (l: Length): string =>
    `${formatLength(l.width, w.doc.units, 0)} by ${formatLength(l.length, w.doc.units, 0)}`;
  const f = blanks(CLOTH, cloth, w.doc.units, put);
  const p = blanks(PRINT, cloth.print, w.doc.units, (part, words) =>
    put({ print: { ...cloth.print, ...part } }, words),
  );
  const s = blanks(SHRINKS, cloth.shrinks, w.doc.units, (part, words) =>
    put({ shrinks: { ...cloth.shrinks, ...part } }, words),
  );
  return (
    <>
      <Say>
        <NameBlank label="What it is called" value={cloth.name} onName={(name) => put({ name }, `called ${name}`)} /> is{' '}
        {f.sort}, {f.fibre},{' '}
        {several ? (
          `${several.length} lengths: ${several.map(size).join(', ')}. They lie one behind another in one layer`
        ) : (
          <>
            {f.width} wide and {f.owned}
            {cloth.owned > 0 && ' long'}. It lies {f.lies}
            {cloth.lies === 'partly' && <>, a strip of {f.foldedBy} double</>}, <SideUp w={w} cloth={cloth} />
            {foldLies(cloth) && <>, {f.foldFar}</>}
          </>
        )}
        {(cloth.sort === 'lace' || cloth.scallops !== 'none') && <>, with {f.scallops}</>}; its pieces lie {f.oneWay},
        their grain along it and {f.tilt}.
      </Say>
      <Say>
        {f.selvedge} are kept free along a selvedge, {f.end} at both ends, {f.gap} between pieces; {f.recut} at its end,
        to cut a piece anew.
      </Say>
      <Say>
        Its print comes again {p.along} along it and {p.across} across it.{' '}
        {cloth.print.along + cloth.print.across > 0 && (
          <>
            The first line {cloth.print.along > 0 && <>along it lies {p.fromEnd} from the cut end</>}
            {cloth.print.along > 0 && cloth.print.across > 0 && ', the first '}
            {cloth.print.across > 0 && <>across it lies {p.fromSide} from the selvedge</>}. They meet at{' '}
            <Meets cloth={cloth} put={put} />.
          </>
        )}
      </Say>
      <Say>
        After it is cut it shrinks by {s.along} along and {s.across} across. Its price a metre: {f.price}.
      </Say>
      <Say>
        From it <Takes cloth={cloth} onTakes={(takes, words) => put({ takes }, words)} /> are cut
        {mine.length > 0 && <>, {mine.length} pieces</>}. <Moved w={w} cloth={cloth} />
      </Say>
      <Box display="flex" flexWrap="wrap" gap="2" mb="3" flexDirection="column" alignItems="flex-start">
        <FlawSentences cloth={cloth} units={w.doc.units} put={put} />
        <Others w={w} cloth={cloth} />
      </Box>
    </>
  );
}

/** Which side of it lies up: turned over, its flaws, its print and the lay on it are seen from behind. */
function SideUp({ w, cloth }: Pick<Props, 'w' | 'cloth'>) {
  const [usual, other] = SIDE_WORDS[cloth.lies];
  const over = (otherSideUp: boolean): void => {
    if (otherSideUp === cloth.otherSideUp) return;
    const { cutting } = w.doc.decisions;
    const { lying } = standingOf(cutting, cloth, w.computed);
    const turned = turnedOver(cloth, lying);
    setDecision(
      w,
      'cutting',
      {
        cloths: cutting.cloths.map((c) => (c.id === cloth.id ? turned.cloth : c)),
        lays: cutting.lays.map((l) => (l.cloth === cloth.id ? { ...l, placed: turned.placed } : l)),
      },
      { words: `${cloth.name}: ${otherSideUp ? other : usual}` },
    );
  };
  return (
    <ChoiceBlank
      label="Which side lies up"
      value={cloth.otherSideUp ? 'other' : 'usual'}
      ways={[
        { id: 'usual', words: usual },
        { id: 'other', words: other },
      ]}
      onPick={(v) => over(v === 'other')}
    />
  );
}

/** Where lines of its print are to meet. */
function Meets({ cloth, put }: { cloth: ClothSaid; put: (part: Partial<ClothSaid>, words?: string) => void }) {
  const name = (m: Meet): string => joinWords(`join-${m}`).toLowerCase();
  const { along, across } = cloth.print;
  // Seams meet along the cloth, centre lines across it.
  const said = [
    ...(along > 0 ? cloth.meet.map(name) : []),
    ...(across > 0 && cloth.centre ? ['the centre lines'] : []),
  ];
  return (
    <Blank label="Where lines meet" said={said.join(', ') || 'nothing'}>
      <Tick
        label="Centre lines lie on a line"
        checked={cloth.centre}
        onTick={(centre) => put({ centre }, `centre lines ${centre ? 'on a line' : 'anywhere'}`)}
      />
      {MEETS.map((m) => (
        <Tick
          key={m}
          label={joinWords(`join-${m}`)}
          checked={cloth.meet.includes(m)}
          onTick={(on) =>
            put(
              { meet: MEETS.filter((x) => (x === m ? on : cloth.meet.includes(x))) },
              `lines ${on ? '' : 'need not '}meet: ${name(m)}`,
            )
          }
        />
      ))}
      <Text fontSize="15px" color="quiet">
        Where two cannot both meet, the one named first does; it is told which misses, and by how much.
      </Text>
    </Blank>
  );
}

/** Of which materials pieces are cut from it. */
function Takes({ cloth, onTakes }: { cloth: ClothSaid; onTakes: (t: Material[], words: string) => void }) {
  const name = (m: Material): string => MATERIAL_WORDS[m].word.toLowerCase();
  return (
    <Blank label="What is cut from it" said={cloth.takes.map(name).join(', ') || 'no material as a whole'}>
      {MATERIALS.map((m) => (
        <Tick
          key={m}
          label={MATERIAL_WORDS[m].word}
          checked={cloth.takes.includes(m)}
          onTick={(on) =>
            onTakes(
              MATERIALS.filter((x) => (x === m ? on : cloth.takes.includes(x))),
              `${name(m)} ${on ? '' : 'not '}cut from it`,
            )
          }
        />
      ))}
      <Text fontSize="15px" color="quiet">
        Where two cloths take the same, the first one has it.
      </Text>
    </Blank>
  );
}

/** A single piece that goes to this cloth, whatever its material. */
function Moved({ w, cloth }: { w: Workbook; cloth: ClothSaid }) {
  const { cutting } = w.doc.decisions;
  const moved = cutting.moved.filter((m) => m.cloth === cloth.id);
  const save = (next: CuttingChoice['moved'], words: string): void =>
    setDecision(w, 'cutting', { moved: next }, { words });
  const nameOf = (id: string): string => w.computed.pieces.find((p) => p.id === id)?.name ?? id;
  const others = w.computed.pieces.filter((p) => !moved.some((m) => m.piece === p.id));
  return (
    <>
      {moved.map((m) => (
        <span key={m.piece}>
          {nameOf(m.piece)}{' '}
          <ChoiceBlank
            label={`${nameOf(m.piece)}: from which cloth`}
            value="here"
            ways={[
              { id: 'here', words: 'is cut from it too' },
              { id: 'usual', words: 'goes where its material does' },
            ]}
            onPick={(v) =>
              v === 'usual' &&
              save(
                cutting.moved.filter((x) => x !== m),
                `${nameOf(m.piece)} cut from the usual cloth`,
              )
            }
          />
          .{' '}
        </span>
      ))}
      <ChoiceBlank
        label="Another piece from it"
        value=""
        said="Cut another piece from it"
        ways={[{ id: '', words: 'a piece …' }, ...others.map((p) => ({ id: p.id, words: p.name }))]}
        onPick={(piece) => {
          if (!piece) return;
          const rest = cutting.moved.filter((m) => m.piece !== piece);
          save([...rest, { piece, cloth: cloth.id }], `${nameOf(piece)} cut from ${cloth.name}`);
        }}
      />
      .
    </>
  );
}

/** One more cloth, or this one away. */
function Others({ w, cloth }: { w: Workbook; cloth: ClothSaid }) {
  const { cutting } = w.doc.decisions;
  const add = (): void => {
    const most = Math.max(0, ...cutting.cloths.map((c) => Number(/^c(\d+)$/.exec(c.id)?.[1] ?? 0)));
    const next: ClothSaid = {
      ...cloth,
      id: `c${most + 1}`,
      name: `Cloth ${cutting.cloths.length + 1}`,
      takes: [],
      ...{ owned: 0, stash: '', outline: [], more: [], lies: cloth.more.length ? 'single' : cloth.lies },
    };
    setDecision(w, 'cutting', { cloths: [...cutting.cloths, next] }, { words: 'Another cloth', told: true });
  };
  const drop = (): void =>
    setDecision(
      w,
      'cutting',
      {
        cloths: cutting.cloths.filter((c) => c.id !== cloth.id),
        moved: cutting.moved.filter((m) => m.cloth !== cloth.id),
        lays: cutting.lays.filter((l) => l.cloth !== cloth.id),
      },
      { words: `Without: ${cloth.name}`, told: true },
    );
  return (
    <Box>
      <Button size="sm" variant="outline" borderColor="rule" onClick={add}>
        Another cloth
      </Button>
      {cutting.cloths.length > 1 && (
        <Button size="sm" variant="ghost" color="berry" onClick={drop}>
          Without this one
        </Button>
      )}
    </Box>
  );
}
