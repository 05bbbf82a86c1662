import { Text } from '@chakra-ui/react';
import { Fragment, useState } from 'react';
import { type Stroke, type Term, withTerms } from '../words/terms.ts';
import { Opens } from './Opens.tsx';

const LOOK: Record<Stroke[0], Record<string, string | number>> = {
  fill: { fill: 'var(--chakra-colors-leaf-subtle)', stroke: 'none' },
  under: { fill: 'var(--chakra-colors-lining)', fillOpacity: 0.16, stroke: 'none' },
  edge: { fill: 'none', stroke: 'var(--chakra-colors-ink)', strokeWidth: 1.8 },
  fold: { fill: 'none', stroke: 'var(--chakra-colors-quiet)', strokeWidth: 1.4, strokeDasharray: '7 3 2 3' },
  stitch: { fill: 'none', stroke: 'var(--chakra-colors-berry)', strokeWidth: 1.8, strokeDasharray: '5 3' },
};

/** A small drawing in a few lines; words beside it say the same. */
export const StrokeDrawing = ({ drawn, width }: { drawn: readonly Stroke[]; width: number }) => (
  <svg viewBox="0 0 120 60" width={width} height={width / 2} aria-hidden style={{ flexShrink: 0 }}>
    {drawn.map(([kind, d]) => (
      <path key={`${kind}${d}`} d={d} strokeLinecap="round" strokeLinejoin="round" {...LOOK[kind]} />
    ))}
  </svg>
);

/** A term of the trade in a sentence: it explains itself when it is tapped or comes under the keyboard. */
function Explained({ words, term }: { words: string; term: Term }) {
  const [open, setOpen] = useState(false);
  return (
    <Opens
      className="term"
      words={words}
      aria-label={`${words}: what it means`}
      onFocus={(e) => e.currentTarget.matches(':focus-visible') && setOpen(true)}
      onBlur={() => setOpen(false)}
      open={open}
      onOpen={setOpen}
      placement="top"
      content={{ width: '320px', p: '4', bg: 'sheet', borderWidth: '1px', borderColor: 'leaf.border', role: 'note' }}
    >
      <StrokeDrawing drawn={term.drawn} width={180} />
      <Text mt="2" fontSize="16px">
        <b>{term.name}</b>: {term.means}
      </Text>
    </Opens>
  );
}

/** A sentence whose terms of the trade explain themselves. */
export const Worded = ({ text }: { text: string }) =>
  withTerms(text).map(({ words, term }, i) =>
    term ? <Explained key={`${words}${i}`} words={words} term={term} /> : <Fragment key={i}>{words}</Fragment>,
  );
