import { Box, Flex, NativeSelect, Text } from '@chakra-ui/react';
import { type ReactNode, useId } from 'react';

/** A question with a few answers in words, one chosen; a radio group for keyboard and reader. */
export function Ask<T extends string>({
  question,
  value,
  answers,
  onAnswer,
}: {
  question: string;
  value: T;
  answers: [T, ReactNode][];
  onAnswer: (v: T) => void;
}) {
  const name = useId();
  return (
    <Box as="fieldset" mb="4" border="0" p="0">
      <Text as="legend" fontWeight="550" mb="1">
        {question}
      </Text>
      <Flex gap="2" wrap="wrap">
        {answers.map(([v, words]) => (
          <Box
            as="label"
            key={v}
            display="inline-flex"
            alignItems="center"
            gap="2"
            px="3"
            minH="44px"
            borderWidth="1px"
            borderRadius="md"
            cursor="pointer"
            borderColor={v === value ? 'leaf.solid' : 'rule'}
            bg={v === value ? 'leaf.subtle' : 'sheet'}
          >
            <input type="radio" name={name} checked={v === value} onChange={() => onAnswer(v)} />
            {words}
          </Box>
        ))}
      </Flex>
    </Box>
  );
}

/** A yes or no with its words beside it. */
export function Tick({ label, checked, onTick }: { label: ReactNode; checked: boolean; onTick: (v: boolean) => void }) {
  return (
    <Box as="label" display="flex" alignItems="center" gap="3" minH="44px" mb="1" cursor="pointer">
      <input
        type="checkbox"
        checked={checked}
        onChange={(e) => onTick(e.target.checked)}
        style={{ width: 20, height: 20 }}
      />
      <span>{label}</span>
    </Box>
  );
}

/** A choice of many, as a list. */
export function Pick<T extends string>({
  label,
  value,
  options,
  onPick,
  id,
}: {
  label: string;
  value: T;
  options: [T, string][];
  onPick: (v: T) => void;
  id?: string;
}) {
  return (
    <NativeSelect.Root size="md" width="100%">
      <NativeSelect.Field
        id={id}
        aria-label={label}
        bg="sheet"
        borderColor="rule"
        value={value}
        onChange={(e) => onPick(e.target.value as T)}
      >
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
