import { useMemo } from 'react';
import {
  type Layered,
  layersOf,
  type OpenedPanel,
  openedOut,
  type PanelEdge,
  panelEdges,
  panelRings,
  type Surface,
} from '../../core/garment/index.ts';
import { boxOf, mapPath } from '../../core/geometry/index.ts';
import { pathData, ringsData } from '../../core/output/svg.ts';
import { type Piece } from '../../core/pattern/index.ts';
import { type LengthUnit } from '../../core/units.ts';
import { Frame } from './Frame.tsx';
import { inkOf } from './Hatches.tsx';
import { Label } from './Label.tsx';

interface Props {
  surface: Surface;
  units: LengthUnit;
  height: number;
  /** Keys `piece/edge` drawn heavily, wherever that edge lies. */
  lit: ReadonlySet<string>;
  /** Keys of edges that ought to be sewn to something and are not. */
  alone: ReadonlySet<string>;
  /** Name of the edge that is looked at: it is drawn with a rim. */
  picked: string | null;
  onEdge: (e: PanelEdge) => void;
  /** The shell's pieces, and what was drafted from them and is to be seen on it. */
  shell: Piece[];
  drafted: Piece[];
  onPiece: (p: Piece) => void;
  /** Can be enlarged and moved; what it is called, so that it stays as it was left. */
  place?: string;
}

const keyOf = (o: OpenedPanel, e: PanelEdge): string => `${o.panel.piece}/${e.edge}`;
const colour = (name: string): string => `var(--chakra-colors-${name})`;

/** The garment laid open on the table, seen from the inside: seams thin, openings heavy, what is sewn to nothing amber. */
export function OpenedOut(props: Props) {
  const { surface, units, height, lit, alone, picked, onEdge, shell, drafted, onPiece, place } = props;
  const opened = useMemo(() => openedOut(surface), [surface]);
  const layers = useMemo(() => (opened ? layersOf(opened, shell, drafted) : []), [opened, shell, drafted]);
  if (!opened) return null;
  const stroke = (o: OpenedPanel, e: PanelEdge) => {
    const key = keyOf(o, e);
    if (lit.has(key)) return { stroke: colour('berry'), strokeWidth: 5 };
    if (alone.has(key)) return { stroke: colour('honey'), strokeWidth: 4 };
    return surface.joined.has(e.key)
      ? { stroke: colour('ink'), strokeWidth: 1, strokeDasharray: '4 3' }
      : { stroke: colour('ink'), strokeWidth: 2.2 };
  };
  return (
    <Frame
      box={opened.box}
      height={height}
      units={units}
      label="The garment laid open, seen from the inside"
      {...(place && { place })}
    >
      {(unit, hatch) => (
        <>
          {opened.panels.map((o) => (
            <g key={o.panel.id}>
              <path
                d={ringsData(panelRings(o.panel).map((ring) => ring.flatMap((e) => mapPath(e.path, o.motion))))}
                fill={colour('leaf-subtle')}
                fillOpacity={0.8}
              />
              <Layers of={layers.filter((l) => l.panel === o.panel.id)} unit={unit} hatch={hatch} onPiece={onPiece} />
              {panelEdges(o.panel).map((e) => {
                const d = pathData(mapPath(e.path, o.motion));
                const { strokeWidth, strokeDasharray, ...rest } = stroke(o, e);
                const dash = strokeDasharray?.split(' ').map((n) => Number(n) * unit);
                return (
                  // biome-ignore lint/a11y/noStaticElementInteractions: by keyboard a seam is chosen in the list of seams.
                  <g key={e.key} data-edge={e.role} onClick={() => onEdge(e)} style={{ cursor: 'pointer' }}>
                    <path
                      d={d}
                      fill="none"
                      strokeWidth={strokeWidth * unit}
                      {...(dash && { strokeDasharray: dash.join(' ') })}
                      {...rest}
                    />
                    <path
                      d={d}
                      fill="none"
                      stroke={e.key === picked ? colour('berry') : 'transparent'}
                      strokeOpacity={0.25}
                      strokeWidth={16 * unit}
                    />
                  </g>
                );
              })}
            </g>
          ))}
          {opened.panels.map((o) => (
            <PanelName key={o.panel.id} o={o} unit={unit} />
          ))}
        </>
      )}
    </Frame>
  );
}

/** Width of a letter on screen, about (px). */
const LETTER = 7.5;

/** Its name in the middle of a panel, on two lines where it is narrow. */
export function PanelName({ o, unit }: { o: OpenedPanel; unit: number }) {
  const b = boxOf(o.panel.ring.flatMap((e) => mapPath(e.path, o.motion)));
  const [x, y] = [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2];
  const wide = (b.maxX - b.minX) / unit;
  const words = wide < o.panel.name.length * LETTER ? o.panel.name.split(' ') : [o.panel.name];
  // Where the words stand out over both of a pair, one of them bears its name.
  if (o.panel.half === 'mirrored' && words.some((word) => word.length * LETTER > wide)) return null;
  return (
    <g>
      {words.map((word, i) => (
        <Label
          key={word + i}
          x={x}
          y={y + (i - (words.length - 1) / 2) * 16 * unit}
          size={13.5}
          unit={unit}
          anchor="middle"
          halo
        >
          {word}
        </Label>
      ))}
    </g>
  );
}

interface LayersProps {
  of: Layered[];
  unit: number;
  hatch: string;
  onPiece: (p: Piece) => void;
}

/** What was drafted from a panel, in the hatching of its material. */
function Layers({ of, unit, hatch, onPiece }: LayersProps) {
  return of.flatMap(({ piece, outlines }) =>
    outlines.map((outline, i) => (
      // biome-ignore lint/a11y/noStaticElementInteractions: by keyboard a piece is chosen among facings and lining.
      <path
        key={`${piece.id}${i}`}
        data-piece={piece.id}
        d={ringsData(outline)}
        fill={`url(#${hatch}-${piece.material})`}
        stroke={inkOf(piece.material)}
        strokeWidth={1.4 * unit}
        style={{ cursor: 'pointer' }}
        onClick={() => onPiece(piece)}
      />
    )),
  );
}
