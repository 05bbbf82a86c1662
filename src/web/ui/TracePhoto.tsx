import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { type Point } from '../../core/geometry/index.ts';
import { fitOutline, likelyError, onTable, placeInPicture, type Traced } from '../../core/import/index.ts';
import { formatLength } from '../../core/units.ts';
import { api } from '../data/client.ts';
import { type Workbook } from '../data/useProject.ts';
import { PhotoTable } from '../drawing/PhotoTable.tsx';
import { Ask } from './Ask.tsx';
import { SheetQuestions, useKnown } from './KnownPoints.tsx';
import { SheetBox } from './Page.tsx';

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

/** A paper piece from a photo or scan: four corners of something known, more crossings of a grid, then the edge. */
export function TracePhoto({ w, file, onDone }: { w: Workbook; file: File; onDone: (notes: string[]) => void }) {
  const picture = usePicture(file);
  const k = useKnown(picture);
  const [points, setPoints] = useState<Traced[]>([]);
  const [name, setName] = useState('');
  const [lines, setLines] = useState<'seam' | 'cut'>('seam');
  const [wrong, setWrong] = useState<string | null>(null);
  const map = k.calibration;
  const fitted = map?.ok && points.length >= 3 ? fitOutline(onTable(map.value, points)) : null;
  const middle = points.length ? mean(points) : k.known.length >= 4 ? mean(k.known) : null;
  const likely = map?.ok && middle && picture ? likelyError(k.known, k.table, middle, picture) : null;
  const save = async () => {
    try {
      const size = picture && { width: picture.width, height: picture.height };
      const traced = {
        name,
        lines,
        picture: k.known,
        table: k.table,
        points,
        ...(size && { size }),
      };
      const answer = await w.beside(() => api.trace(w.id, traced));
      onDone([
        `"${name}" was traced; its curve passes within ${formatLength(answer.residualMm, w.doc.units)} of every point.`,
        ...answer.findings.map((f) => f.message),
      ]);
    } catch (e) {
      setWrong((e as Error).message);
    }
  };
  if (!picture) return <Text color="quiet">Opening the picture …</Text>;
  const few = k.known.length < 4;
  const crossings = !few && k.sheet === 'mat' && k.setting === 'known';
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600">
        {few ? `Corner ${k.known.length + 1} of 4` : crossings ? 'More crossings of the grid' : 'Now along the edge'}
      </Heading>
      <Text mb="2">
        {few
          ? k.sheet === 'mat'
            ? 'Click the corners of a rectangle of the grid, as large as can be, clockwise from the upper left.'
            : 'Click the corners of a sheet that lies flat beside the piece, clockwise from the upper left.'
          : crossings
            ? 'Click crossings all over the picture, near its rim too: from eight points on the bend of the lens is taken out. Then go on to the edge.'
            : 'Click points along the edge: few where it is straight, more where it bends. Shift and click, or the key C, makes a corner. Backspace takes the last one away; points can be dragged.'}
      </Text>
      <SheetQuestions k={k} units={w.doc.units} />
      <PhotoTable
        picture={picture}
        known={k.known}
        points={points}
        setting={few || crossings ? 'known' : 'edge'}
        outline={fitted && map?.ok ? { path: fitted.path, see: (p) => placeInPicture(map.value, p) } : null}
        onAdd={k.add}
        onMove={k.move}
        onDrop={k.drop}
        onPoints={setPoints}
      />
      <Box aria-live="polite" minH="4.5em" mt="2">
        {map && !map.ok && (
          <Text color="berry">The four corners do not go round a sheet. Drag them, or begin again.</Text>
        )}
        {k.said && <Text color="berry">{k.said}</Text>}
        {likely !== null && (
          <Text>
            Measured from these {k.known.length === 4 ? 'corners' : `${k.known.length} points`}, a place{' '}
            {points.length ? 'on the piece' : 'among them'} is likely exact to{' '}
            <b>{formatLength(likely, w.doc.units)}</b>
            {map?.ok &&
              k.known.length > 4 &&
              `; they agree with each other within ${formatLength(map.value.residual, w.doc.units)}`}
            {map?.ok && map.value.lens.k !== 0 && ', the bend of the lens taken out'}.
            {likely > 1 && ' For more, lay the sheet nearer to the piece, or photograph from higher up.'}
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
          onClick={() => (points.length && !crossings ? setPoints(points.slice(0, -1)) : k.drop())}
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
