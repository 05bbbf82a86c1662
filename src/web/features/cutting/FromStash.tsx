import { Box, Button, Text } from '@chakra-ui/react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import {
  behindEachOther,
  type ClothSaid,
  cutFor,
  giveBack,
  leftovers,
  lengthsOf,
  onLengths,
  type Stash,
  type StashCloth,
} from '../../../core/cutting/index.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { useStash } from '../../data/useStash.ts';
import { ChoiceBlank, Say } from '../../ui/Sentence.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import { putCloth } from './putCloth.ts';
import { type Laid } from './useLaid.ts';

interface Props {
  w: Workbook;
  cloth: ClothSaid;
  laid: Laid;
}

const sizeOf = (c: StashCloth, units: LengthUnit): string =>
  `${formatLength(c.width, units, 0)} by ${formatLength(c.length, units, 0)}`;

/** How much of it there is: as the stash says, or less where the project says so. */
const lengthOf = (cloth: ClothSaid, c: StashCloth | undefined): number =>
  cloth.owned > 0 ? Math.min(cloth.owned, c?.length ?? 0) : (c?.length ?? 0);

const REST = ', left over';
const restOf = (name: string): string => (name.endsWith(REST) ? name : `${name.slice(0, 80 - REST.length)}${REST}`);

/** What of a cloth comes along when it is taken from the stash. */
const taken = (c: StashCloth, { lies, otherSideUp }: ClothSaid): Partial<ClothSaid> => ({
  ...{ sort: c.sort, fibre: c.fibre, price: c.price, shrinks: c.shrinks },
  ...{ ...behindEachOther([c], otherSideUp), lies: c.outline.length + c.flaws.length ? 'single' : lies },
});

/** Whether a cloth is bought for this, or which of the stash it is; and, once its lay holds, that it is cut. */
export function FromStash({ w, cloth, laid }: Props) {
  const { stash, put, trouble } = useStash();
  const [busy, setBusy] = useState(false);
  if (!stash) return trouble ? <Note>{trouble}</Note> : null;
  const mine = stash.cloths.find((c) => c.id === cloth.stash);
  const free = stash.cloths.filter((c) => !c.used || c === mine);
  const owner = { project: w.id, name: w.doc.name, cloth: cloth.id };
  const lengths = lengthsOf(cloth).flatMap(({ id }) => stash.cloths.filter((c) => c.id === id));
  const own = (c: StashCloth): boolean => c.used?.project === w.id && c.used.cloth === cloth.id;
  const during = async (words: string, next: Parameters<typeof put>[1]): Promise<void> => {
    setBusy(true);
    await put(words, next);
    setBusy(false);
  };
  const there = cloth.more.length ? cloth.owned : lengthOf(cloth, mine);
  // A length that nothing lies on stays in the cupboard.
  const cut = (): void =>
    void during(`${mine?.name} cut for ${w.doc.name}`, (s) =>
      onLengths({ ...cloth, owned: there }, laid.lying)
        .filter((l) => l.lying.length)
        .reduce((all, l) => {
          const name = restOf(lengths.find((c) => c.id === l.id)?.name ?? '');
          return cutFor(all, l.id, owner, leftovers(l.cloth, l.lying, l.length), name);
        }, s),
    );
  const back = (): void =>
    void during(`${mine?.name} given back by ${w.doc.name}`, (s) =>
      lengths.filter(own).reduce((all, { id }) => {
        const given = giveBack(all, id);
        return 'stash' in given ? given.stash : all;
      }, s),
    );
  return (
    <Box mb="3">
      <Say>
        It{' '}
        <ChoiceBlank
          label="Where the cloth comes from"
          value={mine?.id ?? ''}
          ways={[
            { id: '', words: 'does not come from the stash' },
            ...free.map((c) => ({ id: c.id, words: `is from the stash: ${c.name}, ${sizeOf(c, w.doc.units)}` })),
          ]}
          onPick={(id) => {
            const c = free.find((x) => x.id === id);
            const words = c ? `it is ${c.name} of the stash` : 'it is not of the stash';
            putCloth(w, cloth)(c ? taken(c, cloth) : { stash: '', outline: [], more: [] }, words);
          }}
        />
        . <Link to="/stash">See the stash</Link>
      </Say>
      {mine && !lengths.some((c) => c.used) && <Further {...{ w, cloth, lengths, free }} />}
      {trouble && <Note>{trouble}</Note>}
      {cloth.stash !== '' && !mine && <Note>The cloth it was is no more in the stash.</Note>}
      {mine && (
        <Cut
          elsewhere={lengths.find((c) => c.used && !own(c))?.used?.name ?? null}
          done={lengths.some(own)}
          {...{ busy, cut, back }}
          waits={waitsFor(w, laid, there)}
          since={sinceOf(stash, lengths.filter(own))}
        />
      )}
    </Box>
  );
}

const Note = ({ children }: { children: ReactNode }) => (
  <Text role="alert" color="berry" mb="2">
    {children}
  </Text>
);

/** For whom what was left of them has been cut since. */
function sinceOf(stash: Stash, lengths: readonly StashCloth[]): string | null {
  const since = lengths.flatMap(({ id }) => {
    const back = giveBack(stash, id);
    return 'since' in back ? [back.since.name] : [];
  });
  return since[0] ?? null;
}

interface FurtherProps extends Pick<Props, 'w' | 'cloth'> {
  lengths: readonly StashCloth[];
  free: readonly StashCloth[];
}

/** Further lengths that the same pieces may be cut from: laid on in one search, each with what is left of it. */
function Further({ w, cloth, lengths, free }: FurtherProps) {
  const { units } = w.doc;
  const put = (next: readonly StashCloth[], words: string): void =>
    putCloth(w, cloth)({ ...behindEachOther(next, cloth.otherSideUp), lies: 'single' }, words);
  const others = free.filter((c) => !lengths.includes(c));
  const further = lengths.filter((c) => c.id !== cloth.stash);
  if (!others.length && !further.length) return null;
  return (
    <Say>
      {further.map((c) => (
        <span key={c.id}>
          {c.name}, {sizeOf(c, units)},{' '}
          <ChoiceBlank
            label={`${c.name}, ${sizeOf(c, units)}: laid on too`}
            value="too"
            ways={[
              { id: 'too', words: 'is laid on too' },
              { id: 'not', words: 'is left out' },
            ]}
            onPick={(v) =>
              v === 'not' &&
              put(
                lengths.filter((x) => x !== c),
                `without ${c.name} of the stash`,
              )
            }
          />
          .{' '}
        </span>
      ))}
      {others.length > 0 && (
        <>
          <ChoiceBlank
            label="A further length"
            value=""
            said="Lay on a further length too"
            ways={[
              { id: '', words: 'no other' },
              ...others.map((c) => ({ id: c.id, words: `${c.name}, ${sizeOf(c, units)}` })),
            ]}
            onPick={(id) => {
              const c = others.find((x) => x.id === id);
              if (c) put([...lengths, c], `laid on ${c.name} of the stash too`);
            }}
          />
          .
        </>
      )}
    </Say>
  );
}

/** Why it cannot be cut yet; null where it can. */
function waitsFor(w: Workbook, laid: Laid, there: number): string | null {
  if (!laid.kept || !laid.lying.length) return 'Once its pieces are laid, it can be cut from the stash.';
  if (laid.faults.length || laid.tooWide.length) return 'Its lay does not hold yet: until it does, nothing is cut.';
  const over = laid.length - there;
  return over > 0.5
    ? `The lay is ${formatLength(over, w.doc.units)} longer than this cloth: nothing is cut from it.`
    : null;
}

interface CutProps {
  /** What else it, or one of its lengths, was cut for. */
  elsewhere: string | null;
  /** It was cut for just this. */
  done: boolean;
  busy: boolean;
  waits: string | null;
  since: string | null;
  cut: () => void;
  back: () => void;
}

function Cut({ elsewhere, done, busy, waits, since, cut, back }: CutProps) {
  if (elsewhere !== null) return <Note>It was cut for {elsewhere} meanwhile: take another.</Note>;
  if (done)
    return (
      <Text role="status">
        It is cut; what is left of it lies in the stash.{' '}
        {since ? (
          `That was cut for ${since} since.`
        ) : (
          <WordButton color="leaf.fg" disabled={busy} onClick={back}>
            It was not: give it back
          </WordButton>
        )}
      </Text>
    );
  if (waits) return <Text color="quiet">{waits}</Text>;
  return (
    <Button variant="outline" borderColor="rule" minH="44px" disabled={busy} onClick={cut}>
      It is cut: take it from the stash
    </Button>
  );
}
