import { Box, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { withEdge } from '../../../core/cutting/index.ts';
import { type Piece } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { LengthBlank, Say } from '../../ui/Sentence.tsx';
import { ROLE_WORDS } from '../../words/index.ts';

/** A cut piece without its name: the length of one of its edges says which it is. */
export function WhichPiece({ w, mine }: { w: Workbook; mine: Piece[] }) {
  const [length, setLength] = useState(0);
  const { units } = w.doc;
  const found = length > 0 ? withEdge(length, mine, w.computed.cutLines) : [];
  return (
    <Box mt="4" mb="3">
      <Say>
        A cut piece whose name is lost: one of its edges measures{' '}
        <LengthBlank
          label="Measured cut edge"
          value={length}
          units={units}
          least={0}
          most={1500}
          atMost={5000}
          help="From corner to corner along the cut edge, by a tape."
          {...(length === 0 && { said: 'so much' })}
          onPreview={setLength}
          onValue={setLength}
        />
        .
      </Say>
      <Box role="status">
        {length > 0 && !found.length && (
          <Text>
            No piece of this cloth has a cut edge so long. Of which size a cut piece is, is told where a pattern with
            sizes is put in.
          </Text>
        )}
        {found.map((e) => (
          <Text key={`${e.piece.id} ${e.role} ${e.length}`}>
            {e.piece.name}: {ROLE_WORDS[e.role].toLowerCase()}, {formatLength(e.length, units, 0)}
          </Text>
        ))}
      </Box>
    </Box>
  );
}
