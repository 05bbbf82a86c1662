import { Box, Button, Flex, Heading, Table, Text } from '@chakra-ui/react';
import { Download } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { sentenceOf } from '../../../contract/findings.ts';
import { cutList, formatArea } from '../../../core/cutting/index.ts';
import { CLOSING_ONLY, type Decisions } from '../../../core/document/project.ts';
import { LONG, LONG_PAPERS, PAPERS, sheetsFor, tile } from '../../../core/output/index.ts';
import { MATERIALS, type Piece } from '../../../core/pattern/index.ts';
import { setDecision } from '../../data/setDecision.ts';
import { usePages } from '../../data/usePages.ts';
import { type Workbook } from '../../data/useProject.ts';
import { TileMap } from '../../drawing/TileMap.tsx';
import { Ask, Tick } from '../../ui/Ask.tsx';
import { Chip } from '../../ui/Chip.tsx';
import { Empty, Page, SheetBox } from '../../ui/Page.tsx';
import { MATERIAL_WORDS } from '../../words/index.ts';

type P = Decisions['paper'];

/** On to paper: what is printed, on how many pages, and the files to take away. */
export function Paper({ w }: { w: Workbook }) {
  const paper = w.doc.decisions.paper;
  const { pieces } = w.computed;
  const chosen = useMemo(
    () => pieces.filter((p) => !paper.pieces || paper.pieces.includes(p.id)),
    [pieces, paper.pieces],
  );
  const sheets = useMemo(
    () => sheetsFor(w.computed, paper.pieces, paper.strip, w.doc.units),
    [w.computed, paper, w.doc.units],
  );
  const { pages, puts, trouble } = usePages(w, sheets.length > 0);
  const tiling = useMemo(() => puts && tile(sheets, PAPERS[paper.size], puts), [sheets, paper.size, puts]);
  const put = (part: Partial<P>, label: string) => setDecision(w, 'paper', part, { words: label });
  if (!pieces.length && !sheets.length && w.doc.garment !== CLOSING_ONLY) {
    return (
      <Page question="On to paper">
        <Empty title="Nothing to print yet">
          Put the pattern in first. The project itself can be saved below at any time.
        </Empty>
        <Files w={w} pages={0} />
      </Page>
    );
  }
  return (
    <Page
      question="What goes on to paper?"
      lead="Full size, on pages that overlap. The first page carries a 50 mm and a 2 inch square to check the printer by."
      side={<Choose w={w} paper={paper} chosen={chosen} put={put} />}
    >
      <Heading as="h2" fontSize="26px" fontWeight="600" mb="2">
        {sheets.length
          ? (trouble ?? (pages === null ? 'Laying the pieces on pages …' : `${pages} pages`))
          : 'Nothing chosen'}
      </Heading>
      <Files w={w} pages={sheets.length ? pages : 0} />
      {sheets.length > 0 && tiling && <TileMap tiling={tiling} units={w.doc.units} />}
      {pieces.length > 0 && <CutList w={w} />}
    </Page>
  );
}

interface ChooseProps {
  w: Workbook;
  paper: P;
  chosen: Piece[];
  put: (part: Partial<P>, label: string) => void;
}

function Choose({ w, paper, chosen, put }: ChooseProps) {
  const all = w.computed.pieces;
  const ids = chosen.map((p) => p.id);
  const sets = setsOf(all);
  const sameSet = (pieces: string[] | null, strip: boolean): boolean =>
    paper.strip === strip && (pieces ?? all.map((p) => p.id)).join() === (paper.pieces ?? all.map((p) => p.id)).join();
  const toggle = (p: Piece, on: boolean) =>
    put({ pieces: on ? [...ids, p.id] : ids.filter((i) => i !== p.id) }, `${on ? 'Print' : 'Do not print'} ${p.name}`);
  return (
    <SheetBox>
      <Ask
        question="Paper"
        value={paper.size}
        answers={[
          ['a4', 'A4'],
          ['letter', 'US Letter'],
        ]}
        onAnswer={(size) => put({ size }, size === 'a4' ? 'Print on A4' : 'Print on US Letter')}
      />
      <Text fontWeight="550" mb="2">
        Print
      </Text>
      <Flex gap="2" wrap="wrap" mb="3" role="group" aria-label="Print at once">
        {sets.map(({ words, pieces, strip }) => (
          <Chip key={words} on={sameSet(pieces, strip)} onClick={() => put({ pieces, strip }, `Print ${words}`)}>
            {words}
          </Chip>
        ))}
      </Flex>
      {all.map((p) => (
        <Tick
          key={p.id}
          checked={ids.includes(p.id)}
          onTick={(on) => toggle(p, on)}
          label={
            <>
              <Text as="span" color={p.material} fontWeight="700" mr="2">
                {MATERIAL_WORDS[p.material].letter}
              </Text>
              {p.name}
            </>
          }
        />
      ))}
      <Tick
        checked={paper.strip}
        onTick={(strip) => put({ strip }, strip ? 'Print the marking strip' : 'Do not print the strip')}
        label="Marking strips for the buttons, both fronts"
      />
    </SheetBox>
  );
}

/** What is printed by one click: all of it, one material alone, the strips alone, nothing. */
function setsOf(all: Piece[]): { words: string; pieces: string[] | null; strip: boolean }[] {
  const there = MATERIALS.filter((m) => all.some((p) => p.material === m));
  return [
    { words: 'everything', pieces: null, strip: true },
    ...there.map((m) => ({
      words: `only ${m === 'facing' ? 'facings' : m}`,
      pieces: all.filter((p) => p.material === m).map((p) => p.id),
      strip: false,
    })),
    { words: 'only strips', pieces: [], strip: true },
    { words: 'nothing', pieces: [], strip: false },
  ];
}

/** So many pages are printed without being asked about: more are a coat with all its layers, or a wrong size. */
const MANY_PAGES = 60;

/** The same on one long page: for a shop with a roll plotter, or thrown on the cloth. */
const LongLinks = ({ to }: { to: string }) => (
  <Text display="flex" flexWrap="wrap" columnGap="3" alignItems="center" fontSize="15px">
    One long page:
    {LONG_PAPERS.map((p) => (
      <a key={p} href={`${to}?paper=${p}`} download style={{ textDecoration: 'underline', padding: '12px 2px' }}>
        {p === 'projector' ? 'for a projector' : `${LONG[p]} mm roll`}
      </a>
    ))}
  </Text>
);

/** Files to take away. `pages` of the PDF; 0 where nothing is chosen, null while they are not known. */
function Files({ w, pages: known }: { w: Workbook; pages: number | null }) {
  const pages = known ?? 0;
  const [meant, setMeant] = useState(0);
  const odd = w.computed.findings.find((f) => f.code === 'size-odd');
  const ask = (pages > MANY_PAGES || (odd && pages > 0)) && meant !== pages;
  // A drawing and the change sheets have no such pages, but a wrong size spoils cloth by them as well.
  const wrong = ask && odd;
  const to = (name: string) => `/api/projects/${w.id}/export/${name}`;
  const link = (name: string, words: string, main = false, off = false) => (
    <Button
      asChild={!off}
      disabled={off || w.saving}
      colorPalette="leaf"
      variant={main ? 'solid' : 'outline'}
      minH="44px"
    >
      {off ? (
        <span>{words}</span>
      ) : (
        <a href={to(name)} download>
          <Download size={18} aria-hidden /> {words}
        </a>
      )}
    </Button>
  );
  return (
    <Box mb="4">
      {ask && (
        <Box mb="3" p="3" borderLeftWidth="4px" borderColor="honey" role="note">
          <Text mb="2">
            {odd ? `${sentenceOf(odd, w.doc.units)} ` : ''}
            {pages} pages at full size. Is that meant? Fewer pieces can be chosen beside; and{' '}
            <Link to="../pattern" relative="path" style={{ textDecoration: 'underline' }}>
              the pattern’s measures
            </Link>{' '}
            show whether it came in at its true size.
          </Text>
          <Button size="sm" variant="outline" borderColor="rule" onClick={() => setMeant(pages)}>
            Yes, all {pages} pages
          </Button>
        </Box>
      )}
      <Flex gap="3" wrap="wrap">
        {!ask && link('pattern.pdf', 'PDF, 1:1', true, !pages)}
        {!wrong && link('pieces.svg', 'SVG', false, known === 0)}
        {!wrong && link('pieces.dxf', 'DXF', false, known === 0)}
        {!wrong &&
          w.computed.inside.some((p) => p.material === 'lining') &&
          link('changes.pdf', 'Change sheets for the lining')}
        {link('cut-list.csv', 'Cut list')}
        {link('project.json', 'The project as a file')}
        <Button asChild variant="outline" minH="44px">
          <a href={`/api/backups/project/${w.id}/project.zip`} download>
            <Download size={18} aria-hidden /> With its changes and files
          </a>
        </Button>
      </Flex>
      {!wrong && known !== 0 && <LongLinks to={to('pattern.pdf')} />}
    </Box>
  );
}

const HOW = {
  pair: 'a mirrored pair',
  fold: 'on the fold',
  single: '',
  'face down': 'with its pattern face down',
} as const;

function CutList({ w }: { w: Workbook }) {
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="2">
        Cut list
      </Heading>
      <Box overflowX="auto">
        <Table.Root size="sm">
          <Table.Body>
            {cutList(w.computed).map((r) => (
              <Table.Row key={r.name} bg="transparent">
                <Table.Cell>
                  <Text as="span" color={r.material} fontWeight="700" mr="2">
                    {MATERIAL_WORDS[r.material].letter}
                  </Text>
                  {r.name}
                </Table.Cell>
                <Table.Cell>{MATERIAL_WORDS[r.material].word}</Table.Cell>
                <Table.Cell>
                  cut {r.count} {HOW[r.how]}
                </Table.Cell>
                <Table.Cell textAlign="end" whiteSpace="nowrap">
                  {r.areaMm2 !== null && `${formatArea(r.areaMm2, w.doc.units)} each`}
                </Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      </Box>
    </SheetBox>
  );
}
