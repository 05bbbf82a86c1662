import { Button, Flex } from '@chakra-ui/react';
import { Link } from 'react-router';

/** What a page is taken away as: a file, by its address, and a sheet to print. */
export const TakeAway = ({ file, words }: { file: string; words: string }) => (
  <Flex gap="3" wrap="wrap" mt="3">
    <Button asChild variant="outline" borderColor="rule" minH="44px">
      <a href={file} download>
        {words}
      </a>
    </Button>
    <Button asChild variant="outline" borderColor="rule" minH="44px">
      <Link to="sheet">Sheet to print</Link>
    </Button>
  </Flex>
);
