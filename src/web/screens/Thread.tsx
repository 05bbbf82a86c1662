import { Box } from '@chakra-ui/react';
import { NavLink } from 'react-router';
import { type Chapter, STANDING_WORDS, type Standing } from '../words/index.ts';

/** A knot of the thread: filled where nothing is to mend, of honey where something is asked, hollow where it is still to come. */
const KNOT: Record<Standing, { bg: string; borderColor: string }> = {
  well: { bg: 'leaf.solid', borderColor: 'leaf.solid' },
  needs: { bg: 'honey', borderColor: 'honey' },
  open: { bg: 'sheet', borderColor: 'leaf.border' },
};

/** The chapters as a basting thread with a knot each; one is here. */
export function Thread({ id, chapters }: { id: string; chapters: Chapter[] }) {
  return (
    <Box
      as="nav"
      aria-label="The questions of this project"
      flex={{ base: '1 0 100%', lg: '1' }}
      minW="0"
      order={{ base: 3, lg: 0 }}
    >
      <Box
        as="ol"
        listStyleType="none"
        m="0"
        p="0"
        display="flex"
        justifyContent="space-between"
        maxW="660px"
        mx="auto"
        position="relative"
        _before={{
          content: '""',
          position: 'absolute',
          insetInline: '38px',
          top: '17px',
          borderTopWidth: '2px',
          borderTopStyle: 'dashed',
          borderColor: 'leaf.border',
        }}
      >
        {chapters.map((c) => (
          <Box as="li" key={c.path} position="relative">
            <NavLink
              to={`/project/${id}/${c.path}`}
              aria-label={`${c.name}: ${c.question} (${STANDING_WORDS[c.standing]})`}
            >
              {({ isActive }) => <Knot chapter={c} here={isActive} />}
            </NavLink>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

const Knot = ({ chapter, here }: { chapter: Chapter; here: boolean }) => (
  <Box
    minW={{ base: '46px', sm: '72px' }}
    minH="56px"
    pt="9px"
    textAlign="center"
    fontSize="15px"
    lineHeight="1.2"
    color={here ? 'ink' : 'quiet'}
    fontWeight={here ? 650 : 450}
  >
    <Box
      as="span"
      display="block"
      mx="auto"
      mb="4px"
      w="17px"
      h="17px"
      borderRadius="50%"
      borderWidth="2px"
      boxShadow={here ? '0 0 0 4px var(--chakra-colors-leaf-muted)' : undefined}
      {...KNOT[chapter.standing]}
    />
    {chapter.name}
  </Box>
);
