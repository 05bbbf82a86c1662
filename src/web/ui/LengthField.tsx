import { Button, Input, type InputProps } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { sentenceOf } from '../../contract/findings.ts';
import { formatLength, isUnusual, type LengthUnit, otherUnits, parseLength } from '../../core/units.ts';

interface UnusualProps {
  mm: number;
  text: string;
  usual: readonly [number, number];
  units: LengthUnit;
  onTake: (mm: number) => void;
  onLeave: () => void;
}

/** A length that may be, but seldom is: taken only when it is said again, or what was likelier meant. */
function Unusual({ mm, text, usual, units, onTake, onLeave }: UnusualProps) {
  const said = (v: number): string => formatLength(v, units);
  const likely = [...otherUnits(text, units, ...usual).map((o) => o.mm), mm / 10].filter((v) => !isUnusual(v, usual));
  return (
    <span role="alert" style={{ fontSize: 14, maxWidth: 240 }}>
      {said(mm)}? Usual here: {said(usual[0])} to {said(usual[1])}.{' '}
      <Button size="2xs" variant="outline" borderColor="honey" data-done onClick={() => onTake(mm)}>
        It is {said(mm)}
      </Button>{' '}
      {likely.slice(0, 1).map((v) => (
        <Button key={v} size="2xs" variant="outline" borderColor="rule" data-done onClick={() => onTake(v)}>
          I mean {said(v)}
        </Button>
      ))}{' '}
      <Button size="2xs" variant="ghost" onClick={onLeave}>
        As it was
      </Button>
    </span>
  );
}

interface Props extends Omit<InputProps, 'value' | 'onChange'> {
  value: number;
  units: LengthUnit;
  least?: number;
  most?: number;
  /** From and to what is usual, mm: what is possible but lies outside is asked about before it is taken. */
  usual?: readonly [number, number];
  /** What is asked about is only what lies outside of this, where that is wider. */
  asks?: readonly [number, number];
  label: string;
  onValue: (mm: number) => void;
}

/** A length that may be typed as 15, 15 mm, 1.5cm, 5/8" or 1 1/2 in; says at once what is wrong and what would do. */
export function LengthField({ value, units, least = 0, most = 5000, usual, asks = usual, label, ...more }: Props) {
  const { onValue, ...rest } = more;
  const shown = formatLength(value, units);
  const [text, setText] = useState(shown);
  const [wrong, setWrong] = useState<string | null>(null);
  const [asked, setAsked] = useState<number | null>(null);
  const give = (mm: number) => {
    setAsked(null);
    setText(formatLength(mm, units));
    onValue(mm);
  };
  const leave = () => {
    setText(shown);
    setWrong(null);
    setAsked(null);
  };
  useEffect(() => setText(shown), [shown]);
  const take = () => {
    setAsked(null);
    if (text === shown) return;
    const read = parseLength(text, units);
    if (!read.ok) setWrong(read.findings.map((f) => sentenceOf(f, units)).join(' '));
    else if (read.value < least - 1e-9 || read.value > most + 1e-9)
      setWrong(
        [
          `From ${formatLength(least, units)} to ${formatLength(most, units)}.`,
          ...otherUnits(text, units, least, most).map((o) => `If you mean ${o.words}, type it so.`),
        ].join(' '),
      );
    else {
      setWrong(null);
      if (asks && isUnusual(read.value, asks)) setAsked(read.value);
      else give(read.value);
    }
  };
  return (
    <span style={{ display: 'inline-flex', flexDirection: 'column' }}>
      <Input
        aria-label={label}
        aria-invalid={wrong !== null}
        size="sm"
        width="7.2em"
        minHeight="36px"
        bg="sheet"
        borderColor={wrong ? 'berry' : 'rule'}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          // What was wrong is being put right. Told until the field is left, it would go away under the next click, and move it.
          setWrong(null);
          setAsked(null);
        }}
        onBlur={take}
        onKeyDown={(e) => {
          if (e.key === 'Enter') take();
          if (e.key === 'Escape') leave();
        }}
        {...rest}
      />
      {asked !== null && usual && (
        <Unusual mm={asked} text={text} usual={usual} units={units} onTake={give} onLeave={leave} />
      )}
      {wrong && (
        <span role="alert" style={{ color: 'var(--chakra-colors-berry)', fontSize: 14, maxWidth: 220 }}>
          {wrong}
        </span>
      )}
    </span>
  );
}
