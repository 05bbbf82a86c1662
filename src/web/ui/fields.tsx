import { memo, type ReactElement, useCallback, useRef } from 'react';
import { formatLength, inUnit, type LengthUnit } from '../../core/units.ts';
import { ChoiceBlank, CountBlank, LengthBlank, type Way } from './Sentence.tsx';

/** A length, mm: how far the slider goes, what is usual, and why. */
export interface LengthOf {
  as: 'length';
  label: string;
  least: number;
  most: number;
  /** Least and most that may be typed, where that is not 0 and twice what the slider goes to. */
  atLeast?: number;
  atMost?: number;
  usual?: readonly [number, number];
  help?: string;
  /** Another way to say it than by its length. */
  said?: (mm: number) => string | undefined;
}

/** A whole number. */
export interface CountOf {
  as: 'count';
  label: string;
  least: number;
  most: number;
  help?: string;
  /** With what is counted: “7 buttons”. */
  said?: (n: number) => string;
}

/** One of a few ways; lengths in braces are said in the project's unit. */
export interface WaysOf<T extends string> {
  as: 'ways';
  label: string;
  ways: readonly Way<T>[];
  help?: string;
}

/** Yes or no, each in the words of its sentence. */
export interface YesOf {
  as: 'yes';
  label: string;
  yes: string;
  no: string;
  help?: string;
}

/** A length with why it is as it is; `more`: what is usual, what may be typed, how it is said. */
export const lengthField = (
  label: string,
  least: number,
  most: number,
  help: string,
  more: Pick<LengthOf, 'usual' | 'atLeast' | 'atMost' | 'said'> = {},
): LengthOf => ({ as: 'length', label, least, most, help, ...more });

/** A few ways that need no drawing, each with its words. */
export const waysField = <T extends string>(label: string, words: Readonly<Record<T, string>>): WaysOf<T> => ({
  as: 'ways',
  label,
  ways: (Object.keys(words) as T[]).map((id) => ({ id, words: words[id] })),
});

type FieldOf<V> = [V] extends [boolean] ? YesOf : [V] extends [number] ? LengthOf | CountOf : WaysOf<V & string>;

/** How the values of one part of the decisions are asked: a table, laid over the values by `blanks`. */
export type Fields<T> = {
  [K in keyof T as T[K] extends boolean | number | string ? K : never]?: FieldOf<T[K]>;
};

/** Shows a part of the values, or keeps it under the words that history and undo show. */
export type PutPart<T> = (part: Partial<T>, words?: string) => void;

type AnyField = LengthOf | CountOf | WaysOf<string> | YesOf;

/** Each field of a table as a blank of a sentence, previewed while it moves and kept under its label. */
export function blanks<T extends object, F extends Fields<T>>(
  fields: F & Fields<T>,
  of: T,
  units: LengthUnit,
  put: PutPart<T>,
): { [K in keyof F]-?: ReactElement } {
  const one = (key: string, field: AnyField): ReactElement => (
    <One
      field={field}
      value={(of as Record<string, unknown>)[key]}
      units={units}
      set={(v, words) => put({ [key]: v } as Partial<T>, words)}
    />
  );
  const all = Object.entries(fields as Record<string, AnyField>);
  return Object.fromEntries(all.map(([key, field]) => [key, one(key, field)])) as { [K in keyof F]-?: ReactElement };
}

interface OneProps {
  field: AnyField;
  value: unknown;
  units: LengthUnit;
  set: (v: unknown, words?: string) => void;
}

/** A blank is drawn anew only when what it says changes: a page has dozens, and a slider moves one. What it sets is always the newest. */
function One({ set, ...said }: OneProps): ReactElement {
  const newest = useRef(set);
  newest.current = set;
  const setNewest = useCallback<OneProps['set']>((v, words) => newest.current(v, words), []);
  return <Drawn {...said} set={setNewest} />;
}

const Drawn = memo(function Drawn({ field, value, units, set }: OneProps): ReactElement {
  if (field.as === 'length') {
    const { said, ...more } = field;
    const words = said?.(value as number);
    return (
      <LengthBlank
        {...more}
        {...(words !== undefined && { said: words })}
        value={value as number}
        units={units}
        onPreview={(v) => set(v)}
        onValue={(v) => set(v, `${field.label}: ${formatLength(v, units)}`)}
      />
    );
  }
  if (field.as === 'count') {
    const keep = (v: number): void => set(v, `${field.label}: ${v}`);
    return <CountBlank {...field} value={value as number} onPreview={(v) => set(v)} onValue={keep} />;
  }
  const [ways, at, of] =
    field.as === 'ways'
      ? [field.ways, value as string, (id: string): unknown => id]
      : [waysOf(field), value ? 'yes' : 'no', (id: string): unknown => id === 'yes'];
  const said = ways.map((x) => ({ ...x, words: inUnit(x.words, units) }));
  return (
    <ChoiceBlank
      label={field.label}
      value={at}
      ways={said}
      {...(field.help && { help: inUnit(field.help, units) })}
      onPick={(id) => set(of(id), `${field.label}: ${said.find((x) => x.id === id)?.words ?? id}`)}
    />
  );
});

const waysOf = ({ yes, no }: YesOf): Way<string>[] => [
  { id: 'yes', words: yes },
  { id: 'no', words: no },
];
