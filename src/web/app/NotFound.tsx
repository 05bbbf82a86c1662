import { Box } from '@chakra-ui/react';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { Masthead } from '../ui/Masthead.tsx';
import { Empty } from '../ui/Page.tsx';

/** There is nothing at this address: said, with a way on. */
export function NotFound({ inside }: { inside?: string }) {
  useEffect(() => {
    document.title = 'Nothing at this address · Woodbine';
  }, []);
  const words = (
    <Empty whole title="There is nothing at this address">
      It may have been mistyped, or be from an older Woodbine.{' '}
      <Link to={inside ?? '/'} style={{ textDecoration: 'underline' }}>
        {inside ? 'To the pattern of this project' : 'To the shelf'}
      </Link>
    </Empty>
  );
  if (inside) return words;
  return (
    <Box minH="100vh">
      <Masthead />
      <Box as="main" p="8">
        {words}
      </Box>
    </Box>
  );
}
