import { Box, Heading } from '@chakra-ui/react';
import { type ReactNode, useEffect } from 'react';
import { Masthead } from './Masthead.tsx';

/** A page that belongs to no project: the question it answers, then the answer. */
export function Beside({ question, children }: { question: string; children: ReactNode }) {
  useEffect(() => {
    document.title = `${question} · Woodbine`;
  }, [question]);
  return (
    <Box minH="100vh">
      <Masthead />
      <Box as="main" px={{ base: 4, lg: 8 }} py="6" maxW="1240px" mx="auto">
        <Heading as="h1" fontSize="32px" fontWeight="600" mb="4">
          {question}
        </Heading>
        {children}
      </Box>
    </Box>
  );
}
