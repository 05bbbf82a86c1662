import { Box, Button, Flex, Spinner, Text } from '@chakra-ui/react';
import useSWR from 'swr';
import { api } from '../data/client.ts';
import { readingWords } from '../words/index.ts';

/** Time between two looks at how far a file is, ms. */
const EVERY = 150;

/** How far the reading of a file is, and a way to stop it. `words` stands until the server says more. */
export function Reading({ job, words }: { job: string; words: string }) {
  const { data } = useSWR(['job', job], () => api.progress(job), { refreshInterval: EVERY, dedupingInterval: 0 });
  const far = data ? readingWords(data) : { words, share: 0 };
  return (
    <Flex direction="column" align="center" gap="3" w="full">
      <Spinner color="leaf.solid" aria-hidden />
      <Text fontSize="20px" aria-live="polite">
        {far.words}
      </Text>
      <Box
        role="progressbar"
        aria-label="How far the file is read"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(far.share * 100)}
        w="min(420px, 100%)"
        h="12px"
        borderRadius="6px"
        borderWidth="1px"
        borderColor="rule"
        bg="page"
        overflow="hidden"
      >
        <Box h="full" bg="leaf.solid" style={{ width: `${far.share * 100}%` }} />
      </Box>
      <Button
        minH="44px"
        variant="outline"
        borderColor="rule"
        disabled={data?.stage === 'storing'}
        onClick={() => void api.stop(job)}
      >
        Stop
      </Button>
    </Flex>
  );
}
