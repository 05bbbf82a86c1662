import { Input, type InputProps } from '@chakra-ui/react';
import { useEffect, useState } from 'react';

interface Props extends Omit<InputProps, 'value' | 'onChange'> {
  label: string;
  value: string;
  onName: (name: string) => void;
  /** Whether it may be nothing. */
  empty?: boolean;
}

/** A name that is changed in place: taken when the field is left or Enter is pressed; put back by Escape, or when it is empty and may not be. */
export function NameField({ label, value, onName, empty = false, ...look }: Props) {
  const [name, setName] = useState(value);
  useEffect(() => setName(value), [value]);
  const take = (): void => {
    const clean = name.trim();
    if ((clean || empty) && clean !== value) onName(clean);
    else setName(value);
  };
  return (
    <Input
      aria-label={label}
      mb="3"
      bg="sheet"
      borderColor="rule"
      value={name}
      maxLength={80}
      onChange={(e) => setName(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => {
        if (e.key === 'Enter') take();
        if (e.key === 'Escape') setName(value);
      }}
      {...look}
    />
  );
}
