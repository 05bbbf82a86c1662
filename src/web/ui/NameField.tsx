import { Input } from '@chakra-ui/react';
import { useEffect, useState } from 'react';

interface Props {
  label: string;
  value: string;
  onName: (name: string) => void;
}

/** A name that is changed in place: taken when the field is left or Enter is pressed; an empty one is put back. */
export function NameField({ label, value, onName }: Props) {
  const [name, setName] = useState(value);
  useEffect(() => setName(value), [value]);
  const take = (): void => {
    const clean = name.trim();
    if (clean && clean !== value) onName(clean);
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
      onKeyDown={(e) => e.key === 'Enter' && take()}
    />
  );
}
