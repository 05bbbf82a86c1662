import { Box, Flex, Text } from '@chakra-ui/react';
import { type ReactNode } from 'react';
import { type ClosureChoice, type Features } from '../../../core/closure/index.ts';
import { CLOSING_ONLY } from '../../../core/document/project.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Tick } from '../../ui/Ask.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { Measure } from '../../ui/Measure.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { type Put } from './closing.ts';

export interface Props {
  w: Workbook;
  put: Put;
}
export interface Asked extends Props {
  c: ClosureChoice;
  features: Features | null;
}
type LengthKey =
  | 'gap'
  | 'diameter'
  | 'thickness'
  | 'top'
  | 'topGive'
  | 'bottom'
  | 'bottomGive'
  | 'extension'
  | 'length'
  | 'firstGap'
  | 'band'
  | 'strip';
export function Group({ title, open = false, children }: { title: string; open?: boolean; children: ReactNode }) {
  return (
    <SheetBox as="details" py="2" {...(open && { open: true })}>
      <Box as="summary" cursor="pointer" minH="36px" alignContent="center" fontWeight="600">
        {title}
      </Box>
      <Box pt="2">{children}</Box>
    </SheetBox>
  );
}

/** One length of the closing. */
export function Asks({
  w,
  put,
  of,
  label,
  least,
  most,
  help,
}: Props & { of: LengthKey; label: string; least: number; most: number; help?: string }) {
  const { units } = w.doc;
  return (
    <Measure
      label={label}
      value={w.doc.decisions.closure[of]}
      least={least}
      most={most}
      atLeast={least}
      {...(of === 'diameter' && { atMost: w.doc.decisions.closure.band > 0 ? most : 100 })}
      units={units}
      {...(help && { help })}
      onPreview={(v) => put({ [of]: v })}
      onValue={(v) => put({ [of]: v }, `${label}: ${formatLength(v, units)}`)}
    />
  );
}

export function LengthLine({
  w,
  put,
  label,
  value,
  least,
  most,
  set,
}: Props & { label: string; value: number; least: number; most: number; set: (v: number) => Partial<ClosureChoice> }) {
  const { units } = w.doc;
  return (
    <Flex justify="space-between" align="center" gap="3" mb="3">
      <Text>{label}</Text>
      <LengthField
        label={label}
        value={value}
        units={units}
        least={least}
        most={most}
        onValue={(v) => put(set(v), `${label}: ${formatLength(v, units)}`)}
      />
    </Flex>
  );
}

export const Closes = ({ c, put }: Pick<Asked, 'c' | 'put'>) => (
  <Tick
    label="It closes along the front"
    checked={c.on}
    onTick={(on) => put({ on }, on ? 'It closes' : 'It does not close')}
  />
);

/** What lengths along the line are measured from. */
export const topOf = (w: Workbook): string => (w.doc.garment === CLOSING_ONLY ? 'the top' : 'the neck seam');
