import { Button, Heading, Link } from '@chakra-ui/react';
import useSWR from 'swr';
import { type Decisions, type Shell } from '../../../core/document/project.ts';
import { api } from '../../data/client.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { blanks, type Fields, lengthField } from '../../ui/fields.tsx';
import { ChoiceBlank, Say } from '../../ui/Sentence.tsx';

const ALLOWANCES = {
  seam: lengthField('Seam allowance', 0, 30, 'Of every edge of the shell for which nothing else is said.', {
    usual: [6, 20],
  }),
  hem: lengthField('Hem of the shell', 0, 80, 'Folded up inside; a flared hem takes less than a straight one.', {
    usual: [10, 60],
  }),
  wrist: lengthField('Wrist hem', 0, 80, 'Folded up inside the sleeve.', { usual: [10, 50] }),
} satisfies Fields<Decisions['allowances']>;

const LINES = {
  seam: 'seam lines: allowance is added outside',
  cut: 'cut lines: the seam lies inside',
} as const;

interface Props {
  w: Workbook;
  shell: Shell;
  onSave: (label: string, s: Shell) => void;
  /** Another file shall be put in. */
  onAgain: () => void;
}

/** What holds for the pattern as a whole: which lines are drawn, the usual allowances, another file. */
export function WholePattern({ w, shell, onSave, onAgain }: Props) {
  const { units, decisions } = w.doc;
  const blank = blanks(ALLOWANCES, decisions.allowances, units, (part, words) =>
    setDecision(w, 'allowances', part, { words }),
  );
  return (
    <>
      <Heading as="h2" fontSize="19px" fontWeight="600" mb="1">
        The whole pattern
      </Heading>
      <Say>
        The lines drawn in <FromFile id={w.id} name={shell.fileName} /> are{' '}
        <ChoiceBlank
          label="The lines drawn in the file"
          value={shell.lines}
          said={shell.lines === 'cut' ? 'cut lines' : 'seam lines'}
          ways={(['seam', 'cut'] as const).map((id) => ({ id, words: LINES[id] }))}
          onPick={(lines) =>
            onSave(lines === 'cut' ? 'Drawn lines are cut lines' : 'Drawn lines are seam lines', { ...shell, lines })
          }
        />
        . Seams have {blank.seam} of allowance, the hem {blank.hem}, wrists {blank.wrist}.
      </Say>
      <Button size="sm" variant="outline" borderColor="rule" mb="4" onClick={onAgain}>
        Put in another file
      </Button>
    </>
  );
}

/** The file that the pieces were read from, which can be had back. */
function FromFile({ id, name }: { id: string; name: string }) {
  const { data } = useSWR(['files', id, name], () => api.files(id));
  const file = data?.files.find((f) => f.name === name);
  if (!file) return <b>{name}</b>;
  return (
    <Link
      href={`/api/projects/${id}/files/${file.id}`}
      download
      color="leaf.fg"
      textDecoration="underline"
      overflowWrap="anywhere"
    >
      {name}
    </Link>
  );
}
