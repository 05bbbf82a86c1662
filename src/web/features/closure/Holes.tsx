import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { HOLE_SETTINGS, hasHoles, lignes, loopLength, SIZES, sewingOrder } from '../../../core/closure/index.ts';
import { formatLength, inUnit, parseLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { HoleDrawing } from '../../drawing/HoleDrawing.tsx';
import { Pick } from '../../ui/Ask.tsx';
import { blanks } from '../../ui/fields.tsx';
import { Why } from '../../ui/Notes.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { ChoiceBlank, Say, type Way } from '../../ui/Sentence.tsx';
import { CAUTION_WORDS, HOLE_AFTER, HOLE_STAGES, halvesWords } from '../../words/index.ts';
import { layersOf, type Put, type ViewProps } from './closing.ts';
import { HOLES } from './fields.ts';

/** The button's shape, and how its hole lies. */
export function HoleQuestions({ w, put }: { w: Workbook; put: Put }) {
  const c = w.doc.decisions.closure;
  const { units } = w.doc;
  const f = blanks(HOLES, c, units, put);
  const mm = (v: number): string => formatLength(v, units);
  const sold = SIZES[c.fastener].map(
    (s): Way<string> => ({
      id: String(s),
      words: `${mm(s)}${c.fastener === 'button' ? ` (${Math.round(lignes(s))} L)` : ''}`,
    }),
  );
  return (
    <>
      <Say>
        The size is{' '}
        <ChoiceBlank
          label="Size on sale"
          value={String(c.diameter)}
          said={sold.find((s) => s.id === String(c.diameter))?.words ?? `its own: ${mm(c.diameter)}`}
          ways={sold}
          onPick={(v) => put({ diameter: Number(v) }, `Button ${mm(Number(v))}`)}
        />
        , the button {f.shape}
        {c.shape === 'strip' && <>, which is {f.strip} once round</>}.
      </Say>
      {hasHoles(c.fastener) && (
        <Say>
          Holes run {f.direction}; each begins {f.start}. They are {f.snug}, and end in {f.keyhole}.
        </Say>
      )}
    </>
  );
}

/** The hole with its figures, how it is sewn, in which order, and the practice card. */
export function Holes(p: ViewProps) {
  const { c, w } = p;
  const { units } = w.doc;
  const mm = (v: number) => formatLength(v, units);
  const [over, under] = halvesWords(c.choice.fastener);
  const [first, second] = c.choice.side === 'right' ? ['right', 'left'] : ['left', 'right'];
  return (
    <>
      <SheetBox>
        <Heading as="h2" fontSize="22px" fontWeight="600" mb="2">
          {hasHoles(c.choice.fastener)
            ? `Opening ${mm(c.hole.opening)}, over all ${mm(c.hole.overall)}`
            : 'Both halves'}
        </Heading>
        {hasHoles(c.choice.fastener) && <HoleDrawing c={c} units={units} />}
        <Text>
          Wearer’s {first} front, which lies on top: <b>{over}</b>. Wearer’s {second} front: <b>{under}</b>
          {c.choice.show && ', and show buttons on top of the overlap'}.
        </Text>
        {c.choice.fastener === 'snap' && (
          <Text>
            Sew the halves with the balls first; rub chalk on them, press the fronts together, and the sockets go on the
            marks.
          </Text>
        )}
        {c.choice.fastener === 'loop' && (
          <Text>
            Each loop measures {mm(loopLength(c.choice.diameter, c.choice.thickness))} from seam to seam, and a seam
            allowance at both ends.
          </Text>
        )}
        {c.choice.kind === 'hidden' && (
          <Text>Under a fly the holes go through its hidden layer only, never through the front that shows.</Text>
        )}
        {c.choice.stand.hole && c.choice.direction === 'vertical' && (
          <Text>The stand’s hole runs across, along the stand: it is pulled there. The band’s run along it.</Text>
        )}
        <Why reasons={c.reasons.filter((r) => r.rule.startsWith('hole'))} units={units} about="this hole" />
      </SheetBox>
      {hasHoles(c.choice.fastener) && (
        <>
          <Making {...p} />
          <Practice {...p} />
        </>
      )}
    </>
  );
}

function Making({ c }: ViewProps) {
  const order = sewingOrder(c.buttons.length).map((i) => i + 1);
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="1">
        On the machine
      </Heading>
      <Text mb="2">
        Satin stitch, density about {HOLE_SETTINGS.density}; stabiliser under or over, whichever tests better. Holes in
        this order, from the middle outward: <b>{order.join(', ')}</b>.
      </Text>
      <Box as="ol" pl="5" listStyleType="decimal" mb="2">
        {HOLE_STAGES.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </Box>
      <Box as="ul" pl="5" listStyleType="disc">
        {HOLE_AFTER.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </Box>
      <Text mt="2" fontWeight="600">
        {CAUTION_WORDS.ripper.full} {CAUTION_WORDS.pins.full} {CAUTION_WORDS['small-parts'].full}
      </Text>
    </SheetBox>
  );
}

const HOW = { under: 'stabiliser under', over: 'stabiliser over', none: 'no stabiliser' } as const;

/** The practice card: the same layers, folded the same way, and what each try told. */
function Practice({ w, c, put }: ViewProps) {
  const { tries } = c.choice;
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="1">
        Practice card
      </Heading>
      <Text mb="2">
        On a scrap of the same layers: {layersOf(w)}; same grain, edge and fold. Sew {HOLE_SETTINGS.practise} and more,
        until two in a row are good; then practise cutting. Note opening, density, stabiliser, and how the button goes
        through.
      </Text>
      {tries.length === 0 && <Text color="quiet">Nothing noted yet.</Text>}
      {tries.map((t, i) => (
        <Flex key={i} gap="3" align="center" py="1" borderTopWidth="1px" borderColor="rule">
          <Text flex="1">
            <b>{i + 1}</b>: {formatLength(t.opening, w.doc.units)}, density {t.density}, {HOW[t.stabiliser]}
            {t.words && `: ${t.words}`}
          </Text>
          <Button
            size="xs"
            variant="ghost"
            onClick={() => put({ tries: tries.filter((_, k) => k !== i) }, 'Practice hole removed')}
          >
            Remove
          </Button>
        </Flex>
      ))}
      <NoteTry w={w} c={c} put={put} />
    </SheetBox>
  );
}

const FIELD = { size: 'sm', minH: '36px', bg: 'sheet', borderColor: 'rule', display: 'block' } as const;

/** One practice hole to be noted. */
function NoteTry({ w, c, put }: ViewProps) {
  const { units } = w.doc;
  const [opening, setOpening] = useState(formatLength(c.hole.opening, units));
  const [density, setDensity] = useState(String(HOLE_SETTINGS.density));
  const [stabiliser, setStabiliser] = useState<keyof typeof HOW>('under');
  const [words, setWords] = useState('');
  const read = parseLength(opening, units);
  const dense = Number(density.replace(',', '.'));
  const fits = read.ok && read.value >= 1 && read.value <= 200;
  const bad = !fits
    ? inUnit('The opening is no length from {1 mm} to {200 mm}.', units)
    : dense >= 0.1 && dense <= 3
      ? null
      : 'Density is a number from 0.1 to 3.';
  const add = () => {
    if (bad || !read.ok) return;
    const noted = { opening: read.value, density: dense, stabiliser, words: words.trim() };
    put({ tries: [...c.choice.tries, noted].slice(-40) }, 'A practice hole');
    setWords('');
  };
  return (
    <>
      <Flex gap="3" wrap="wrap" align="end" mt="3">
        <label>
          Opening
          <Input {...FIELD} w="6.5em" value={opening} onChange={(e) => setOpening(e.target.value)} />
        </label>
        <label>
          Density
          <Input {...FIELD} w="5em" value={density} onChange={(e) => setDensity(e.target.value)} />
        </label>
        <Box w="190px">
          <Pick
            label="Stabiliser"
            value={stabiliser}
            options={Object.entries(HOW) as [keyof typeof HOW, string][]}
            onPick={setStabiliser}
          />
        </Box>
        <label style={{ flex: 1, minWidth: 180 }}>
          What it told
          <Input {...FIELD} maxLength={200} value={words} onChange={(e) => setWords(e.target.value)} />
        </label>
        <Button size="sm" minH="36px" colorPalette="leaf" disabled={bad !== null} onClick={add}>
          Note it
        </Button>
      </Flex>
      {bad && (
        <Text role="alert" color="berry" fontSize="14px">
          {bad}
        </Text>
      )}
    </>
  );
}
