import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import { type Point } from '../../core/geometry/index.ts';
import {
  fitOutline,
  homographyOf,
  likelyError,
  onTable,
  residualOf,
  sheetCorners,
  type Traced,
} from '../../core/intake/index.ts';
import { formatLength } from '../../core/units.ts';
import { api } from '../api/client.ts';
import { type Workbook } from '../api/useProject.ts';
import { PhotoTable } from '../drawing/PhotoTable.tsx';
import { Ask } from './Ask.tsx';
import { LengthField } from './LengthField.tsx';
import { SheetBox } from './Page.tsx';

type Sheet = 'a4' | 'letter' | 'own';
const SIZES: Record<Exclude<Sheet, 'own'>, [number, number]> = { a4: [210, 297], letter: [215.9, 279.4] };

interface Picture {
  url: string;
  width: number;
  height: number;
}

/** Opens a picture in the browser alone: it is neither sent nor stored. */
function usePicture(file: File | null): Picture | null {
  const [picture, setPicture] = useState<Picture | null>(null);
  useEffect(() => {
    if (!file) return;
    const url = URL.createObjectURL(file);
    const image = new Image();
    image.onload = () => setPicture({ url, width: image.naturalWidth, height: image.naturalHeight });
    image.src = url;
    return () => URL.revokeObjectURL(url);
  }, [file]);
  return picture;
}

/** A paper piece from a photo or scan: four corners of something known, then points along the edge. */
export function TracePhoto({ w, file, onDone }: { w: Workbook; file: File; onDone: (notes: string[]) => void }) {
  const picture = usePicture(file);
  const [sheet, setSheet] = useState<Sheet>('a4');
  const [own, setOwn] = useState<[number, number]>([600, 450]);
  const [corners, setCorners] = useState<Point[]>([]);
  const [points, setPoints] = useState<Traced[]>([]);
  const [name, setName] = useState('');
  const [lines, setLines] = useState<'seam' | 'cut'>('seam');
  const [wrong, setWrong] = useState<string | null>(null);
  const [width, height] = sheet === 'own' ? own : SIZES[sheet];
  const table = useMemo(() => sheetCorners(width, height), [width, height]);
  const map = corners.length >= 4 ? homographyOf(corners, table) : null;
  const fitted = map?.ok && points.length >= 3 ? fitOutline(onTable(map.value, points)) : null;
  const back = map?.ok ? homographyOf(table, corners) : null;
  const middle = points.length ? mean(points) : corners.length >= 4 ? mean(corners) : null;
  const likely = map?.ok && middle ? likelyError(corners, table, middle) : null;
  const save = async () => {
    try {
      const answer = await api.trace(w.id, { name, lines, picture: corners, table, points });
      await w.reload();
      onDone([
        `"${name}" was traced; its curve passes within ${formatLength(answer.residualMm, w.doc.units)} of every point.`,
        ...answer.findings.map((f) => f.message),
      ]);
    } catch (e) {
      setWrong((e as Error).message);
    }
  };
  if (!picture) return <Text color="quiet">Opening the picture …</Text>;
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600">
        {corners.length < 4 ? `Corner ${corners.length + 1} of 4` : 'Now along the edge'}
      </Heading>
      <Text mb="2">
        {corners.length < 4
          ? 'Click the corners of a sheet that lies flat beside the piece, clockwise from the upper left.'
          : 'Click points along the edge: few where it is straight, more where it bends. Shift and click, or the key C, makes a corner. Backspace takes the last one away; points can be dragged.'}
      </Text>
      <Ask
        question="What lies beside the piece"
        value={sheet}
        answers={[
          ['a4', 'a sheet of A4, upright'],
          ['letter', 'a sheet of US Letter, upright'],
          ['own', 'a rectangle I measured'],
        ]}
        onAnswer={setSheet}
      />
      {sheet === 'own' && (
        <Flex gap="4" mb="3" align="center">
          <Text>Across</Text>
          <LengthField
            label="Across"
            value={own[0]}
            units={w.doc.units}
            least={20}
            onValue={(v) => setOwn([v, own[1]])}
          />
          <Text>Down</Text>
          <LengthField
            label="Down"
            value={own[1]}
            units={w.doc.units}
            least={20}
            onValue={(v) => setOwn([own[0], v])}
          />
        </Flex>
      )}
      <PhotoTable
        picture={picture}
        corners={corners}
        points={points}
        outline={fitted && back?.ok ? { path: fitted.path, map: back.value } : null}
        onCorners={setCorners}
        onPoints={setPoints}
      />
      <Box aria-live="polite" minH="4.5em" mt="2">
        {map && !map.ok && (
          <Text color="berry">The four corners do not go round a sheet. Drag them, or begin again.</Text>
        )}
        {likely !== null && (
          <Text>
            Measured from these corners, a place {points.length ? 'on the piece' : 'on the sheet'} is likely exact to{' '}
            <b>{formatLength(likely, w.doc.units)}</b>
            {map?.ok &&
              corners.length > 4 &&
              `; the corners themselves agree within ${formatLength(residualOf(map.value, corners, table), w.doc.units)}`}
            .{likely > 1 && ' For more, lay the sheet nearer to the piece, or photograph from higher up.'}
          </Text>
        )}
        {fitted && (
          <Text>
            {points.length} points, {fitted.path.length} curves; the curve passes within{' '}
            <b>{formatLength(fitted.residual, w.doc.units)}</b> of every point.
          </Text>
        )}
      </Box>
      <Flex gap="3" align="flex-end" wrap="wrap" mt="2">
        <label>
          Name of the piece
          <Input
            value={name}
            maxLength={80}
            width="14em"
            display="block"
            bg="sheet"
            borderColor="rule"
            placeholder="Sleeve"
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <Ask
          question="The edge traced is the"
          value={lines}
          answers={[
            ['seam', 'seam line'],
            ['cut', 'cut line'],
          ]}
          onAnswer={setLines}
        />
        <Button colorPalette="leaf" minH="44px" disabled={!fitted || !name.trim()} onClick={() => void save()}>
          Take this piece
        </Button>
        <Button
          variant="outline"
          borderColor="rule"
          onClick={() => (points.length ? setPoints(points.slice(0, -1)) : setCorners(corners.slice(0, -1)))}
        >
          Take the last point away
        </Button>
      </Flex>
      {wrong && (
        <Text role="alert" color="berry">
          {wrong}
        </Text>
      )}
      <Text color="quiet" fontSize="15px" mt="2">
        The picture stays in this browser; only the points are kept.
      </Text>
    </SheetBox>
  );
}

const mean = (p: Point[]): Point => ({
  x: p.reduce((s, q) => s + q.x, 0) / p.length,
  y: p.reduce((s, q) => s + q.y, 0) / p.length,
});
