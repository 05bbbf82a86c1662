import { Button, Flex } from '@chakra-ui/react';
import { type KeyboardEvent, memo } from 'react';

interface Props<T extends string> {
  /** What the tabs are the parts of. */
  words: string;
  tabs: readonly (readonly [T, string])[];
  at: T;
  onTab: (t: T) => void;
}

/** Parts of a page by their names, one open; the arrow keys go from one to the next. */
function TabList<T extends string>({ words, tabs, at, onTab }: Props<T>) {
  const keys = (e: KeyboardEvent<HTMLElement>): void => {
    const by = e.key === 'ArrowLeft' ? -1 : e.key === 'ArrowRight' ? 1 : 0;
    const all = [...e.currentTarget.querySelectorAll<HTMLElement>('[role=tab]')];
    const i = tabs.findIndex(([t]) => t === at) + by;
    const next = tabs[i];
    if (!by || !next) return;
    e.preventDefault();
    all[i]?.focus();
    onTab(next[0]);
  };
  return (
    <Flex role="tablist" aria-label={words} gap="5" wrap="wrap" mb="3" onKeyDown={keys}>
      {tabs.map(([t, name]) => (
        <Button
          key={t}
          role="tab"
          aria-selected={t === at}
          tabIndex={t === at ? 0 : -1}
          variant="plain"
          px="0"
          minH="44px"
          fontSize="16px"
          borderRadius="0"
          borderWidth="0 0 3px"
          borderColor={t === at ? 'leaf.solid' : 'transparent'}
          color={t === at ? 'leaf.fg' : 'quiet'}
          fontWeight={t === at ? 650 : 450}
          onClick={() => onTab(t)}
        >
          {name}
        </Button>
      ))}
    </Flex>
  );
}

/** Drawn again only when another is open: it stands beside what moves with every slider. */
export const Tabs = memo(TabList) as unknown as typeof TabList;
