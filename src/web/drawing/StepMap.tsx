import { Text } from '@chakra-ui/react';
import { useMemo } from 'react';
import { layersOf, openedOut, panelEdges, panelRings, type Surface } from '../../core/garment/index.ts';
import { mapPath, type Path } from '../../core/geometry/index.ts';
import { pathData, ringsData } from '../../core/output/svg.ts';
import { type Piece } from '../../core/pattern/index.ts';
import { type LengthUnit } from '../../core/units.ts';
import { Frame } from './Frame.tsx';
import { inkOf } from './Hatches.tsx';
import { PanelName } from './OpenedOut.tsx';

interface Props {
  surface: Surface;
  shell: Piece[];
  /** What was drafted from the shell and takes part in the step. */
  inside: Piece[];
  units: LengthUnit;
  height: number;
  /** Keys `piece/edge` of what this step sews or works, and of what was sewn before it. */
  lit: ReadonlySet<string>;
  sewn: ReadonlySet<string>;
  /** Pieces that the step is about. */
  about: ReadonlySet<string>;
}

const colour = (name: string): string => `var(--chakra-colors-${name})`;

/** A seam on the map: of this step, sewn before it, or still to come. */
const LOOK = {
  lit: { stroke: colour('berry'), width: 5 },
  sewn: { stroke: colour('leaf-solid'), width: 3 },
  bare: { stroke: colour('quiet'), width: 1 },
};

/** Whether anything of a step is to be seen on the garment laid open. */
export const isOnMap = (surface: Surface, inside: Piece[], lit: ReadonlySet<string>): boolean => {
  const on = new Set(surface.panels.map((p) => p.piece));
  const drafted = new Set(inside.filter((p) => p.parent !== undefined && on.has(p.parent)).map((p) => p.id));
  return [...lit].some((key) => on.has(pieceOf(key)) || drafted.has(pieceOf(key)));
};
const pieceOf = (key: string): string => key.slice(0, key.lastIndexOf('/'));

/** The garment laid open, seen from the inside: what is sewn so far, and the seam of this step. */
export function StepMap({ surface, shell, inside, units, height, lit, sewn, about }: Props) {
  const opened = useMemo(() => openedOut(surface), [surface]);
  const layers = useMemo(() => (opened ? layersOf(opened, shell, inside) : []), [opened, shell, inside]);
  if (!opened) return null;
  const lookOf = (key: string) => (lit.has(key) ? LOOK.lit : sewn.has(key) ? LOOK.sewn : LOOK.bare);
  const seam = (key: string, path: Path, unit: number, id: string) => {
    const { stroke, width } = lookOf(key);
    return <path key={id} d={pathData(path)} fill="none" stroke={stroke} strokeWidth={width * unit} />;
  };
  return (
    <figure style={{ margin: 0 }}>
      <Frame
        box={opened.box}
        height={height}
        units={units}
        place="step-map"
        label="The garment laid open, seen from the inside: green what is sewn before this step, berry what it is about"
      >
        {(unit, hatch) => (
          <>
            {opened.panels.map((o) => (
              <g key={o.panel.id}>
                <path
                  d={ringsData(panelRings(o.panel).map((ring) => ring.flatMap((e) => mapPath(e.path, o.motion))))}
                  fill={colour(about.has(o.panel.piece) ? 'leaf-muted' : 'leaf-subtle')}
                  fillOpacity={0.8}
                />
                {panelEdges(o.panel).map((e) =>
                  seam(`${o.panel.piece}/${e.edge}`, mapPath(e.path, o.motion), unit, e.key),
                )}
                {layers
                  .filter((l) => l.panel === o.panel.id)
                  .map((l) => (
                    <g key={l.piece.id}>
                      {l.outlines.map((outline, i) => (
                        <path
                          key={`${l.piece.id}${i}`}
                          d={ringsData(outline)}
                          fill={`url(#${hatch}-${l.piece.material})`}
                          stroke={inkOf(l.piece.material)}
                          strokeWidth={1.2 * unit}
                        />
                      ))}
                      {l.edges.map((e, i) =>
                        lookOf(`${l.piece.id}/${e.edge}`) === LOOK.bare
                          ? null
                          : seam(`${l.piece.id}/${e.edge}`, e.path, unit, `${e.edge}${i}`),
                      )}
                    </g>
                  ))}
              </g>
            ))}
            {opened.panels.map((o) => (
              <PanelName key={o.panel.id} o={o} unit={unit} />
            ))}
          </>
        )}
      </Frame>
      <Text as="figcaption" fontSize="15px" color="quiet">
        Berry: this step. Green: sewn before it. Opened out, seen from the inside.
      </Text>
    </figure>
  );
}
