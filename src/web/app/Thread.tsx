import { Box, Button, Menu, Portal } from '@chakra-ui/react';
import { ChevronDown } from 'lucide-react';
import { NavLink, useLocation } from 'react-router';
import { type Chapter, STANDING_WORDS, type Standing } from '../words/index.ts';
import { fetchScreen } from './screens.ts';

/** A knot of the thread: filled where nothing is to mend, of honey where something is asked, hollow where it is still to come. */
const KNOT: Record<Standing, { bg: string; borderColor: string }> = {
  well: { bg: 'leaf.solid', borderColor: 'leaf.solid' },
  needs: { bg: 'honey', borderColor: 'honey' },
  open: { bg: 'sheet', borderColor: 'leaf.border' },
};

interface Props {
  id: string;
  chapters: Chapter[];
}

/** The chapters of a project: a thread with a knot each where there is room for it, else a list that opens. */
export const Thread = (props: Props) => (
  <>
    <Along {...props} />
    <Listed {...props} />
  </>
);

/** Where the thread has no room: the chapter that is here, and the others under it. */
function Listed({ id, chapters }: Props) {
  const { pathname } = useLocation();
  const here = chapters.find((c) => pathname.startsWith(`/project/${id}/${c.path}`));
  return (
    <Box hideFrom="lg" flexShrink={0}>
      <Menu.Root>
        <Menu.Trigger asChild>
          <Button variant="ghost" h="44px" px="2" aria-label={`Chapters, here: ${here?.name ?? 'none'}`}>
            {here && <Dot standing={here.standing} />}
            {here?.name ?? 'Chapters'}
            <ChevronDown size={18} aria-hidden />
          </Button>
        </Menu.Trigger>
        <Portal>
          <Menu.Positioner>
            <Menu.Content bg="sheet" minW="260px" borderWidth="1px" borderColor="rule">
              {chapters.map((c) => (
                <Menu.Item key={c.path} value={c.path} asChild minH="48px" fontSize="17px">
                  <NavLink to={`/project/${id}/${c.path}`}>
                    <Dot standing={c.standing} />
                    {c.name}
                    <Box as="span" color="quiet" fontSize="14px" ml="auto">
                      {STANDING_WORDS[c.standing]}
                    </Box>
                  </NavLink>
                </Menu.Item>
              ))}
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      </Menu.Root>
    </Box>
  );
}

const Dot = ({ standing }: { standing: Standing }) => (
  <Box as="span" w="15px" h="15px" flexShrink={0} borderRadius="50%" borderWidth="2px" {...KNOT[standing]} />
);

/** The chapters as a basting thread with a knot each; one is here. */
function Along({ id, chapters }: Props) {
  return (
    <Box as="nav" aria-label="The questions of this project" hideBelow="lg" flex="1" minW="0">
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
              onPointerEnter={() => void fetchScreen(c.path)?.catch(() => undefined)}
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
