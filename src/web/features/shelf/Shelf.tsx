import { Box, Button, Flex, Grid, Heading, Input, Text } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { type DragEvent, type FormEvent, Suspense, useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { type Summary } from '../../../contract/index.ts';
import { CLOSING_ONLY, GARMENTS, type ProjectDocument } from '../../../core/document/project.ts';
import { api, type ProjectAnswer, type ShelfAnswer, useAsked } from '../../data/client.ts';
import { handOver } from '../../data/handover.ts';
import { listen } from '../../data/live.ts';
import { Pick } from '../../ui/Ask.tsx';
import { FilePick, PATTERN_FILES } from '../../ui/FilePick.tsx';
import { DataNotices } from '../../ui/Keeping.tsx';
import { Masthead } from '../../ui/Masthead.tsx';
import { opened } from '../../ui/opened.tsx';
import { Empty, SheetBox } from '../../ui/Page.tsx';
import { OnlyClosing } from './OnlyClosing.tsx';
import { ShelfFront } from './ShelfFront.tsx';

const ShelfBegin = opened(() => import('./ShelfBegin.tsx'), 'ShelfBegin');
const ShelfCover = opened(() => import('./ShelfCover.tsx'), 'ShelfCover');

const GARMENT_WORDS: Record<string, string> = {
  coat: 'Coat',
  jacket: 'Jacket',
  waistcoat: 'Waistcoat',
  shirt: 'Shirt',
  dress: 'Dress',
  skirt: 'Skirt',
  other: 'Something else',
  closing: 'Only a closing',
};
const DAY = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** What am I making, and where did I stop? */
export function Shelf() {
  const { data, error, mutate } = useAsked('GET /api/projects', {});
  const [trouble, setTrouble] = useState<string | null>(null);
  const [removed, setRemoved] = useState<Summary | null>(null);
  const go = useNavigate();
  useEffect(() => {
    document.title = 'Woodbine';
  }, []);
  useEffect(() => listen(() => void mutate()), [mutate]);
  const open = (work: Promise<ProjectAnswer>) =>
    work.then(
      (p) => go(`/project/${p.id}`),
      (e: Error) => setTrouble(e.message),
    );
  const load = async (file: File | undefined) => {
    if (!file) return;
    if (/\.zip$/i.test(file.name)) {
      setTrouble(`"${file.name}" looks like a backup: look into it under "Backups: take away, put back".`);
      return;
    }
    try {
      await open(api.load(JSON.parse(await file.text())));
    } catch {
      setTrouble(`"${file.name}" is not a project file saved by Woodbine.`);
    }
  };
  const message = trouble ?? error?.message ?? null;
  const [over, setOver] = useState(false);
  const [dropped, setDropped] = useState<File | null>(null);
  const take = (file: File | undefined): void => {
    if (!file) return;
    setTrouble(null);
    if (/\.(json|zip)$/i.test(file.name)) void load(file);
    else setDropped(file);
  };
  const begin = (file: File, name: string, garment: string): Promise<void> =>
    api.create(name, garment).then(
      (p) => {
        handOver(file);
        go(`/project/${p.id}/pattern`);
      },
      (e: Error) => {
        setDropped(null);
        setTrouble(e.message);
      },
    ) as Promise<void>;
  return (
    <Box
      minH="100vh"
      onDragOver={(e: DragEvent) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={(e: DragEvent) => !e.relatedTarget && setOver(false)}
      onDrop={(e: DragEvent) => {
        e.preventDefault();
        setOver(false);
        take(e.dataTransfer.files[0]);
      }}
    >
      {over && <DropHere />}
      {dropped && (
        <Suspense fallback={null}>
          <ShelfBegin
            file={dropped}
            words={GARMENT_WORDS}
            onBegin={(n, g) => void begin(dropped, n, g)}
            onClose={() => setDropped(null)}
          />
        </Suspense>
      )}
      <Masthead />
      <Box as="main" px={{ base: 4, lg: 8 }} py="6" maxW="1240px" mx="auto">
        <Heading as="h1" fontSize="32px" fontWeight="600" mb="1">
          What are you making?
        </Heading>
        <Text color="quiet" mb="5">
          Open a project where you stopped, or begin one with a pattern of your own.
        </Text>
        <DataNotices />
        {message && (
          <Box role="alert" color="berry" mb="4" fontWeight="600">
            {message}
          </Box>
        )}
        {removed && (
          <SheetBox role="status" display="flex" gap="4" alignItems="center" flexWrap="wrap" py="2">
            <Text>"{removed.name}" was taken off the shelf.</Text>
            <Button
              size="sm"
              variant="outline"
              borderColor="rule"
              onClick={() =>
                void api
                  .restore(removed.id)
                  .then(() => mutate())
                  .then(
                    () => setRemoved(null),
                    (e: Error) => setTrouble(e.message),
                  )
              }
            >
              Put it back
            </Button>
          </SheetBox>
        )}
        <Grid templateColumns={{ base: '1fr', lg: 'minmax(0,1fr) 320px' }} gap="8" alignItems="start">
          <Projects
            data={data}
            onRemove={(p) =>
              void api.remove(p.id, p.revision).then(
                () => {
                  setRemoved(p);
                  return mutate();
                },
                (e: Error) => setTrouble(e.message),
              )
            }
            onDemo={(d) => open(api.demo(d))}
            onClosing={(doc) => open(api.load({ woodbine: 1, project: doc }))}
          />
          <Begin
            onCreate={(n, g) => open(api.create(n, g))}
            onLoad={load}
            onFile={take}
            demos={data?.demos ?? []}
            onDemo={(d) => open(api.demo(d))}
            onClosing={(doc) => open(api.load({ woodbine: 1, project: doc }))}
          />
        </Grid>
      </Box>
    </Box>
  );
}

function Projects({
  data,
  onRemove,
  onDemo,
}: {
  data: ShelfAnswer | undefined;
  onRemove: (p: Summary) => void;
  onDemo: (id: string) => void;
  onClosing: (doc: ProjectDocument) => void;
}) {
  if (!data) return <Text color="quiet">Looking on the shelf …</Text>;
  if (!data.projects.length) {
    return (
      <Empty title="The shelf is empty">
        Begin a project at the right, or{' '}
        <Button
          variant="plain"
          color="leaf.fg"
          textDecoration="underline"
          px="0"
          onClick={() => onDemo('greenhouse-coat')}
        >
          look at the greenhouse coat
        </Button>{' '}
        that the garden's volunteers sewed.
      </Empty>
    );
  }
  return (
    <Grid templateColumns="repeat(auto-fill, minmax(330px, 1fr))" gap="5">
      {data.projects.map((p) => (
        <Card key={p.id} project={p} onRemove={() => onRemove(p)} />
      ))}
    </Grid>
  );
}

function Card({ project, onRemove }: { project: Summary; onRemove: () => void }) {
  // A pattern of hundreds of pieces is neither drawn nor worked out for its card.
  const large = project.pieces > MANY;
  const { data, error } = useAsked('GET /api/projects/{id}', large ? null : { id: project.id });
  const [sure, setSure] = useState(false);
  return (
    <SheetBox as="article" p="0" mb="0" overflow="hidden" position="relative">
      <Link to={`/project/${project.id}`} aria-label={`Open ${project.name}`}>
        <Suspense fallback={<ShelfFront name={project.name} />}>
          {data ? (
            <ShelfCover project={project} data={data} />
          ) : (
            <ShelfFront
              name={project.name}
              picture={large ? `${project.pieces} pieces` : null}
              where={error?.message}
              amiss={error !== undefined}
            />
          )}
        </Suspense>
      </Link>
      <Flex px="4" pb="3" justify="space-between" align="center" color="quiet" fontSize="15px">
        <span>
          {GARMENT_WORDS[project.garment] ?? project.garment} · {DAY.format(new Date(project.updatedAt))}
        </span>
        {sure ? (
          <Flex gap="2">
            <Button size="xs" colorPalette="red" onClick={onRemove}>
              Delete it
            </Button>
            <Button size="xs" variant="outline" onClick={() => setSure(false)}>
              Keep
            </Button>
          </Flex>
        ) : (
          <Button size="xs" variant="ghost" aria-label={`Delete ${project.name}`} onClick={() => setSure(true)}>
            <Trash2 size={16} aria-hidden />
          </Button>
        )}
      </Flex>
    </SheetBox>
  );
}

/** Where a file is let go: anywhere. */
const DropHere = () => (
  <Flex
    position="fixed"
    inset="12px"
    zIndex={6}
    align="center"
    justify="center"
    bg="leaf.subtle"
    opacity={0.94}
    borderWidth="3px"
    borderStyle="dashed"
    borderColor="leaf.solid"
    borderRadius="10px"
    pointerEvents="none"
  >
    <Text fontFamily="heading" fontSize="30px">
      Let it go: a project begins with it
    </Text>
  </Flex>
);

/** Most pieces that are drawn on a card. */
const MANY = 60;

/** What there is beside projects. */
const DOORS = [
  ['/stash', 'The stash: what you have'],
  ['/wardrobe', 'The wardrobe: what you made'],
  ['/practice', 'Practice: what goes wrong, on scraps'],
  ['/backups', 'Backups: take away, put back'],
] as const;

interface BeginProps {
  onCreate: (name: string, garment: string) => void;
  onLoad: (file: File | undefined) => void;
  onFile: (file: File | undefined) => void;
  demos: ShelfAnswer['demos'];
  onDemo: (id: string) => void;
  onClosing: (doc: ProjectDocument) => void;
}

function Begin({ onCreate, onLoad, onFile, demos, onDemo, onClosing }: BeginProps) {
  const [name, setName] = useState('');
  const [garment, setGarment] = useState<(typeof GARMENTS)[number]>('coat');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (name.trim()) onCreate(name.trim(), garment);
  };
  return (
    <SheetBox as="aside">
      <Heading as="h2" fontSize="21px" fontWeight="600" mb="3">
        Begin a project
      </Heading>
      <Text color="quiet">Drop a pattern anywhere here, or</Text>
      <FilePick words="choose a file" accept={PATTERN_FILES} onPick={onFile} />
      <Text color="quiet" mb="2">
        or begin without one:
      </Text>
      <form onSubmit={submit}>
        <label>
          Its name
          <Input
            mt="1"
            mb="3"
            bg="sheet"
            borderColor="rule"
            value={name}
            maxLength={120}
            onChange={(e) => setName(e.target.value)}
            placeholder="Potting shed jacket"
          />
        </label>
        <Text mb="1">What it is</Text>
        <Pick
          label="What it is"
          value={garment}
          options={GARMENTS.filter((g) => g !== CLOSING_ONLY).map((g) => [g, GARMENT_WORDS[g] ?? g])}
          onPick={setGarment}
        />
        <Button type="submit" colorPalette="leaf" mt="4" w="full" minH="44px" disabled={!name.trim()}>
          Begin
        </Button>
      </form>
      <Box borderTopWidth="1px" borderColor="rule" mt="5" pt="4">
        <OnlyClosing onBegin={onClosing} />
        <FilePick words="Load a saved project" accept=".json,application/json" onPick={onLoad} />
        {DOORS.map(([to, words]) => (
          <Box key={to}>
            <Link to={to} style={{ color: 'var(--chakra-colors-leaf-fg)', fontWeight: 600, lineHeight: '40px' }}>
              {words}
            </Link>
          </Box>
        ))}
        {demos.map((d) => (
          <Button
            key={d.id}
            variant="plain"
            display="block"
            px="0"
            h="auto"
            py="1"
            color="leaf.fg"
            onClick={() => onDemo(d.id)}
          >
            Add the demo: {d.name}
          </Button>
        ))}
      </Box>
    </SheetBox>
  );
}
