import { Box, Button, Text } from '@chakra-ui/react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { type ClothSaid, cutFor, giveBack, leftovers, type StashCloth } from '../../../core/cutting/index.ts';
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
const taken = (c: StashCloth, lies: ClothSaid['lies']): Partial<ClothSaid> => ({
  ...{ stash: c.id, width: c.width, owned: c.length, sort: c.sort, fibre: c.fibre, price: c.price, shrinks: c.shrinks },
  ...{ outline: c.outline, flaws: c.flaws, lies: c.outline.length + c.flaws.length ? 'single' : lies },
});

/** Whether a cloth is bought for this, or which of the stash it is; and, once its lay holds, that it is cut. */
export function FromStash({ w, cloth, laid }: Props) {
  const { stash, put, trouble } = useStash();
  const [busy, setBusy] = useState(false);
  if (!stash) return trouble ? <Note>{trouble}</Note> : null;
  const mine = stash.cloths.find((c) => c.id === cloth.stash);
  const free = stash.cloths.filter((c) => !c.used || c === mine);
  const owner = { project: w.id, name: w.doc.name, cloth: cloth.id };
  const during = async (words: string, next: Parameters<typeof put>[1]): Promise<void> => {
    setBusy(true);
    await put(words, next);
    setBusy(false);
  };
  const cut = (id: string): void =>
    void during(`${mine?.name} cut for ${w.doc.name}`, (s) =>
      cutFor(s, id, owner, leftovers(cloth, laid.lying, lengthOf(cloth, mine)), restOf(mine?.name ?? '')),
    );
  const back = (id: string): void =>
    void during(`${mine?.name} given back by ${w.doc.name}`, (s) => {
      const given = giveBack(s, id);
      return 'stash' in given ? given.stash : s;
    });
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
            putCloth(w, cloth)(c ? taken(c, cloth.lies) : { stash: '', outline: [] }, words);
          }}
        />
        . <Link to="/stash">See the stash</Link>
      </Say>
      {trouble && <Note>{trouble}</Note>}
      {cloth.stash !== '' && !mine && <Note>The cloth it was is no more in the stash.</Note>}
      {mine && (
        <Cut
          mine={mine}
          own={mine.used?.project === w.id && mine.used.cloth === cloth.id}
          {...{ busy, cut, back }}
          waits={waitsFor(w, laid, lengthOf(cloth, mine))}
          since={sinceOf(stash, mine)}
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

/** For whom what was left of it has been cut since. */
function sinceOf(stash: Parameters<typeof giveBack>[0], mine: StashCloth): string | null {
  const back = giveBack(stash, mine.id);
  return 'since' in back ? back.since.name : null;
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
  mine: StashCloth;
  /** It was cut for just this. */
  own: boolean;
  busy: boolean;
  waits: string | null;
  since: string | null;
  cut: (id: string) => void;
  back: (id: string) => void;
}

function Cut({ mine, own, busy, waits, since, cut, back }: CutProps) {
  if (mine.used && !own) return <Note>It was cut for {mine.used.name} meanwhile: take another.</Note>;
  if (mine.used)
    return (
      <Text role="status">
        It is cut; what is left of it lies in the stash.{' '}
        {since ? (
          `That was cut for ${since} since.`
        ) : (
          <WordButton color="leaf.fg" disabled={busy} onClick={() => back(mine.id)}>
            It was not: give it back
          </WordButton>
        )}
      </Text>
    );
  if (waits) return <Text color="quiet">{waits}</Text>;
  return (
    <Button variant="outline" borderColor="rule" minH="44px" disabled={busy} onClick={() => cut(mine.id)}>
      It is cut: take it from the stash
    </Button>
  );
}
