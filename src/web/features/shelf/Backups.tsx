import { Box, Button, Flex, Heading, Table, Text } from '@chakra-ui/react';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { type BackupAnswer, type BackupLook, type Compared } from '../../../contract/index.ts';
import { api, useAsked } from '../../data/client.ts';
import { Tick } from '../../ui/Ask.tsx';
import { FilePick } from '../../ui/FilePick.tsx';
import { Masthead } from '../../ui/Masthead.tsx';
import { Page, SheetBox } from '../../ui/Page.tsx';

const TIME = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });
const when = (iso: string): string => TIME.format(new Date(iso));
const sizeOf = (bytes: number): string =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

/** Backups: made, taken away, brought in, looked into, and put back. */
export function Backups() {
  const { data, mutate } = useAsked('GET /api/backups', {});
  const [look, setLook] = useState<BackupLook | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const during = async (words: string, work: () => Promise<unknown>): Promise<void> => {
    setBusy(words);
    setTrouble(null);
    setSaid(null);
    try {
      await work();
    } catch (e) {
      setTrouble((e as Error).message);
    } finally {
      setBusy(null);
      await mutate();
    }
  };
  const make = () =>
    during('Making a backup, and trying whether it loads …', async () => {
      await api.makeBackup();
      setSaid('The backup is made, and loads.');
    });
  const bring = (file: File | undefined) => {
    if (file && /\.json$/i.test(file.name)) {
      setTrouble(`"${file.name}" looks like one saved project: load it from the shelf.`);
      return;
    }
    if (file) void during('Looking into the backup …', async () => setLook(await api.bringBackup(file)));
  };
  const open = (name: string) => during('Looking into the backup …', async () => setLook(await api.lookBackup(name)));
  const putBack = (ids: string[]) =>
    look &&
    during('Putting back …', async () => {
      const { projects } = await api.putBack(look.name, ids);
      const not = projects.filter((p) => p.done === 'unreadable').map((p) => p.name);
      setSaid(
        `${projects.length - not.length} put back. Each can be undone in its project.${not.length ? ` Not readable, and left out: ${not.join(', ')}.` : ''}`,
      );
      setLook(null);
    });
  return (
    <Box minH="100vh">
      <Masthead />
      <Box as="main" px={{ base: 4, lg: 8 }} py="6" maxW="1100px" mx="auto">
        <Page
          question="What if something is lost?"
          lead="A backup holds every project with all its changes and the pattern files. Woodbine makes one every six hours and tries whether it loads; the newest five are kept. Take one away to another disk now and then."
        >
          <Box role="status" minH="1.5em" mb="2">
            {busy ?? said ?? ''}
          </Box>
          {trouble && (
            <Text role="alert" color="berry" fontWeight="600" mb="3">
              {trouble}
            </Text>
          )}
          <SheetBox>
            <Flex gap="3" wrap="wrap" align="center">
              <Button asChild colorPalette="leaf" minH="44px">
                <a href="/api/backups/everything.zip" download>
                  <Download size={18} aria-hidden /> Take everything away
                </a>
              </Button>
              <Button
                variant="outline"
                borderColor="rule"
                minH="44px"
                disabled={busy !== null}
                onClick={() => void make()}
              >
                Make a backup here now
              </Button>
              <FilePick words="Look into a backup from elsewhere" accept=".zip,application/zip" onPick={bring} />
            </Flex>
          </SheetBox>
          {look ? (
            <Look
              look={look}
              busy={busy !== null}
              onClose={() => setLook(null)}
              onPutBack={(ids) => void putBack(ids)}
            />
          ) : (
            <Kept backups={data?.backups ?? null} onOpen={(n) => void open(n)} />
          )}
        </Page>
      </Box>
    </Box>
  );
}

function Kept({ backups, onOpen }: { backups: BackupAnswer[] | null; onOpen: (name: string) => void }) {
  if (!backups) return <Text color="quiet">Looking for the backups …</Text>;
  if (!backups.length) return <Text color="quiet">There is no backup here yet.</Text>;
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="2">
        Backups here
      </Heading>
      <Table.Root size="sm">
        <Table.Body>
          {backups.map((b) => (
            <Table.Row key={b.name} bg="transparent">
              <Table.Cell fontWeight="600">{when(b.at)}</Table.Cell>
              <Table.Cell>{b.projects === 1 ? 'one project' : `${b.projects} projects`}</Table.Cell>
              <Table.Cell color="quiet">
                {sizeOf(b.size)}
                {b.own ? '' : ', from elsewhere'}
              </Table.Cell>
              <Table.Cell textAlign="end">
                <Button
                  size="sm"
                  variant="outline"
                  borderColor="rule"
                  aria-label={`Look into the backup of ${when(b.at)}`}
                  onClick={() => onOpen(b.name)}
                >
                  Look into it
                </Button>
              </Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </SheetBox>
  );
}

const quoted = (labels: string[]): string => labels.map((l) => `“${l}”`).join(', ');

/** What putting a project back would change, as a sentence. */
function changeOf(p: Compared): string {
  if (p.standing === 'same') return 'As it is on the shelf.';
  if (p.standing === 'absent') return 'Not on the shelf: it comes with all its changes.';
  if (p.standing === 'deleted') return 'Taken off the shelf since: it comes back.';
  const name = p.nameNow ? ` It is called “${p.nameNow}” now.` : '';
  return p.since.length
    ? `Changed since, and taken back by it: ${quoted(p.since)}.${name}`
    : `It was changed otherwise since ${when(p.at)}.${name}`;
}

interface LookProps {
  look: BackupLook;
  busy: boolean;
  onClose: () => void;
  onPutBack: (ids: string[]) => void;
}

function Look({ look, busy, onClose, onPutBack }: LookProps) {
  const different = look.projects.filter((p) => p.standing !== 'same');
  const [chosen, setChosen] = useState<string[]>([]);
  const tick = (id: string, on: boolean) => setChosen((c) => (on ? [...c, id] : c.filter((x) => x !== id)));
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="1">
        The backup of {when(look.at)}
      </Heading>
      <Text color="quiet" mb="3">
        Nothing is changed yet. What is ticked is put back as one change of each project; what is not in the backup
        stays.
      </Text>
      {!different.length && <Text mb="3">Everything in it is on the shelf as it was.</Text>}
      <Box as="ul" listStyleType="none" m="0" p="0" mb="3">
        {look.projects.map((p) => (
          <Box as="li" key={p.id} py="1">
            {p.standing === 'same' ? (
              <Text fontWeight="600" ps="8">
                {p.name}
              </Text>
            ) : (
              <Tick checked={chosen.includes(p.id)} onTick={(on) => tick(p.id, on)} label={<b>{p.name}</b>} />
            )}
            <Text color="quiet" ps="8">
              {changeOf(p)}
            </Text>
          </Box>
        ))}
      </Box>
      <Flex gap="3" wrap="wrap">
        <Button colorPalette="leaf" minH="44px" disabled={busy || !chosen.length} onClick={() => onPutBack(chosen)}>
          {chosen.length ? `Put ${chosen.length === 1 ? 'this one' : `these ${chosen.length}`} back` : 'Put back'}
        </Button>
        {different.length > 1 && (
          <Button
            variant="outline"
            borderColor="rule"
            minH="44px"
            onClick={() => setChosen(different.map((p) => p.id))}
          >
            Tick all that differ
          </Button>
        )}
        <Button variant="outline" borderColor="rule" minH="44px" onClick={onClose}>
          Leave all as it is
        </Button>
      </Flex>
    </SheetBox>
  );
}
