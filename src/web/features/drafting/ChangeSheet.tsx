import { Box, Heading, Text } from '@chakra-ui/react';
import { type Change, changeSheet } from '../../../core/drafting/index.ts';
import { boxOf, joinBoxes } from '../../../core/geometry/index.ts';
import { outlineData } from '../../../core/output/svg.ts';
import { type CutLine, type Piece } from '../../../core/pattern/index.ts';
import { type LengthUnit } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Frame } from '../../drawing/Frame.tsx';
import { Label } from '../../drawing/Label.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { changeMark, changeWords } from '../../words/index.ts';

/** For cutting a lining from the shell's own pattern: each shell piece once, with what to add and to cut off. */
export function ChangeSheets({ w, pieces }: { w: Workbook; pieces: Piece[] }) {
  return (
    <Box display="grid" gridTemplateColumns="repeat(auto-fit, minmax(300px, 1fr))" gap="4">
      {pieces.map((made) => {
        const shell = w.computed.shell.find((s) => s.id === made.parent);
        const shellCut = shell && w.computed.cutLines.get(shell.id);
        const cut = w.computed.cutLines.get(made.id);
        if (!shell || !shellCut || !cut) return null;
        const changes = changeSheet(shell, made);
        return (
          <SheetBox key={made.id}>
            <Heading as="h2" fontSize="18px" fontWeight="600">
              {made.name}, from the pattern of "{shell.name}"
            </Heading>
            <OneSheet name={made.name} shellCut={shellCut} cut={cut} changes={changes} units={w.doc.units} />
            <Box as="ul" pl="5" fontSize="15px">
              {changes.map((c) => (
                <li key={c.edge}>{changeWords(c, w.doc.units)}</li>
              ))}
            </Box>
          </SheetBox>
        );
      })}
      <Text color="quiet" fontSize="15px" gridColumn="1 / -1">
        Full line: cut edge of the shell. Dashes: cut edge of the lining. Figures are between the two: + to add outside
        the shell's, − to cut off inside it.
      </Text>
    </Box>
  );
}

interface SheetProps {
  name: string;
  shellCut: CutLine;
  cut: CutLine;
  changes: Change[];
  units: LengthUnit;
}

function OneSheet({ name, shellCut, cut, changes, units }: SheetProps) {
  const box = joinBoxes(boxOf(shellCut.outline), boxOf(cut.outline));
  const side = Math.max((box.maxX - box.minX) * 0.45, (box.maxY - box.minY) * 0.34);
  const room = { ...box, minX: box.minX - side, maxX: box.maxX + side, maxY: box.maxY + (box.maxY - box.minY) * 0.08 };
  const low = box.maxY - (box.maxY - box.minY) * 0.1;
  const middle = (box.minX + box.maxX) / 2;
  return (
    <Frame box={room} height={330} label={`${name}: changes to the pattern of the shell`} units={units}>
      {(unit) => (
        <>
          <path
            d={outlineData(shellCut.outline)}
            fill="none"
            stroke="var(--chakra-colors-shell)"
            strokeWidth={1.6 * unit}
          />
          <path
            d={outlineData(cut.outline)}
            fill="var(--chakra-colors-lining)"
            fillOpacity={0.08}
            stroke="var(--chakra-colors-lining)"
            strokeWidth={1.8 * unit}
            strokeDasharray={`${6 * unit} ${4 * unit}`}
          />
          {changes
            .filter((c) => changeMark(c, units))
            .map((c) => (
              <Label
                key={c.edge}
                x={c.at.y > low ? c.at.x : c.at.x + (c.at.x < middle ? -8 : 8) * unit}
                y={c.at.y > low ? box.maxY + 18 * unit : c.at.y + 5 * unit}
                size={14}
                unit={unit}
                weight={650}
                anchor={c.at.y > low ? 'middle' : c.at.x < middle ? 'end' : 'start'}
                halo
              >
                {changeMark(c, units)}
              </Label>
            ))}
        </>
      )}
    </Frame>
  );
}
