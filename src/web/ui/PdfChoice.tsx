import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { type ReactNode, useState } from 'react';
import { isMeasured } from '../../core/cutting/whichpiece.ts';
import { type Layout } from '../../core/import/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { type FileChoices, type LookAnswer } from '../data/client.ts';
import { TwoPages } from '../drawing/TwoPages.tsx';
import { Ask, Tick } from './Ask.tsx';
import { LengthField } from './LengthField.tsx';
import { SheetBox } from './Page.tsx';

type Group = LookAnswer['groups'][number];

interface Props {
  seen: LookAnswer;
  units: LengthUnit;
  onLook: (said: FileChoices) => void;
  onTake: (choices: FileChoices) => void;
}

/** What a PDF holds: the sizes drawn in it, how its pages lie, and whether its test square is true. */
export function PdfChoice({ seen, units, onLook, onTake }: Props) {
  const sizes = seen.nested ? seen.groups.filter((g) => g.outlines > 0).sort((a, b) => a.lengthMm - b.lengthMm) : [];
  const [size, setSize] = useState(sizes[0]?.id ?? '');
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [said, setSaid] = useState<FileChoices>({});
  const off = seen.squares.find((s) => s.nominal !== null && Math.abs(s.measured / s.nominal - 1) > 0.004);
  const [enlarge, setEnlarge] = useState(true);
  const mute = seen.squares.some((s) => s.nominal !== null) ? undefined : seen.squares[0];
  const [should, setShould] = useState<number | null>(null);
  const shared = seen.groups.filter((g) => !sizes.includes(g));
  const chosen = seen.groups.filter((g) => (sizes.includes(g) ? g.id === size : !left.has(g.id)));
  const factor = off?.nominal && enlarge ? off.nominal / off.measured : mute && should ? should / mute.measured : 1;
  const scale = Math.abs(factor - 1) > 1e-4 ? { scale: factor } : {};
  const groups = chosen.length === seen.groups.length ? {} : { groups: chosen.map((g) => g.id) };
  return (
    <SheetBox aria-label="What the PDF holds" role="region">
      <Heading as="h2" fontSize="22px" fontWeight="600" mb="2">
        {sizes.length ? 'Which size is yours?' : seen.layout ? 'Is this your pattern?' : 'How do the pages lie?'}
      </Heading>
      {seen.layout && <Plane groups={chosen} behind={sizes.filter((g) => g.id !== size)} />}
      {sizes.length > 0 && (
        <Ask
          question="Sizes differ by how their lines are drawn"
          value={size}
          answers={sizes.map((g, i): [string, ReactNode] => [
            g.id,
            <LineWords key={g.id} g={g} units={units} rank={rankWords(i, sizes.length)} />,
          ])}
          onAnswer={setSize}
        />
      )}
      {sizes.length > 0 && <ByAnEdge sizes={sizes} units={units} onSize={setSize} />}
      {shared.length > 1 && (
        <Box as="details" mb="3">
          <Box as="summary" cursor="pointer" color="leaf.fg" fontWeight="600" minH="32px">
            Other lines: {shared.filter((g) => !left.has(g.id)).length} of {shared.length} kinds taken along
          </Box>
          {shared.map((g) => (
            <Tick
              key={g.id}
              label={<LineWords g={g} units={units} />}
              checked={!left.has(g.id)}
              onTick={(on) => setLeft(new Set(on ? [...left].filter((id) => id !== g.id) : [...left, g.id]))}
            />
          ))}
        </Box>
      )}
      {seen.findings.map((f) => (
        <Text
          key={f.code}
          color={f.severity === 'warn' ? 'honey' : 'ink'}
          fontWeight={f.severity === 'warn' ? 600 : 400}
        >
          {f.message}
        </Text>
      ))}
      {off && <Tick label="Bring it to the true size by the test square" checked={enlarge} onTick={setEnlarge} />}
      {mute && (
        <Flex gap="3" align="center" wrap="wrap" my="2">
          <Text>
            A square without words measures {formatLength(mute.measured, units)}. If it is the test square, it should
            measure
          </Text>
          <LengthField
            label="Test square should measure"
            value={should ?? mute.measured}
            units={units}
            least={10}
            most={200}
            onValue={setShould}
          />
        </Flex>
      )}
      {seen.layout?.by !== 'one' && (seen.layout || seen.tiles) && (
        <HowPagesLie
          layout={seen.layout}
          tiles={seen.tiles}
          onSay={(s) => {
            setSaid(s);
            onLook(s);
          }}
        />
      )}
      <Button
        colorPalette="leaf"
        minH="48px"
        mt="4"
        disabled={!seen.layout}
        onClick={() => onTake({ ...said, ...groups, ...scale })}
      >
        Take these lines
      </Button>
    </SheetBox>
  );
}

interface EdgeProps {
  sizes: Group[];
  units: LengthUnit;
  onSize: (id: string) => void;
}

/** A piece was cut already and nobody knows which size: one of its edges says it, where the file draws the cut line. */
function ByAnEdge({ sizes, units, onSize }: EdgeProps) {
  const [measured, setMeasured] = useState(0);
  const found = measured > 0 ? sizes.filter((g) => g.edges.some((e) => isMeasured(e, measured))) : [];
  return (
    <Box mb="3">
      <Flex gap="3" align="center" wrap="wrap" mb="1">
        <Text>A piece is cut already, of a size nobody knows: from corner to corner one of its edges measures</Text>
        <LengthField
          label="An edge that is cut already"
          value={measured}
          units={units}
          least={0}
          most={3000}
          onValue={setMeasured}
        />
      </Flex>
      <Box role="status">
        {measured > 0 && !found.length && (
          <Text>
            No size has an edge so long. Where the pattern is drawn without its allowances, what is cut is longer than
            what is drawn.
          </Text>
        )}
        {found.length > 1 && <Text>More than one size has an edge so long: measure another edge.</Text>}
        {found.map((g) => (
          <Button key={g.id} variant="outline" borderColor="rule" minH="44px" mr="2" onClick={() => onSize(g.id)}>
            It is {rankWords(sizes.indexOf(g), sizes.length)}
          </Button>
        ))}
      </Box>
    </Box>
  );
}

const rankWords = (i: number, of: number): string =>
  i === 0 ? 'the smallest' : i === of - 1 ? 'the largest' : `number ${i + 1} of ${of}`;

/** How a group of lines is drawn: a sample of the line itself, and what it makes. */
function LineWords({ g, units, rank }: { g: Group; units: LengthUnit; rank?: string }) {
  const outlines = g.outlines
    ? `${g.outlines} outline${g.outlines === 1 ? '' : 's'}`
    : `${g.lines} line${g.lines === 1 ? '' : 's'}`;
  const words = [rank, g.layer && `layer ${g.layer}`, outlines, `${formatLength(g.lengthMm, units, 0)} in all`];
  return (
    <Flex as="span" gap="3" align="center">
      <svg width={64} height={12} role="img" aria-label={g.dash.length ? 'dashed line' : 'full line'}>
        <path
          d="M1 6H63"
          stroke={/^#[0-9a-f]{6}$/.test(g.colour) ? g.colour : 'var(--chakra-colors-ink)'}
          strokeWidth={Math.min(4, Math.max(1.5, g.width * 4))}
          strokeDasharray={g.dash.length ? g.dash.map((x) => x * 3).join(' ') : undefined}
        />
      </svg>
      {words.filter(Boolean).join(', ')}
    </Flex>
  );
}

/** The chosen lines as they lie on the joined pages. */
function Plane({ groups, behind }: { groups: Group[]; behind: Group[] }) {
  const box = boxOfData([...groups, ...behind].map((g) => g.d).join(''));
  if (!box) return <Text color="quiet">Nothing is chosen.</Text>;
  const unit = Math.max(box.w / 860, box.h / 420);
  return (
    <svg
      role="img"
      aria-label="The chosen lines on the joined pages"
      viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
      style={{ width: '100%', height: 420, marginBottom: 12 }}
      preserveAspectRatio="xMidYMid meet"
    >
      {behind.map((g) => (
        <path key={g.id} d={g.d} fill="none" stroke="var(--chakra-colors-rule)" strokeWidth={1.2 * unit} />
      ))}
      {groups.map((g) => (
        <path
          key={g.id}
          d={g.d}
          fill="none"
          stroke={`var(--chakra-colors-${g.outlines ? 'shell' : 'quiet'})`}
          strokeWidth={(g.outlines ? 1.8 : 1.1) * unit}
          strokeDasharray={g.dash.length ? g.dash.join(' ') : undefined}
        />
      ))}
    </svg>
  );
}

/** Bounds of path data by its numbers: the handles lie near enough for a picture. */
function boxOfData(d: string): { x: number; y: number; w: number; h: number } | null {
  const n = (d.match(/-?[\d.]+/g) ?? []).map(Number);
  if (n.length < 4) return null;
  const [xs, ys] = [n.filter((_, i) => i % 2 === 0), n.filter((_, i) => i % 2 === 1)];
  const low = (v: number[]): number => v.reduce((a, b) => Math.min(a, b), Number.POSITIVE_INFINITY);
  const high = (v: number[]): number => v.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY);
  const pad = 20;
  return { x: low(xs) - pad, y: low(ys) - pad, w: high(xs) - low(xs) + 2 * pad, h: high(ys) - low(ys) + 2 * pad };
}

interface NumberProps {
  label: string;
  value: string;
  min: number;
  max: number;
  step?: 'any';
  onChange: (v: string) => void;
}

/** A plain number of no length unit of its own, kept as typed. */
function NumberBox({ label, onChange, ...rest }: NumberProps) {
  return (
    <label>
      {label}
      <Input
        type="number"
        {...rest}
        width="6em"
        display="block"
        bg="sheet"
        borderColor="rule"
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}

interface LieProps {
  layout: Layout | null;
  tiles: LookAnswer['tiles'];
  onSay: (said: FileChoices) => void;
}

/** How many pages lie side by side, in which order, and how far they overlap; asked for where it was not found. */
export function HowPagesLie({ layout, tiles, onSay }: LieProps) {
  const [columns, setColumns] = useState(String(layout?.columns ?? 4));
  const [overlap, setOverlap] = useState(String(Math.round((layout?.overlapX ?? 0) * 100) / 100));
  const [order, setOrder] = useState<'rows' | 'columns'>('rows');
  const form = (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        const [c, o] = [Number(columns), Number(overlap)];
        if (c >= 1 && c <= 100 && o >= 0 && o <= 60) onSay({ columns: Math.round(c), overlap: o, order });
      }}
    >
      {tiles && (
        <>
          <Text mb="1">Drag the second page, or use the arrow keys, until its lines carry on those of the first.</Text>
          <TwoPages
            trim={tiles.trim}
            d={tiles.d}
            below={order === 'columns'}
            overlap={Number(overlap) || 0}
            onOverlap={(mm) => setOverlap(String(mm))}
          />
        </>
      )}
      <Flex gap="4" wrap="wrap" align="flex-end" mb="3">
        <NumberBox label="Pages side by side" min={1} max={100} value={columns} onChange={setColumns} />
        <NumberBox label="Overlap, mm" min={0} max={60} step="any" value={overlap} onChange={setOverlap} />
        <Ask
          question="The pages run"
          value={order}
          answers={[
            ['rows', 'across, then down'],
            ['columns', 'down, then across'],
          ]}
          onAnswer={setOrder}
        />
      </Flex>
      <Button type="submit" size="sm" variant="outline" borderColor="rule">
        Lay them so
      </Button>
    </form>
  );
  if (!layout) return <SheetBox>{form}</SheetBox>;
  return (
    <Box as="details" mt="2">
      <Box as="summary" cursor="pointer" color="leaf.fg" fontWeight="600" minH="32px">
        The pages lie otherwise
      </Box>
      {form}
    </Box>
  );
}
