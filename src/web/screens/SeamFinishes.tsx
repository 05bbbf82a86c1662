import { Box, Text } from '@chakra-ui/react';
import { finishKey } from '../../core/plan/index.ts';
import { Pick } from '../parts/Ask.tsx';
import { methodWords, seamName } from '../words/index.ts';
import { type Planning, takeMethods } from './planning.ts';

/** As all the others are. */
const AS_ALL = '-';

/** Bare seams of the outside one by one: each as all are, or neatened in a way of its own. */
export function SeamFinishes({ p }: { p: Planning }) {
  const { plan, w } = p;
  const { methods } = w.doc.decisions.making;
  const { finishes } = plan;
  if (finishes.length < 2) return null;
  const own = finishes.filter((f) => methods[finishKey(f.seam)] !== undefined);
  const all = methodWords('seams', plan.methods.seams ?? '').toLowerCase();
  const choose = (seam: string, words: string, way: string): void => {
    const { [finishKey(seam)]: _, ...rest } = methods;
    const next = way === AS_ALL ? rest : { ...rest, [finishKey(seam)]: way };
    takeMethods(p, `${words}: ${way === AS_ALL ? 'as all seams' : methodWords('seams', way)}`, next);
  };
  return (
    <Box as="details" gridColumn="1 / -1" mb="3">
      <Box as="summary" cursor="pointer" minH="36px" alignContent="center">
        <Text as="span" fontWeight="550">
          Seam by seam
        </Text>
        <Text as="span" color="quiet" ml="3">
          {own.length ? `${own.length} of ${finishes.length} neatened otherwise` : `all ${finishes.length}: ${all}`}
        </Text>
      </Box>
      <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(270px, 1fr))" columnGap="6" rowGap="2" pt="2">
        {finishes.map((f) => {
          const words = seamName(f.name);
          return (
            <Box key={f.seam}>
              <Text>{words}</Text>
              <Pick
                label={`${words}: neatened`}
                value={methods[finishKey(f.seam)] ?? AS_ALL}
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
