import { Box, Input } from '@chakra-ui/react';
import { useEffect, useId, useState } from 'react';

interface Props {
  label: string;
  value: number;
  least: number;
  most: number;
  onValue: (n: number) => void;
}

/** A whole number; says at once what would do when it is out of range. */
export function Count({ label, value, least, most, onValue }: Props) {
  const id = useId();
  const [text, setText] = useState(String(value));
  useEffect(() => setText(String(value)), [value]);
  const n = Number(text);
  const fits = text.trim() !== '' && Number.isInteger(n) && n >= least && n <= most;
  return (
    <Box mb="4">
      <Box display="flex" alignItems="center" gap="3">
        <label htmlFor={id}>{label}</label>
        <Input
          id={id}
          type="number"
          inputMode="numeric"
          min={least}
          max={most}
          width="5.5em"
          bg="sheet"
          aria-invalid={!fits}
          borderColor={fits ? 'rule' : 'berry'}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            const v = Number(e.target.value);
            if (e.target.value.trim() !== '' && Number.isInteger(v) && v >= least && v <= most && v !== value)
              onValue(v);
          }}
          onBlur={() => !fits && setText(String(value))}
        />
      </Box>
      {!fits && (
        <span role="alert" style={{ color: 'var(--chakra-colors-berry)', fontSize: 14 }}>
          A whole number from {least} to {most}.
        </span>
      )}
    </Box>
  );
}
