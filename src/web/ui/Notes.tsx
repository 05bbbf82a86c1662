import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { CircleAlert, CircleCheck, Info } from 'lucide-react';
import { sentenceOf } from '../../contract/findings.ts';
import { type Finding, type Reason } from '../../core/result.ts';
import { type LengthUnit } from '../../core/units.ts';
import { type Workbook } from '../data/useProject.ts';
import { cureOf, MARK_WORDS, reasonWords } from '../words/index.ts';

const LOOK = {
  stop: { color: 'berry', Icon: CircleAlert, word: 'To mend' },
  warn: { color: 'honey', Icon: CircleAlert, word: 'Look at this' },
  note: { color: 'quiet', Icon: Info, word: 'Note' },
} as const;

interface FindingsProps {
  findings: Finding[];
  w: Workbook;
  /** Said when there are none. */
  well?: string;
}

/** Findings as sentences, each with its cure as a button where it can be computed; what is well is said too. */
export function Findings({ findings, w, well }: FindingsProps) {
  if (!findings.length) return well ? <AllWell words={well} /> : null;
  return (
    <Box as="ul" listStyleType="none" m="0" p="0">
      {findings.map((f, i) => {
        const { color, Icon, word } = LOOK[f.severity];
        const cure = cureOf(f, w.doc);
        return (
          <Flex as="li" key={`${f.code}${i}`} gap="3" align="flex-start" py="2">
            <Box color={color} flexShrink={0} mt="2px">
              <Icon size={20} aria-label={word} />
            </Box>
            <Box>
              <Text>{sentenceOf(f, w.doc.units)}</Text>
              {cure && (
                <Button size="sm" variant="outline" mt="1" onClick={() => w.save(cure.label, cure.next)}>
                  {cure.label}
                </Button>
              )}
            </Box>
          </Flex>
        );
      })}
    </Box>
  );
}

export function AllWell({ words }: { words: string }) {
  return (
    <Flex gap="3" align="center" py="2" color="good">
      <CircleCheck size={20} aria-hidden style={{ flexShrink: 0 }} />
      <Text color="ink">{words}</Text>
    </Flex>
  );
}

/** "Why?": the rule behind each figure, its sum, and where the rule comes from. */
export function Why({ reasons, units, about }: { reasons: Reason[]; units: LengthUnit; about: string }) {
  const unique = reasons.filter(
    (r, i) => reasons.findIndex((q) => q.rule === r.rule && Math.abs(q.value - r.value) < 1e-6) === i,
  );
  if (!unique.length) return null;
  return (
    <Box as="details" mt="1" mb="3">
      <Box as="summary" cursor="pointer" color="leaf.fg" fontWeight="600" minH="32px">
        Why {about}?
      </Box>
      <Box as="ul" pl="5" mt="1" fontSize="15px">
        {unique.map((r, i) => (
          <Box as="li" key={i} mb="1">
            {reasonWords(r, units)}{' '}
            <Text as="span" color="quiet">
              ({MARK_WORDS[r.mark]})
            </Text>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
