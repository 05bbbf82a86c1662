import { Box, Button, Flex, Heading } from '@chakra-ui/react';
import { type ReactNode } from 'react';
import { Link } from 'react-router';

/** Paper has margins of its own. */
const ON_PAPER = { '@media print': { padding: 0 } };

/** A sheet to print: the way back and the button stay on screen. */
export function PrintSheet({
  back,
  to,
  title,
  children,
}: {
  back: string;
  to: string;
  title: string;
  children: ReactNode;
}) {
  return (
    <Box maxW="820px" mx="auto" px={{ base: 4, lg: 0 }} py="4" css={ON_PAPER}>
      <Flex gap="4" align="center" mb="4" _print={{ display: 'none' }}>
        <Link to={to} relative="path" style={{ textDecoration: 'underline' }}>
          {back}
        </Link>
        <Button size="sm" bg="leaf.solid" color="white" ml="auto" onClick={() => window.print()}>
          Print
        </Button>
      </Flex>
      <Heading as="h1" fontSize="30px" fontWeight="600">
        {title}
      </Heading>
      {children}
    </Box>
  );
}

/** A box to tick on paper. */
export const PaperBox = () => (
  <Box w="26px" h="26px" borderWidth="2px" borderColor="ink" borderRadius="3px" flexShrink={0} mt="3px" />
);
