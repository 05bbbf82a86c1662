import { Box, Button, Flex, Menu, Portal } from '@chakra-ui/react';
import { Menu as MenuIcon, Redo2, Search, Undo2 } from 'lucide-react';
import { type ReactNode, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { type Workbook } from '../data/useProject.ts';
import { chooseMode, useMode } from '../theme/mode.ts';
import { Finder } from './Finder.tsx';

/** What can be done at any time: a step back or forth, the units, the finder, and the menu of the rest. */
export function Tools({ w }: { w: Workbook }) {
  const [finds, setFinds] = useState(false);
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'k') return;
      e.preventDefault();
      setFinds(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const inches = w.doc.units === 'in';
  const turnUnits = (): void =>
    w.save(inches ? 'Lengths in millimetres' : 'Lengths in inches', { ...w.doc, units: inches ? 'mm' : 'in' });
  return (
    <Flex align="center">
      <Step words="Undo" what={w.steps.undo} onStep={w.undo}>
        <Undo2 size={20} aria-hidden />
      </Step>
      <Box display={{ base: 'none', sm: 'block' }}>
        <Step words="Redo" what={w.steps.redo} onStep={w.redo}>
          <Redo2 size={20} aria-hidden />
        </Step>
      </Box>
      <Tool
        label={`Lengths in ${inches ? 'inches' : 'millimetres'}: switch to ${inches ? 'millimetres' : 'inches'}`}
        wide
        onClick={turnUnits}
      >
        {inches ? 'inch' : 'mm'}
      </Tool>
      <Tool label="Find" onClick={() => setFinds(true)}>
        <Search size={20} aria-hidden />
      </Tool>
      <Rest w={w} inches={inches} onUnits={turnUnits} />
      {finds && <Finder w={w} onClose={() => setFinds(false)} />}
    </Flex>
  );
}

interface ToolProps {
  label: string;
  /** Left out on the smallest screens, where the menu has it. */
  wide?: boolean;
  onClick: () => void;
  children: ReactNode;
}

const Tool = ({ label, wide = false, onClick, children }: ToolProps) => (
  <Button
    display={wide ? { base: 'none', sm: 'inline-flex' } : undefined}
    minW="44px"
    h="44px"
    px="2"
    variant="ghost"
    aria-label={label}
    title={label}
    onClick={onClick}
  >
    {children}
  </Button>
);

/** The rest, by name. */
function Rest({ w, inches, onUnits }: { w: Workbook; inches: boolean; onUnits: () => void }) {
  const other = useMode() === 'light' ? 'dark' : 'light';
  const item = { minH: '44px', fontSize: '16px' };
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <Button minW="44px" h="44px" px="0" variant="ghost" aria-label="Menu">
          <MenuIcon size={22} aria-hidden />
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content bg="sheet" minW="260px" borderWidth="1px" borderColor="rule">
            <Menu.Item value="redo" disabled={!w.steps.redo} onSelect={w.redo} {...item}>
              {w.steps.redo ? `Redo: ${w.steps.redo}` : 'Nothing to redo'}
            </Menu.Item>
            <Menu.Item value="units" onSelect={onUnits} {...item}>
              Lengths in {inches ? 'millimetres' : 'inches'}
            </Menu.Item>
            <Menu.Item value="mode" onSelect={() => chooseMode(other)} {...item}>
              {other === 'dark' ? 'Dark colours' : 'Light colours'}
            </Menu.Item>
            <Menu.Item value="history" asChild {...item}>
              <Link to={`/project/${w.id}/history`}>What was changed</Link>
            </Menu.Item>
            <Menu.Item value="file" asChild {...item}>
              <a href={`/api/projects/${w.id}/export/project.json`} download>
                This project as a file
              </a>
            </Menu.Item>
            <Menu.Item value="shelf" asChild {...item}>
              <Link to="/">All projects</Link>
            </Menu.Item>
            <Menu.Item value="backups" asChild {...item}>
              <Link to="/backups">Backups</Link>
            </Menu.Item>
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

interface StepProps {
  words: 'Undo' | 'Redo';
  /** What it would undo or do again; null for nothing. */
  what: string | null;
  onStep: () => void;
  children: ReactNode;
}

/** One step back or forth in what was changed. */
const Step = ({ words, what, onStep, children }: StepProps) => (
  <Button
    minW="44px"
    h="44px"
    px="0"
    variant="ghost"
    aria-label={words}
    disabled={!what}
    onClick={onStep}
    title={what ? `${words}: ${what}` : `Nothing to ${words.toLowerCase()}`}
  >
    {children}
  </Button>
);
