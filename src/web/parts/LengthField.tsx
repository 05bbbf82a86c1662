import { Input, type InputProps } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { sentenceOf } from '../../contract/findings.ts';
import { formatLength, type LengthUnit, otherUnits, parseLength } from '../../core/units.ts';

interface Props extends Omit<InputProps, 'value' | 'onChange'> {
  value: number;
  units: LengthUnit;
  least?: number;
  most?: number;
  label: string;
  onValue: (mm: number) => void;
}

/** A length that may be typed as 15, 15 mm, 1.5cm, 5/8" or 1 1/2 in; says at once what is wrong and what would do. */
export function LengthField({ value, units, least = 0, most = 5000, label, onValue, ...rest }: Props) {
  const shown = formatLength(value, units);
  const [text, setText] = useState(shown);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => setText(shown), [shown]);
  const take = () => {
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
      onValue(read.value);
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
        onChange={(e) => setText(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => {
          if (e.key === 'Enter') take();
          if (e.key === 'Escape') {
            setText(shown);
            setWrong(null);
          }
        }}
        {...rest}
      />
      {wrong && (
        <span role="alert" style={{ color: 'var(--chakra-colors-berry)', fontSize: 14, maxWidth: 220 }}>
          {wrong}
        </span>
      )}
    </span>
  );
}
