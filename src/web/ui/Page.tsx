import { Box, Heading } from '@chakra-ui/react';
import { type ReactNode, useEffect } from 'react';

/** One screen of the workbook: the question it answers, then the answer beside the drawing. */
export function Page({
  question,
  lead,
  side,
  below,
  children,
}: {
  question: string;
  lead?: ReactNode;
  side?: ReactNode;
  /** Under both columns. */
  below?: ReactNode;
  children: ReactNode;
}) {
  useEffect(() => {
    document.title = `${question} · Woodbine`;
  }, [question]);
  const head = (
    <>
      <Heading as="h1" fontSize={{ base: '24px', lg: '26px' }} fontWeight="600" lineHeight="1.2" mb="1">
        {question}
      </Heading>
      {lead && (
        <Box color="quiet" mb="3" maxW="70ch">
          {lead}
        </Box>
      )}
    </>
  );
  if (!side)
    return (
      <Box px={{ base: 4, lg: 7 }} py="4" maxW="1400px" css={PAPER}>
        {head}
        {children}
        {below}
      </Box>
    );
  return (
    <Box
      display={{ base: 'flex', lg: 'grid' }}
      flexDirection="column"
      gridTemplateColumns="400px minmax(0, 1fr)"
      h={{ lg: '100%' }}
    >
      <Column words="Answers" borderRightWidth={{ lg: '1px' }} borderColor="rule">
        {head}
        {side}
      </Column>
      <Column words="Drawing" bg="sheet" {...FIRST}>
        {children}
        {below}
      </Column>
    </Box>
  );
}

/** On small screens the drawing comes first and stays, and the answers lie below it. */
const FIRST = {
  order: { base: -1, lg: 0 },
  position: { base: 'sticky', lg: 'static' },
  top: { base: '64px', lg: 'auto' },
  maxH: { base: '46dvh', lg: 'none' },
  zIndex: { base: 2, lg: 'auto' },
  borderBottomWidth: { base: '1px', lg: '0' },
  borderColor: 'rule',
  boxShadow: { base: '0 6px 14px rgba(44, 39, 34, 0.1)', lg: 'none' },
} as const;

/** On paper without the room that a screen has beside it. */
const PAPER = { '@media print': { padding: 0, maxWidth: 'none' } };

/** One half of a page, with a scroll of its own: the other stays where it is. */
function Column({ words, children, ...rest }: { words: string; children: ReactNode } & Record<string, unknown>) {
  return (
    <Box
      as="section"
      aria-label={words}
      tabIndex={0}
      minW="0"
      minH="0"
      overflow={{ base: words === 'Drawing' ? 'auto' : 'visible', lg: 'auto' }}
      px={{ base: 4, lg: 5 }}
      py="4"
      {...rest}
    >
      {children}
    </Box>
  );
}

/** A sheet of the workbook: what is drawn or listed lies on it. */
export function SheetBox({ children, ...rest }: { children: ReactNode } & Record<string, unknown>) {
  return (
    <Box bg="sheet" borderWidth="1px" borderColor="rule" borderRadius="6px" p="4" mb="4" {...rest}>
      {children}
    </Box>
  );
}

/** `whole`: nothing else is on the page, so that its words are the page's heading. */
export function Empty({ title, whole = false, children }: { title: string; whole?: boolean; children: ReactNode }) {
  return (
    <SheetBox borderStyle="dashed" textAlign="center" py="12">
      <Heading as={whole ? 'h1' : 'h2'} fontSize="22px" fontWeight="600" mb="2">
        {title}
      </Heading>
      <Box color="quiet" maxW="52ch" mx="auto">
        {children}
      </Box>
    </SheetBox>
  );
}
