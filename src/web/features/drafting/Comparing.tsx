import { Box, Button, Flex, Table, Text } from '@chakra-ui/react';
import { useMemo } from 'react';
import { compareInside } from '../../../core/document/compare.ts';
import { type Computed } from '../../../core/document/compute.ts';
import { type Decisions } from '../../../core/document/project.ts';
import { takenOver } from '../../../core/document/takeover.ts';
import { formatLength } from '../../../core/units.ts';
import { api, useAsked } from '../../data/client.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Pick } from '../../ui/Ask.tsx';
import { later } from '../../ui/later.tsx';
import { SheetBox } from '../../ui/Page.tsx';

/** Choices held against those that stand now. */
export interface Held {
  decisions: Decisions;
  computed: Computed;
}

interface HoldProps {
  w: Workbook;
  held: Held | null;
  onHold: (h: Held | null) => void;
}

/** Holds the choices as they are, so that others can be tried against them: over each other, and in figures. */
export const Holding = later(({ w, held, onHold }: HoldProps) => {
  if (!held)
    return (
      <Button
        size="sm"
        variant="outline"
        borderColor="rule"
        mb="3"
        onClick={() => onHold({ decisions: w.doc.decisions, computed: w.computed })}
      >
        Hold these choices and try others against them
      </Button>
    );
  return (
    <SheetBox>
      <Flex gap="3" wrap="wrap" align="center" mb="2">
        <Text fontWeight="650">Against the choices held</Text>
        <Button
          size="sm"
          variant="outline"
          borderColor="rule"
          onClick={() => w.save('Back to the choices held', { ...w.doc, decisions: held.decisions })}
        >
          Go back to them
        </Button>
        <Button size="sm" variant="ghost" onClick={() => onHold(null)}>
          Let them go
        </Button>
      </Flex>
      <Differences w={w} held={held} />
    </SheetBox>
  );
});

function Differences({ w, held }: { w: Workbook; held: Held }) {
  const found = useMemo(() => compareInside(held.computed, w.computed), [held, w.computed]);
  if (!found.length)
    return <Text color="quiet">Nothing differs yet: change an answer, and both are drawn over each other.</Text>;
  const cm2 = (v: number | undefined): string => (v === undefined ? '–' : `${(v / 100).toFixed(0)} cm²`);
  return (
    <Table.Root size="sm">
      <Table.Header>
        <Table.Row bg="transparent">
          {['Piece', 'Held', 'Now', 'Outline'].map((h, i) => (
            <Table.ColumnHeader key={h} color="quiet" textAlign={i ? 'end' : 'start'}>
              {h}
            </Table.ColumnHeader>
          ))}
        </Table.Row>
      </Table.Header>
      <Table.Body>
        {found.map((f) => (
          <Table.Row key={f.id} bg="transparent">
            <Table.Cell>{f.name}</Table.Cell>
            <Table.Cell textAlign="end">{cm2(f.before?.area)}</Table.Cell>
            <Table.Cell textAlign="end">{cm2(f.now?.area)}</Table.Cell>
            <Table.Cell textAlign="end">
              {f.before && f.now
                ? `${f.now.outline >= f.before.outline ? '+' : '−'}${formatLength(Math.abs(f.now.outline - f.before.outline), w.doc.units)}`
                : f.now
                  ? 'new'
                  : 'gone'}
            </Table.Cell>
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  );
}

/** Takes over all choices of another project of the shelf; what belongs to the pattern stays as it is here. */
export const TakeChoices = later(({ w }: { w: Workbook }) => {
  const { data } = useAsked('GET /api/projects', {});
  const others = (data?.projects ?? []).filter((p) => p.id !== w.id);
  if (!others.length) return null;
  const take = (other: (typeof others)[number]): Promise<void> =>
    w.bring(`Choices of ${other.name}`, async () => {
      const { decisions } = (await api.project(other.id)).document;
      return (now) => ({ ...now, decisions: takenOver(now.decisions, decisions) });
    });
  return (
    <Box mt="2">
      <Text mb="1" fontWeight="550">
        Take over all choices of
      </Text>
      <Pick
        label="Take over all choices of another project"
        value=""
        options={[['', 'another project …'], ...others.map((p): [string, string] => [p.id, p.name])]}
        onPick={(id) => {
          const other = others.find((p) => p.id === id);
          if (other) void take(other);
        }}
      />
    </Box>
  );
});
