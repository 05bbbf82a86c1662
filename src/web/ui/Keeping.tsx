import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { CircleAlert } from 'lucide-react';
import { Link } from 'react-router';
import { api } from '../data/client.ts';
import { useKeeping } from '../data/useKeeping.ts';
import { SheetBox } from './Page.tsx';

const WORDS = {
  ok: '',
  'disk-full': 'The disk is full: nothing is saved until there is room. What you have is all here to be read.',
  'read-only':
    'The data folder cannot be written: nothing is saved until it can be. What you have is all here to be read.',
  failing:
    'The disk refuses what is written: nothing is saved until it takes it again. Look after it, and make a backup.',
} as const;

/** Told on every screen while nothing can be saved; it goes by itself. */
export function SavingTold() {
  const { saving } = useKeeping();
  if (saving === 'ok') return null;
  return (
    <Flex role="alert" gap="3" px={{ base: 4, lg: 8 }} py="2" bg="sheet" borderBottomWidth="3px" borderColor="berry">
      <Box color="berry" flexShrink={0} mt="2px">
        <CircleAlert size={20} aria-hidden />
      </Box>
      <Text fontWeight="600">{WORDS[saving]}</Text>
    </Flex>
  );
}

/** What Woodbine met with the data when it was started: told on the shelf until it has been read. */
export function DataNotices() {
  const { notices, refresh } = useKeeping();
  if (!notices.length) return null;
  return (
    <SheetBox role="status" borderLeftWidth="4px" borderLeftColor="honey" aria-label="About your data">
      <Box as="ul" listStyleType="none" m="0" p="0">
        {notices.map((n) => (
          <Flex as="li" key={n.id} gap="4" py="1" justify="space-between" align="flex-start">
            <Text>{n.message}</Text>
            <Button
              size="sm"
              variant="outline"
              borderColor="rule"
              flexShrink={0}
              onClick={() => void api.seen(n.id).then(() => refresh())}
            >
              I have read it
            </Button>
          </Flex>
        ))}
      </Box>
      <Link to="/backups" style={{ textDecoration: 'underline' }}>
        Look at the backups
      </Link>
    </SheetBox>
  );
}
