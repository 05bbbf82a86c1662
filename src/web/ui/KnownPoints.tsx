import { Flex, Text } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { type Point } from '../../core/geometry/index.ts';
import { type Calibration, calibrate, crossingAt, type PictureSize, sheetCorners } from '../../core/import/index.ts';
import { type Result } from '../../core/result.ts';
import { type LengthUnit } from '../../core/units.ts';
import { Ask } from './Ask.tsx';
import { LengthField } from './LengthField.tsx';

export type Sheet = 'a4' | 'letter' | 'own' | 'mat';
const SIZES: Partial<Record<Sheet, [number, number]>> = { a4: [210, 297], letter: [215.9, 279.4] };

/** What is known in the picture: how large it is, and where it was clicked. */
export interface Known {
  sheet: Sheet;
  setSheet: (s: Sheet) => void;
  /** Width and height of a rectangle measured by hand or counted on a grid, mm. */
  own: [number, number];
  setOwn: (v: [number, number]) => void;
  spacing: number;
  setSpacing: (v: number) => void;
  /** Known points in the picture, the four corners first. */
  known: Point[];
  /** The same on the table, mm. */
  table: Point[];
  calibration: Result<Calibration> | null;
  setting: 'known' | 'edge';
  setSetting: (s: 'known' | 'edge') => void;
  /** Why the last click set nothing. */
  said: string | null;
  add: (p: Point) => void;
  move: (index: number, p: Point) => void;
  drop: () => void;
}

export function useKnown(size: PictureSize | null): Known {
  const [sheet, setSheet] = useState<Sheet>('a4');
  const [own, setOwn] = useState<[number, number]>([400, 300]);
  const [spacing, setSpacing] = useState(50);
  const [known, setKnown] = useState<Point[]>([]);
  const [crossings, setCrossings] = useState<Point[]>([]);
  const [setting, setSetting] = useState<'known' | 'edge'>('known');
  const [said, setSaid] = useState<string | null>(null);
  const [width, height] = SIZES[sheet] ?? own;
  const table = useMemo(() => [...sheetCorners(width, height), ...crossings], [width, height, crossings]);
  const calibration = useMemo(
    () => (known.length >= 4 ? calibrate(known, table.slice(0, known.length), size ?? undefined) : null),
    [known, table, size],
  );
  const add = (p: Point) => {
    setSaid(null);
    if (known.length < 4) {
      setKnown([...known, p]);
      return;
    }
    const at = calibration?.ok ? crossingAt(calibration.value, p, spacing) : null;
    const there = at && table.some((t) => Math.hypot(t.x - at.x, t.y - at.y) < spacing / 2);
    if (!at) setSaid('No crossing of the grid lies there. Click nearer to one, or check the size of the grid.');
    else if (there) setSaid('This crossing is set already.');
    else {
      setKnown([...known, p]);
      setCrossings([...crossings, at]);
    }
  };
  const drop = () => {
    setSaid(null);
    if (known.length > 4) setCrossings(crossings.slice(0, -1));
    setKnown(known.slice(0, -1));
  };
  return {
    sheet,
    setSheet: (s) => {
      setSheet(s);
      setKnown(known.slice(0, 4));
      setCrossings([]);
      setSetting('known');
    },
    own,
    setOwn,
    spacing,
    setSpacing,
    known,
    table: table.slice(0, Math.max(4, known.length)),
    calibration,
    setting,
    setSetting,
    said,
    add,
    move: (index, p) => setKnown(known.map((q, i) => (i === index ? p : q))),
    drop,
  };
}

/** The questions about what lies beside the piece. */
export function SheetQuestions({ k, units }: { k: Known; units: LengthUnit }) {
  const field = (label: string, value: number, set: (v: number) => void, least: number) => (
    <>
      <Text>{label}</Text>
      <LengthField label={label} value={value} units={units} least={least} onValue={set} />
    </>
  );
  return (
    <>
      <Ask
        question="What lies beside the piece"
        value={k.sheet}
        answers={[
          ['a4', 'a sheet of A4, upright'],
          ['letter', 'a sheet of US Letter, upright'],
          ['own', 'a rectangle I measured'],
          ['mat', 'a mat with a grid'],
        ]}
        onAnswer={k.setSheet}
      />
      {(k.sheet === 'own' || k.sheet === 'mat') && (
        <Flex gap="4" mb="3" align="center" wrap="wrap">
          {field('Across', k.own[0], (v) => k.setOwn([v, k.own[1]]), 20)}
          {field('Down', k.own[1], (v) => k.setOwn([k.own[0], v]), 20)}
          {k.sheet === 'mat' && field('One square of the grid', k.spacing, k.setSpacing, 5)}
        </Flex>
      )}
      {k.sheet === 'mat' && k.known.length >= 4 && (
        <Ask
          question="A click sets"
          value={k.setting}
          answers={[
            ['known', 'another crossing of the grid'],
            ['edge', 'a point on the edge of the piece'],
          ]}
          onAnswer={k.setSetting}
        />
      )}
    </>
  );
}
