import { Button } from '@chakra-ui/react';
import { type ClothSaid, type Flaw, wideOf } from '../../../core/cutting/index.ts';
import { type LengthUnit } from '../../../core/units.ts';
import { LengthBlank, Say } from '../../ui/Sentence.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import { acrossFrom } from '../../words/index.ts';

interface Props {
  cloth: ClothSaid;
  units: LengthUnit;
  put: (part: Partial<ClothSaid>, words?: string) => void;
}

/** The farthest along a cloth that a flaw is asked for, mm. */
const FAR = 20_000;

/** Places of the cloth that no piece may touch. */
export function FlawSentences({ cloth, units, put }: Props) {
  const { flaws } = cloth;
  const most = wideOf(cloth);
  const set = (i: number, part: Partial<Flaw>, words?: string): void => {
    const f = { ...(flaws[i] as Flaw), ...part };
    // Whichever end was said first: a place begins before it ends.
    const [x0, x1] = [Math.min(f.x0, f.x1), Math.max(f.x0, f.x1, Math.min(f.x0, f.x1) + 1)];
    const [y0, y1] = [Math.min(f.y0, f.y1), Math.max(f.y0, f.y1, Math.min(f.y0, f.y1) + 1)];
    put({ flaws: flaws.map((o, k) => (k === i ? { x0, x1, y0, y1 } : o)) }, words);
  };
  const blank = (i: number, key: keyof Flaw, what: string, far: number) => (
    <LengthBlank
      label={`Flaw ${i + 1}, ${what}`}
      value={(flaws[i] as Flaw)[key]}
      units={units}
      least={0}
      most={Math.min(far, 4000)}
      atMost={far}
      onPreview={(v) => set(i, { [key]: v })}
      onValue={(v) => set(i, { [key]: v }, `flaw ${i + 1} ${what}`)}
    />
  );
  return (
    <>
      {flaws.map((_, i) => (
        <Say key={i}>
          No piece touches the place from {blank(i, 'y0', 'from along it', FAR)} to {blank(i, 'y1', 'to along it', FAR)}{' '}
          along it, {blank(i, 'x0', 'from across', most)} to {blank(i, 'x1', 'to across', most)} from the{' '}
          {acrossFrom(cloth)}.{' '}
          <WordButton
            color="berry"
            onClick={() => put({ flaws: flaws.filter((_f, k) => k !== i) }, `without flaw ${i + 1}`)}
          >
            It is none
          </WordButton>
        </Say>
      ))}
      <Button
        size="sm"
        variant="outline"
        borderColor="rule"
        onClick={() => put({ flaws: [...flaws, { x0: 100, x1: 150, y0: 300, y1: 350 }] }, 'a flaw to keep clear of')}
      >
        Mark a flaw
      </Button>
    </>
  );
}
