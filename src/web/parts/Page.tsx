import { Box, Heading, Text } from '@chakra-ui/react';
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
  return (
    <Box>
      <Heading as="h1" fontSize={{ base: '26px', lg: '30px' }} fontWeight="600" lineHeight="1.2" mb="1">
        {question}
      </Heading>
      {lead && (
        <Text color="quiet" mb="4" maxW="70ch">
          {lead}
        </Text>
      )}
      {side ? (
        <Box
          display="grid"
          gridTemplateColumns={{ base: '1fr', md: 'minmax(270px, 340px) minmax(0, 1fr)' }}
          gap="6"
          alignItems="start"
        >
          <Box>{side}</Box>
          <Box minW="0" h="100%">
            {children}
          </Box>
        </Box>
      ) : (
        children
      )}
      {below}
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

export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <SheetBox borderStyle="dashed" textAlign="center" py="12">
      <Heading as="h2" fontSize="22px" fontWeight="600" mb="2">
        {title}
      </Heading>
      <Box color="quiet" maxW="52ch" mx="auto">
        {children}
      </Box>
    </SheetBox>
  );
}

/** A sheet that opens: its title, and in quiet words what it holds. */
export function FoldedBox({ title, holds, children }: { title: string; holds: ReactNode; children: ReactNode }) {
  return (
    <SheetBox as="details" py="2">
      <Box as="summary" cursor="pointer" minH="36px" alignContent="center">
        <Heading as="h2" fontSize="19px" fontWeight="600" display="inline">
          {title}
        </Heading>
        <Text as="span" color="quiet" ml="3">
          {holds}
        </Text>
      </Box>
      {children}
    </SheetBox>
  );
}
