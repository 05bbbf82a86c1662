import { Box, Heading, Text } from '@chakra-ui/react';
import { type ShellPiece } from '../../../core/document/project.ts';
import { closedLines, OPENING_ROLES, type OpeningRole, sayOpening } from '../../../core/pattern/index.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { Ask } from '../../ui/Ask.tsx';
import { SheetBox } from '../../ui/Page.tsx';

const WORDS: Record<OpeningRole | 'pocket', string> = {
  armhole: 'an armhole',
  neckline: 'an opening for the neck',
  'cut-out': 'a cut-out',
  pocket: 'no opening: something is laid on there',
};

/** What was said of a closed line; nothing yet. */
type Said = keyof typeof WORDS | '';
const ANSWERS = [...OPENING_ROLES, 'pocket' as const].map((r): [Said, string] => [r, WORDS[r]]);

interface Props {
  piece: ShellPiece;
  units: LengthUnit;
  onSave: (label: string, p: ShellPiece) => void;
}

/** Closed lines inside a piece: whether they are cut out, and as what. */
export function OpeningsCard({ piece, units, onSave }: Props) {
  const closed = closedLines(piece);
  if (!closed.length) return null;
  return (
    <SheetBox
      {...(closed.some((c) => c.likely && !c.line.role) && { borderLeftWidth: '4px', borderLeftColor: 'honey' })}
    >
      <Heading as="h2" fontSize="18px" fontWeight="600" mb="2">
        {closed.length === 1 ? 'A closed line inside' : 'Closed lines inside'}
      </Heading>
      {closed.map(({ index, line, round }, i) => (
        <Box key={index} mb="2">
          <Ask
            question={`${closed.length > 1 ? `${i + 1}: ` : ''}${formatLength(round, units)} round, it is`}
            value={(line.role ?? '') as Said}
            answers={ANSWERS}
            onAnswer={(role) => {
              if (role) onSave(`${piece.name}: a closed line is ${WORDS[role]}`, sayOpening(piece, index, role));
            }}
          />
        </Box>
      ))}
      <Text color="quiet" fontSize="15px">
        An opening is faced, lined and interfaced like an edge of its kind, and cut out of the cloth.
      </Text>
    </SheetBox>
  );
}
