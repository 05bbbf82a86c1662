import { Box, Button, Text } from '@chakra-ui/react';
import { Pick } from '../../ui/Ask.tsx';
import { methodWords, seamName } from '../../words/index.ts';
import { type Planning, takeFinishes } from './planning.ts';

/** As all the others are. */
const AS_ALL = '-';

/** Bare seams of the outside one by one: each as all are, or neatened in a way of its own. */
export function SeamFinishes({ p }: { p: Planning }) {
  const { plan, w } = p;
  const said = w.doc.decisions.making.finishes;
  const { finishes } = plan;
  // Chosen for a seam that is not sewn bare any more, or not in that way: told above, and taken back here.
  const lost = Object.keys(said).filter(
    (seam) => !finishes.some((f) => f.seam === seam && f.ways.includes(said[seam] ?? '')),
  );
  if (finishes.length < 2 && !lost.length) return null;
  const own = finishes.filter((f) => said[f.seam] !== undefined);
  const all = methodWords('seams', plan.methods.seams ?? '').toLowerCase();
  const choose = (seam: string, words: string, way: string): void => {
    const { [seam]: _, ...rest } = said;
    const next = way === AS_ALL ? rest : { ...rest, [seam]: way };
    takeFinishes(p, `${words}: ${way === AS_ALL ? 'as all seams' : methodWords('seams', way)}`, next);
  };
  const forget = (): void =>
    takeFinishes(
      p,
      'What cannot be chosen for single seams taken back',
      Object.fromEntries(Object.entries(said).filter(([seam]) => !lost.includes(seam))),
    );
  return (
    <Box as="details" gridColumn="1 / -1" mb="3">
      <Box as="summary" cursor="pointer" minH="36px" alignContent="center">
        <Text as="span" fontWeight="550">
          Seam by seam
        </Text>
        <Text as="span" color="quiet" ml="3">
          {own.length
            ? `${own.length} of ${finishes.length} neatened otherwise`
            : finishes.length
              ? `all ${finishes.length}: ${all}`
              : 'no seam of the outside lies bare'}
        </Text>
      </Box>
      {lost.length > 0 && (
        <Button size="sm" variant="outline" mt="2" onClick={forget}>
          Take back what does not go any more
        </Button>
      )}
      <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(270px, 1fr))" columnGap="6" rowGap="2" pt="2">
        {finishes.map((f) => {
          const words = seamName(f.name);
          return (
            <Box key={f.seam}>
              <Text>{words}</Text>
              <Pick
                label={`${words}: neatened`}
                value={said[f.seam] ?? AS_ALL}
                options={[
                  [
                    AS_ALL,
                    f.ways.includes(plan.methods.seams ?? '')
                      ? `as all: ${all}`
                      : `as it can be: ${methodWords('seams', f.way).toLowerCase()}`,
                  ],
                  ...f.ways.map((m): [string, string] => [m, methodWords('seams', m)]),
                ]}
                onPick={(m) => choose(f.seam, words, m)}
              />
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
