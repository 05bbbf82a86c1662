import { Box, Button, Text } from '@chakra-ui/react';
import { type ShellPiece } from '../../../core/document/project.ts';
import {
  closedLines,
  isUnsure,
  KINDS,
  OPENING_ROLES,
  type OpeningRole,
  renamedAs,
  sayOpening,
} from '../../../core/pattern/index.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { ChoiceBlank, NameBlank, Say } from '../../ui/Sentence.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import { KIND_WORDS, kindSaid } from '../../words/index.ts';

interface Props {
  pieces: ShellPiece[];
  piece: ShellPiece;
  units: LengthUnit;
  onSave: (label: string, p: ShellPiece) => void;
  onRemove: () => void;
}

/** How many of a piece, each as its sentence says it. */
const COUNTS = { '1': 'once', '2': 'twice, a mirrored pair', '4': 'four times' } as const;
const ON_FOLD = { '1': 'once, on the fold', '2': 'twice, each on the fold' } as const;

/** What a piece is, as it would be said: its name, its kind, how many, what its closed lines are. */
export function PieceSentences({ pieces, piece, units, onSave, onRemove }: Props) {
  const fold = piece.ring.some((e) => e.onFold);
  const unsure = piece.ring.filter(isUnsure).length;
  return (
    <>
      <Say>
        This is{' '}
        <NameBlank
          label="Name of this piece"
          value={piece.name}
          onName={(name) => onSave(`Name ${name}`, { ...piece, name })}
        />
        :{' '}
        <ChoiceBlank
          label="What this piece is"
          value={piece.kind}
          said={kindSaid(piece.kind)}
          ways={KINDS.map((id) => ({ id, words: KIND_WORDS[id] }))}
          onPick={(kind) =>
            onSave(`${piece.name} is: ${KIND_WORDS[kind].toLowerCase()}`, renamedAs(pieces, piece, kind))
          }
        />
        , cut{' '}
        <ChoiceBlank
          label="How many to cut"
          value={String(piece.count)}
          ways={Object.entries(fold ? ON_FOLD : COUNTS).map(([id, words]) => ({ id, words }))}
          onPick={(c) => onSave(`${piece.name}: cut ${c}${fold ? ' on the fold' : ''}`, { ...piece, count: Number(c) })}
        />
        .<Openings piece={piece} units={units} onSave={onSave} />
      </Say>
      {unsure > 0 && (
        <Box mb="3" p="2" borderLeftWidth="4px" borderColor="honey" role="note">
          <Text mb="2">
            {unsure === 1 ? 'One edge is' : `${unsure} edges are`} named by shape alone, the wide lines in the drawing.
            Click each and look whether it is so; saying what the piece is names them anew.
          </Text>
          <Button
            size="sm"
            variant="outline"
            borderColor="rule"
            onClick={() =>
              onSave(`${piece.name}: names looked at`, {
                ...piece,
                ring: piece.ring.map((e) => (isUnsure(e) ? { ...e, confidence: 1 } : e)),
              })
            }
          >
            All its names are right
          </Button>
        </Box>
      )}
      <WordButton color="berry" onClick={onRemove}>
        This is no piece of mine: remove it
      </WordButton>
    </>
  );
}

const OPENINGS: Record<OpeningRole | 'pocket', string> = {
  armhole: 'an armhole',
  neckline: 'an opening for the neck',
  'cut-out': 'a cut-out',
  pocket: 'no opening: something is laid on there',
};

/** What was said of a closed line; nothing yet. */
type Said = keyof typeof OPENINGS | '';

/** Closed lines inside a piece: whether they are cut out, and as what. */
function Openings({ piece, units, onSave }: Pick<Props, 'piece' | 'units' | 'onSave'>) {
  const closed = closedLines(piece);
  if (!closed.length) return null;
  return closed.map(({ index, line, round, likely }, i) => {
    const is = (line.role ?? '') as Said;
    return (
      <span key={index}>
        {' '}
        {i ? 'Another' : 'A closed line'} inside it, {formatLength(round, units)} round, is{' '}
        <ChoiceBlank<Said>
          label={`Closed line ${i + 1}`}
          value={is}
          said={is ? OPENINGS[is] : 'not said yet'}
          odd={likely && !is ? 'not said yet' : undefined}
          ways={[...OPENING_ROLES, 'pocket' as const].map((id) => ({ id, words: OPENINGS[id] }))}
          help="An opening is faced, lined and interfaced like an edge of its kind, and cut out of the cloth."
          onPick={(role) => {
            if (role) onSave(`${piece.name}: a closed line is ${OPENINGS[role]}`, sayOpening(piece, index, role));
          }}
        />
        .
      </span>
    );
  });
}
