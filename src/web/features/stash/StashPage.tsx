import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { type Entry } from '../../../core/bench/notebook.ts';
import {
  freshId,
  giveBack,
  putBack,
  type Stash,
  type StashCloth,
  type StashThing,
  type ThingKind,
} from '../../../core/cutting/index.ts';
import { formatLength } from '../../../core/units.ts';
import { api } from '../../data/client.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { ClothShape } from '../../drawing/ClothShape.tsx';
import { FilePick } from '../../ui/FilePick.tsx';
import { blanks } from '../../ui/fields.tsx';
import { Empty, Page, SheetBox } from '../../ui/Page.tsx';
import { PictureRow } from '../../ui/PictureRow.tsx';
import { NameBlank, Say } from '../../ui/Sentence.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import { STASH_CLOTH, STASH_THING } from './fields.ts';

type Put = (next: Stash, words?: string, told?: boolean) => void;

/** What one has, over all projects: cloths and leftovers with their outlines, and things to sew on or with. */
export function StashPage({ w }: { w: Workbook }) {
  const { stash } = w.doc.decisions;
  const put: Put = (next, words, told = false) => setDecision(w, 'stash', next, { words, told });
  const add = (): void => {
    const cloth: StashCloth = {
      ...{
        id: freshId(stash.cloths),
        name: 'A cloth',
        sort: 'plain',
        fibre: 'unsaid',
        width: 1400,
        length: 2000,
        price: 0,
        note: '',
      },
      ...{ shrinks: { along: 0, across: 0 }, outline: [], flaws: [], of: '', used: null },
    };
    put({ ...stash, cloths: [cloth, ...stash.cloths] }, 'A cloth in the stash');
  };
  const addThing = (): void => {
    const thing: StashThing = {
      ...{ id: freshId(stash.things), name: 'Horn', kind: 'button', size: 15, count: 8, note: '', taken: [] },
    };
    put({ ...stash, things: [thing, ...stash.things] }, 'Something in the stash');
  };
  const there = stash.cloths.filter((c) => !c.used);
  const used = stash.cloths.filter((c) => c.used);
  return (
    <Page
      question="What do I have?"
      lead="What lies in the cupboard, for all projects: each takes its cloth from here, and what is left comes back."
    >
      <Flex gap="3" wrap="wrap" mb="4">
        <Button colorPalette="leaf" minH="44px" onClick={add}>
          Put a cloth in
        </Button>
        <Button variant="outline" borderColor="rule" minH="44px" onClick={addThing}>
          Put something else in
        </Button>
      </Flex>
      {there.length + used.length + stash.things.length === 0 && (
        <Empty title="Nothing in it yet">
          Cloth, interfacing, buttons, zips, thread: what you put in is found again.
        </Empty>
      )}
      {there.map((c) => (
        <OneCloth key={c.id} w={w} cloth={c} put={put} />
      ))}
      {stash.things.length > 0 && (
        <SheetBox mb="3">
          <Heading as="h2" fontSize="20px" mb="2">
            To sew on, or with
          </Heading>
          {stash.things.map((t) => (
            <OneThing key={t.id} w={w} thing={t} put={put} />
          ))}
        </SheetBox>
      )}
      {used.length > 0 && (
        <SheetBox>
          <Heading as="h2" fontSize="20px" mb="2">
            Cut
          </Heading>
          {used.map((c) => (
            <Used key={c.id} w={w} cloth={c} put={put} />
          ))}
        </SheetBox>
      )}
    </Page>
  );
}

/** The stash with one of its cloths told otherwise. */
const withCloth = (s: Stash, id: string, part: Partial<StashCloth>): Stash => ({
  ...s,
  cloths: s.cloths.map((c) => (c.id === id ? { ...c, ...part } : c)),
});

function OneCloth({ w, cloth, put }: { w: Workbook; cloth: StashCloth; put: Put }) {
  const { stash } = w.doc.decisions;
  const set = (part: Partial<StashCloth>, words?: string): void =>
    put(withCloth(stash, cloth.id, part), words && `${cloth.name}: ${words}`);
  const f = blanks(STASH_CLOTH, cloth, w.doc.units, set);
  const of = stash.cloths.find((c) => c.id === cloth.of);
  const whole = cloth.outline.length === 0;
  return (
    <SheetBox mb="3" display="flex" gap="5" flexWrap="wrap" alignItems="flex-start">
      <ClothShape cloth={cloth} />
      <Box flex="1 1 320px">
        <Say>
          <NameBlank label="What the cloth is called" value={cloth.name} onName={(name) => rename(w, cloth, name)} /> is{' '}
          {f.sort}, {f.fibre},{' '}
          {whole ? (
            <>
              {f.width} wide and {f.length} long
            </>
          ) : (
            <>
              a piece within {formatLength(cloth.width, w.doc.units, 0)} by {formatLength(cloth.length, w.doc.units, 0)}
            </>
          )}
          .
          {of && (
            <>
              {' '}
              It was left of {of.name}
              {of.used && <>, cut for {of.used.name}</>}.
            </>
          )}
        </Say>
        <Say>
          Its price a metre was {f.price}.{' '}
          <NameBlank
            label="Washing, fusing, anything else"
            none="Nothing is noted"
            value={cloth.note}
            onName={(note) => set({ note }, 'noted')}
          />
          .
        </Say>
        <Flex gap="6" wrap="wrap" align="flex-end">
          <Pictures w={w} cloth={cloth} />
          <WordButton
            color="berry"
            onClick={() =>
              put(
                { ...stash, cloths: stash.cloths.filter((c) => c.id !== cloth.id) },
                `No more in the stash: ${cloth.name}`,
                true,
              )
            }
          >
            It is no more there
          </WordButton>
        </Flex>
      </Box>
    </SheetBox>
  );
}

/** As an entry of the notebook names a cloth. */
const entryName = (name: string): string => name.slice(0, 64);

/** What is written of it: by its name as well, since the number of one that is gone is given again. */
const isOf =
  (cloth: StashCloth) =>
  (e: Entry): boolean =>
    e.piece === cloth.id && e.cloth === entryName(cloth.name);

/** Called otherwise, it keeps what was written of it and its pictures. */
function rename(w: Workbook, cloth: StashCloth, name: string): void {
  const { decisions } = w.doc;
  const own = isOf(cloth);
  w.save(`${cloth.name}: called ${name}`, {
    ...w.doc,
    decisions: {
      ...decisions,
      stash: withCloth(decisions.stash, cloth.id, { name }),
      notebook: decisions.notebook.map((e) => (own(e) ? { ...e, cloth: entryName(name) } : e)),
    },
  });
}

/** Its pictures, and one more. They are kept in the notebook of the stash, without where they were taken. */
function Pictures({ w, cloth }: { w: Workbook; cloth: StashCloth }) {
  const [wrong, setWrong] = useState<string | null>(null);
  const files = w.doc.decisions.notebook.filter(isOf(cloth)).flatMap((e) => e.pictures);
  const add = async (picture: File): Promise<void> => {
    setWrong(null);
    try {
      await w.beside(() =>
        api.entry(w.id, { kind: 'note', words: '', piece: cloth.id, cloth: entryName(cloth.name) }, picture),
      );
    } catch (e) {
      setWrong((e as Error).message);
    }
  };
  return (
    <Box>
      <PictureRow project={w.id} files={files} words={cloth.name} height="120px" />
      <FilePick
        words={files.length ? 'Add another picture' : 'Add a picture'}
        accept="image/jpeg,image/png,image/webp"
        onPick={(f) => f && void add(f)}
      />
      {wrong && (
        <Text role="alert" color="berry">
          {wrong}
        </Text>
      )}
    </Box>
  );
}

/** What is measured: the rest is what it is. */
const SIZED: ReadonlySet<ThingKind> = new Set(['button', 'snap', 'press-stud', 'hook', 'zip']);

function OneThing({ w, thing, put }: { w: Workbook; thing: StashThing; put: Put }) {
  const { stash } = w.doc.decisions;
  const set = (part: Partial<StashThing>, words?: string): void =>
    put(
      { ...stash, things: stash.things.map((t) => (t.id === thing.id ? { ...t, ...part } : t)) },
      words && `${thing.name}: ${words}`,
    );
  const f = blanks(STASH_THING, thing, w.doc.units, set);
  return (
    <Say>
      {f.count} {f.kind}
      {SIZED.has(thing.kind) && <>, {f.size}</>}, called{' '}
      <NameBlank label="What it is called" value={thing.name} onName={(name) => set({ name }, `called ${name}`)} />.{' '}
      <NameBlank
        label="What is to be known of it"
        none="Nothing is noted"
        value={thing.note}
        onName={(note) => set({ note }, 'noted')}
      />
      .{' '}
      {thing.taken.map((t, i) => (
        <span key={i}>
          {t.count} {t.count === 1 ? 'was' : 'were'} taken out for {t.name}.{' '}
          <WordButton
            color="leaf.fg"
            onClick={() => put(putBack(stash, t), `Put back, of ${thing.name}: ${t.count}`, true)}
          >
            Put {t.count === 1 ? 'it' : 'them'} back
          </WordButton>{' '}
        </span>
      ))}
      <WordButton
        color="berry"
        onClick={() =>
          put(
            { ...stash, things: stash.things.filter((t) => t.id !== thing.id) },
            `No more in the stash: ${thing.name}`,
            true,
          )
        }
      >
        No more there
      </WordButton>
    </Say>
  );
}

function Used({ w, cloth, put }: { w: Workbook; cloth: StashCloth; put: Put }) {
  const { stash } = w.doc.decisions;
  const back = giveBack(stash, cloth.id);
  return (
    <Say>
      {cloth.name} was cut for {cloth.used?.name}.{' '}
      {'since' in back ? (
        <>What was left of it was cut for {back.since.name} since.</>
      ) : (
        <WordButton color="leaf.fg" onClick={() => put(back.stash, `Given back: ${cloth.name}`, true)}>
          It was not: put it back whole
        </WordButton>
      )}
    </Say>
  );
}
