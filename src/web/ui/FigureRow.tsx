import { Flex, Text } from '@chakra-ui/react';
import { type Figure } from '../words/index.ts';

/** How large figures stand, and what they are below them: within a page of much else, beside a drawing, an arm away. */
const SIZES = {
  small: {
    value: { fontSize: '17px', fontWeight: '600' },
    words: '14px',
    gap: { columnGap: '6', rowGap: '1', my: '2' },
  },
  page: {
    value: { fontFamily: 'heading', fontSize: '25px', fontWeight: '600', lineHeight: '1.15' },
    words: '15px',
    gap: { columnGap: '8', rowGap: '1', my: '3' },
  },
  bench: {
    value: { fontFamily: 'heading', fontSize: { base: '44px', lg: '52px' }, fontWeight: '600', lineHeight: '1.1' },
    words: '22px',
    gap: { columnGap: '11', rowGap: '2', my: '4' },
  },
} as const;

/** Figures in a row, each with what it is below it; nothing where there are none. */
export function FigureRow({ figures, size }: { figures: readonly Figure[]; size: keyof typeof SIZES }) {
  if (!figures.length) return null;
  const { value, words, gap } = SIZES[size];
  return (
    <Flex as="dl" wrap="wrap" {...gap}>
      {figures.map((f) => (
        <Flex key={f.words} direction="column-reverse">
          <Text as="dt" fontSize={words} color="quiet">
            {f.words}
          </Text>
          <Text as="dd" m="0" color={f.odd ? 'honey' : 'ink'} {...value}>
            {f.value}
          </Text>
        </Flex>
      ))}
    </Flex>
  );
}
