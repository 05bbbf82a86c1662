import { Button, Flex, Text } from '@chakra-ui/react';
import { Pause, Play } from 'lucide-react';
import { animate } from 'motion';
import { type PointerEvent, useEffect, useRef, useState } from 'react';
import { type Layers, type Turned } from '../../core/plan/index.ts';
import { type LengthUnit } from '../../core/units.ts';
import { Slider } from '../ui/Slider.tsx';
import { MATERIAL_WORDS } from '../words/index.ts';
import { allowanceWords, called, doneWords, LayersDrawing, laidWords } from './LayersDrawing.tsx';

interface Props {
  layers: Layers;
  names: Record<string, string>;
  units: LengthUnit;
}

const WIDE = 330;
/** Where the seam is, and how far layers and allowances reach from it, px. */
const SEAM = WIDE / 2;
const REACH = 152;
const ALLOWANCE = 22;
const HIGH = 26;
const ROW = HIGH + 10;
/** How much a turning layer is foreshortened upwards: seen a little from the side it needs less room. */
const FLAT = 0.42;
const RISE = REACH * FLAT + 8;
/** Seconds that a half turn takes. */
const TEMPO = 0.9;

/** Between two numbers, 0 to 1. */
const between = (a: number, b: number, t: number): number => a + (b - a) * t;

/**
 * The layers of a joining in section, turning about their seam from how they are sewn to how they lie when it is done: as one
 * drags, or by themselves. Where motion is not wanted: two still pictures.
 */
export function TurningLayers(props: Props) {
  const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
  return still ? <LayersDrawing {...props} /> : <Turning {...props} />;
}

function Turning({ layers, names, units }: Props) {
  const [t, setT] = useState(0);
  const [plays, setPlays] = useState(false);
  const from = useRef({ x: 0, t: 0 });
  const { turned } = layers;
  const [over, below] = [turned.some((x) => x.halves > 0), turned.some((x) => x.halves < 0 || x.halves > 1)];
  const rows = Math.max(layers.before.length, ...layers.after.map((a) => a.length));
  const ground = 6 + (over ? RISE : 0) + rows * ROW - HIGH / 2;
  const high = ground + HIGH / 2 + 26 + (below ? RISE - 18 : 0);
  useEffect(() => {
    if (!plays) return;
    const most = Math.max(1, ...turned.map((x) => Math.abs(x.halves)));
    const run = animate(0, 1, {
      duration: TEMPO * most,
      ease: 'easeInOut',
      onUpdate: setT,
      onComplete: () => setPlays(false),
    });
    return () => run.stop();
  }, [plays, turned]);
  const drag = (e: PointerEvent<SVGSVGElement>): void => {
    if (e.buttons === 0) return;
    setPlays(false);
    setT(Math.min(1, Math.max(0, from.current.t + (e.clientX - from.current.x) / 220)));
  };
  const words = t < 0.5 ? laidWords(layers, names) : doneWords(layers, names);
  return (
    <figure style={{ margin: 0, width: WIDE, maxWidth: '100%' }}>
      <Text fontSize="15px" color="quiet">
        On the table, then turned: drag
      </Text>
      <svg
        viewBox={`0 0 ${WIDE} ${high}`}
        width="100%"
        role="img"
        aria-label={words}
        style={{ cursor: 'grab', touchAction: 'pan-y' }}
        onPointerDown={(e) => {
          from.current = { x: e.clientX, t };
          e.currentTarget.setPointerCapture(e.pointerId);
        }}
        onPointerMove={drag}
      >
        {turned.map((x, i) => (
          <Allowance key={`a${x.from}`} x={x} t={t} ground={ground} lying={layers.allowances} nth={i} />
        ))}
        {turned.map((x) => (
          <Bar key={x.from} x={x} t={t} ground={ground} words={called(x.ply, names)} />
        ))}
        <path
          d={`M${SEAM} ${ground - between(rows - 1, 0, t) * ROW - HIGH / 2 - 4}V${ground + HIGH / 2 + 4}`}
          stroke="var(--chakra-colors-berry)"
          strokeWidth={2}
          strokeDasharray="4 3"
        />
      </svg>
      <Flex gap="3" align="center">
        <Button
          size="sm"
          variant="outline"
          minH="40px"
          aria-label={plays ? 'Stop turning' : 'Turn the layers'}
          onClick={() => setPlays(!plays)}
        >
          {plays ? <Pause size={18} aria-hidden /> : <Play size={18} aria-hidden />}
        </Button>
        <Slider
          label="How far the layers are turned"
          min={0}
          max={100}
          step={1}
          value={Math.round(t * 100)}
          onMove={(v) => {
            setPlays(false);
            setT(v / 100);
          }}
        />
      </Flex>
      <Flex justify="space-between" fontSize="14px" color="quiet" pl="58px">
        <span>for the seam</span>
        <span>when it is done</span>
      </Flex>
      <figcaption style={{ fontSize: 15, marginTop: 4 }}>
        The thick line with dots is the right side. {allowanceWords(layers, names, units, layers.allowances)}
      </figcaption>
    </figure>
  );
}

/** Where a layer starts from at this moment, and which way it points from the seam. */
function poseOf({ from, to, halves }: Turned, t: number, ground: number) {
  const turn = Math.PI * halves * t;
  return {
    y: ground - between(from, to.place, t) * ROW,
    way: { x: -Math.cos(turn), y: -Math.sin(turn) * FLAT },
    flat: Math.abs(Math.cos(turn)),
  };
}

interface BarProps {
  x: Turned;
  t: number;
  ground: number;
  words: string;
}

/** One layer: the right side of the cloth thick and dotted, interfacing dashed along the wrong side. */
function Bar({ x, t, ground, words }: BarProps) {
  const { y, way, flat } = poseOf(x, t, ground);
  const { ply } = x;
  const ink = `var(--chakra-colors-${ply.material})`;
  const long = Math.hypot(way.x, way.y);
  const u = { x: way.x / long, y: way.y / long };
  // The face that is up as it is sewn, a quarter turn clockwise of the way it points.
  const n = { x: -u.y, y: u.x };
  const at = (along: number, off: number): string =>
    `${(SEAM + way.x * along + n.x * off).toFixed(1)} ${(y + way.y * along + n.y * off).toFixed(1)}`;
  const edge = (off: number): string => `M${at(3, off)}L${at(REACH, off)}`;
  const face = (ply.up === 'right' ? 1 : -1) * (HIGH / 2 - 2);
  const dots = Array.from({ length: 10 }, (_, i) => at(10 + i * 14.5, face + Math.sign(face) * 3.4).split(' '));
  const middle = { x: SEAM + (way.x * REACH) / 2, y: y + (way.y * REACH) / 2 + 4.5 };
  return (
    <g>
      <path
        d={`M${at(3, face)}L${at(REACH, face)}L${at(REACH, -face)}L${at(3, -face)}Z`}
        fill="var(--chakra-colors-sheet)"
      />
      <path
        d={`M${at(3, face)}L${at(REACH, face)}L${at(REACH, -face)}L${at(3, -face)}Z`}
        fill={ink}
        fillOpacity={0.12}
      />
      <path d={edge(-face)} stroke={ink} strokeWidth={1} />
      <path d={edge(face)} stroke={ink} strokeWidth={3} />
      {dots.map(([cx, cy]) => (
        <circle key={cx} cx={cx} cy={cy} r={1.3} fill={ink} />
      ))}
      {ply.fused && (
        <path
          d={edge(-face + Math.sign(face) * 4)}
          stroke="var(--chakra-colors-interfacing)"
          strokeWidth={2}
          strokeDasharray="7 3"
        />
      )}
      <text
        x={middle.x}
        y={middle.y}
        textAnchor="middle"
        fill="var(--chakra-colors-ink)"
        style={{ fontSize: 14, opacity: Math.max(0, flat * 2 - 1) }}
      >
        {MATERIAL_WORDS[ply.material].letter} · {words.length > 19 ? `${words.slice(0, 18)}…` : words}
      </text>
    </g>
  );
}

interface AllowanceProps {
  x: Turned;
  t: number;
  ground: number;
  lying: Layers['allowances'];
  /** Which layer of the stack it is of. */
  nth: number;
}

/** An allowance: beyond the seam as it is sewn, then folded back under its side, or graded between the layers. */
function Allowance({ x, t, ground, lying, nth }: AllowanceProps) {
  const at = lying.findIndex((l) => l.part === x.ply.part);
  const own = lying[at];
  const start = poseOf(x, t, ground).y;
  if (!own) return null;
  const inside = own.over === 'between';
  const turn = own.over === 'right' ? 0 : Math.PI * t;
  const end = inside ? ground - ROW / 2 - (at - 1) * 3 : ground + HIGH / 2 + 7 + (own.over === 'left' ? nth : 0) * 5;
  const long = inside ? Math.min(ALLOWANCE, own.width * 1.5) : ALLOWANCE;
  const y = between(start, end, t);
  return (
    <path
      d={`M${SEAM} ${between(start, inside ? end : start, t)}L${SEAM} ${y}L${SEAM + Math.cos(turn) * between(ALLOWANCE, long, t)} ${y + Math.sin(turn) * ALLOWANCE * FLAT}`}
      fill="none"
      stroke={`var(--chakra-colors-${x.ply.material})`}
      strokeWidth={2.2}
    />
  );
}
