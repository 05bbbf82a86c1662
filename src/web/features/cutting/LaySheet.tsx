import { Box, Table, Text } from '@chakra-ui/react';
import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import { atTable, type ClothSaid, type Lying, lengthsOf } from '../../../core/cutting/index.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { keyOf, LayDrawing } from '../../drawing/LayDrawing.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { PaperBox, PrintSheet } from '../../ui/PrintSheet.tsx';
import { acrossFrom, layWords, SORT_NOTES } from '../../words/index.ts';
import { useLaid } from './useLaid.ts';

const NONE: ReadonlySet<string> = new Set();

/** A lay as a sheet for the table: the drawing, and where each piece is found on the cloth. */
export function LaySheet({ w }: { w: Workbook }) {
  const [asked] = useSearchParams();
  const { cloths } = w.doc.decisions.cutting;
  const cloth = cloths.find((c) => c.id === asked.get('cloth')) ?? cloths[0];
  return cloth ? <OneSheet w={w} cloth={cloth} /> : null;
}

function OneSheet({ w, cloth }: { w: Workbook; cloth: ClothSaid }) {
  const { name, units } = w.doc;
  const { lying, length, takes, told, tooWide, singly } = useLaid(w, cloth);
  const mm = (v: number): string => formatLength(v, units, 0);
  useEffect(() => {
    document.title = `${name}, ${cloth.name} · Woodbine`;
  }, [name, cloth.name]);
  const several = cloth.more.length ? lengthsOf(cloth) : null;
  return (
    <PrintSheet back="Back to the cloth" to={`..?cloth=${cloth.id}`} title={`${name}: ${cloth.name}`}>
      {lying.length === 0 ? (
        <Text color="quiet">Nothing is laid on this cloth yet.</Text>
      ) : (
        <>
          <Text mb="2">
            {several
              ? `${several.map((l, i) => `${i + 1}: ${mm(l.width)} by ${mm(l.length)}`).join('; ')}. Each`
              : `${mm(takes)} of a cloth ${mm(cloth.width)} wide,`}{' '}
            {layWords(cloth, units)}
            {cloth.oneWay && ', all pieces the same way up'}. Weights and chalk first, then pins within the allowance;
            large pieces are cut first. Cut away from the hand that holds the cloth, and close blades when you put them
            down. {SORT_NOTES[cloth.sort]}
          </Text>
          {(told.length > 0 || tooWide.length > 0) && (
            <Text role="alert" color="berry" fontWeight="600" mb="2">
              Not ready to cut: {told[0] ?? `${tooWide[0]?.piece.name} is wider than this cloth.`}
            </Text>
          )}
          <LayDrawing
            cloth={cloth}
            lying={lying}
            length={length}
            faulty={NONE}
            units={units}
            height={360}
            hand={null}
          />
          <Places lying={lying} cloth={cloth} units={units} />
          {singly.length > 0 && (
            <Text mt="2">From one layer of what is left: {singly.map((p) => p.name).join(', ')}.</Text>
          )}
        </>
      )}
    </PrintSheet>
  );
}

/** Where the grainline of each cut lies, and boxes to tick. */
function Places({ lying, cloth, units }: { lying: readonly Lying[]; cloth: ClothSaid; units: LengthUnit }) {
  const mm = (v: number): string => formatLength(v, units, 0);
  const between = ([a, b]: readonly [number, number]): string => (mm(a) === mm(b) ? mm(a) : `${mm(a)} to ${mm(b)}`);
  return (
    <Box overflowX="auto">
      <Table.Root size="sm" mt="3">
        <HeadRow
          heads={[
            'No.',
            'Piece',
            `Grainline from the ${acrossFrom(cloth)}`,
            cloth.more.length ? 'From the cut end of its length' : 'From the cut end',
            'Pinned',
            'Chalked',
            'Cut',
          ]}
        />
        <Table.Body>
          {atTable(lying, cloth).map(({ number, lying: q, across, along, on }) => (
            <Table.Row key={keyOf(q)} bg="transparent" css={{ breakInside: 'avoid' }}>
              <Table.Cell fontWeight="600">{number}</Table.Cell>
              <Table.Cell>
                {q.shape.name}
                {q.mirrored && ', face down'}
              </Table.Cell>
              <Table.Cell>{between(across)}</Table.Cell>
              <Table.Cell>
                {between(along)}
                {cloth.more.length > 0 && ` on ${on + 1}`}
              </Table.Cell>
              {['pinned', 'chalked', 'cut'].map((s) => (
                <Table.Cell key={s}>
                  <PaperBox />
                </Table.Cell>
              ))}
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}
