import { Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { type SewingDay, type Week } from '../../../core/bench/index.ts';
import { type useWeek } from '../../data/useStash.ts';
import { Count } from '../../ui/Count.tsx';
import { Blank, Say } from '../../ui/Sentence.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import { clockWords, dayWords, minutesWords } from '../../words/index.ts';

const NAMES = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

interface Props {
  week: Week;
  put: ReturnType<typeof useWeek>['put'];
  today: string;
}

/** When there is time in a week, and the days that are otherwise: for all projects together. */
export function WeekSentences({ week, put, today }: Props) {
  const set = (i: number, day: SewingDay): void =>
    void put(`${NAMES[i]}: ${day.minutes ? minutesWords(day.minutes) : 'no sewing'}`, (v) => ({
      ...v,
      days: v.days.map((d, k) => (k === i ? day : d)),
    }));
  const coming = week.except.filter((e) => e.id >= today).sort((a, b) => (a.id < b.id ? -1 : 1));
  return (
    <>
      <Say>
        In a week, for all projects together, there is time on{' '}
        {NAMES.map((name, i) => {
          const d = week.days[i] ?? { from: 0, minutes: 0 };
          return (
            <span key={name}>
              {name} <DayBlank name={name} day={d} onDay={(x) => set(i, x)} />
              {i < 6 ? ', ' : '.'}
            </span>
          );
        })}
      </Say>
      <Say>
        {coming.map((e) => (
          <span key={e.id}>
            On {dayWords(e.id)} {e.minutes ? `${minutesWords(e.minutes)}` : 'there is none'}{' '}
            <WordButton
              fontSize="15px"
              textDecoration="underline"
              aria-label={`As every week on ${dayWords(e.id)}`}
              onClick={() =>
                void put(`As every week: ${dayWords(e.id)}`, (v) => ({
                  ...v,
                  except: v.except.filter((x) => x.id !== e.id),
                }))
              }
            >
              as every week
            </WordButton>
            .{' '}
          </span>
        ))}
        <OtherDay week={week} put={put} today={today} />
      </Say>
    </>
  );
}

/** How long on a day of the week, and from when. */
function DayBlank({ name, day, onDay }: { name: string; day: SewingDay; onDay: (d: SewingDay) => void }) {
  return (
    <Blank label={name} said={day.minutes ? `${minutesWords(day.minutes)} from ${clockWords(day.from)}` : 'not'}>
      <Count
        label={`Minutes on ${name}`}
        value={day.minutes}
        least={0}
        most={1440 - day.from}
        onValue={(minutes) => onDay({ ...day, minutes })}
      />
      <label>
        From{' '}
        <Input
          type="time"
          aria-label={`From when on ${name}`}
          w="8em"
          h="44px"
          bg="sheet"
          borderColor="rule"
          value={clockWords(day.from)}
          onChange={(e) => {
            const [h, m] = e.target.value.split(':').map(Number);
            const from = (h ?? Number.NaN) * 60 + (m ?? Number.NaN);
            if (from >= 0 && from < 1440) onDay({ from, minutes: Math.min(day.minutes, 1440 - from) });
          }}
        />
      </label>
    </Blank>
  );
}

/** A single day on which it is otherwise: free, or more time than usual. */
function OtherDay({ week, put, today }: Props) {
  const [day, setDay] = useState('');
  const [minutes, setMinutes] = useState(0);
  return (
    <Blank label="Another day" said="One day is otherwise" closedBy="[data-done]">
      <Text fontWeight="600" mb="2">
        A day that is not as every week
      </Text>
      <Input
        type="date"
        aria-label="Which day"
        min={today}
        h="44px"
        mb="3"
        bg="sheet"
        borderColor="rule"
        value={day}
        onChange={(e) => setDay(e.target.value)}
      />
      <Count label="Minutes on that day" value={minutes} least={0} most={900} onValue={setMinutes} />
      <WordButton
        data-done
        minH="44px"
        color="leaf.fg"
        textDecoration="underline"
        disabled={!(day >= today) || week.except.length >= 400}
        onClick={() =>
          void put(`${dayWords(day)}: ${minutes ? minutesWords(minutes) : 'no sewing'}`, (v) => ({
            ...v,
            except: [...v.except.filter((x) => x.id !== day && x.id >= today), { id: day, minutes }],
          }))
        }
      >
        So it is on that day
      </WordButton>
    </Blank>
  );
}
