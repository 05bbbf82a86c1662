import { Box, Text } from '@chakra-ui/react';
import { lastChances } from '../../../core/plan/index.ts';
import { lastChanceWords } from '../../words/index.ts';
import { type Planning } from './planning.ts';

/** What of the fit can still be changed, and until which step. */
export function LastChances({ p: { plan, w, names } }: { p: Planning }) {
  const all = lastChances(plan.steps, plan.making).map((x) => lastChanceWords(x, w.doc.units, names));
  if (!all.length) return <Text color="quiet">Nothing of the fit hangs on a step.</Text>;
  return (
    <Box as="ul" pl="5" py="2" maxW="72ch">
      {all.map((x) => (
        <Box as="li" key={x.what} py="1">
          <Text as="span" fontWeight="600">
            {x.what}
          </Text>
          : {x.until}; {x.after}.
        </Box>
      ))}
    </Box>
  );
}
