import { Box, Text } from '@chakra-ui/react';
import { marksToTransfer } from '../../../core/plan/index.ts';
import { transferWords } from '../../words/index.ts';
import { type Planning } from './planning.ts';

/** What is carried over from the pattern to the cloth, piece by piece. */
export function MarksToTransfer({ p: { plan, w } }: { p: Planning }) {
  const all = marksToTransfer(plan.steps, plan.making, w.computed.pieces);
  if (!all.length) return <Text color="quiet">No step asks for one.</Text>;
  const pieces = w.computed.pieces.filter((q) => all.some((t) => t.piece === q.id));
  return (
    <Box as="dl" py="2" m="0" display="grid" gridTemplateColumns="minmax(150px, auto) 1fr" columnGap="4">
      {pieces.map((q) => (
        <Box key={q.id} display="contents">
          <Text as="dt" fontWeight="600" py="1">
            {q.name}
          </Text>
          <Box as="dd" m="0" py="1">
            {all
              .filter((t) => t.piece === q.id)
              .map((t) => ({ ...transferWords(t), key: t.what }))
              .map((t) => (
                <Text key={t.key}>
                  {t.what}: {t.how}{' '}
                  <Text as="span" color="quiet">
                    ({t.steps})
                  </Text>
                </Text>
              ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
