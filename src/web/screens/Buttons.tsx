import { Box, Heading, Input, Text } from '@chakra-ui/react';
import { type Closure, lignes } from '../../core/closure/index.ts';
import { type Decisions } from '../../core/project.ts';
import { formatLength } from '../../core/units.ts';
import { type Workbook } from '../api/useProject.ts';
import { ClosureDrawing } from '../drawing/ClosureDrawing.tsx';
import { Ask, Tick } from '../parts/Ask.tsx';
import { Measure } from '../parts/Measure.tsx';
import { Findings, Why } from '../parts/Notes.tsx';
import { Empty, Page, SheetBox } from '../parts/Page.tsx';

type C = Decisions['closure'];

/** Where does each button go? */
export function Buttons({ w }: { w: Workbook }) {
  const c = w.doc.decisions.closure;
  const result = w.computed.closure;
  const put = (part: Partial<C>, label?: string) => {
    const next = { ...w.doc, decisions: { ...w.doc.decisions, closure: { ...c, ...part } } };
    if (label) w.save(label, next);
    else w.preview(next);
  };
  const front = w.computed.shell.find((p) => p.kind === 'front');
  if (!front) {
    return (
      <Page question="Where does each button go?">
        <Empty title="No front yet">
          Buttons are placed along the front edge. Put the pattern in and say which piece is the front.
        </Empty>
      </Page>
    );
  }
  return (
    <Page
      question="Where does each button go?"
      lead="Measured along centre front from the neck seam down."
      side={
        <Questions
          w={w}
          c={c}
          put={put}
          drawn={front.lines.some((l) => l.kind === 'centre-front')}
          waistDrawn={front.lines.some((l) => l.kind === 'waist')}
        />
      }
    >
      {!c.on && <Empty title="No buttons">They are switched off at the left.</Empty>}
      {result && !result.ok && (
        <SheetBox>
          <Findings findings={result.findings} w={w} />
        </SheetBox>
      )}
      {result?.ok && (
        <>
          <SheetBox>
            <ClosureDrawing
              closure={result.value}
              front={front}
              cut={w.computed.cutLines.get(front.id)}
              units={w.doc.units}
            />
          </SheetBox>
          <Figures w={w} closure={result.value} c={c} />
        </>
      )}
    </Page>
  );
}

function Figures({ w, closure, c }: { w: Workbook; closure: Closure; c: C }) {
  const mm = (v: number) => formatLength(v, w.doc.units);
  const n = closure.buttons.length;
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="2">
        {n} button{n === 1 ? '' : 's'}, {mm(c.diameter)} ({Math.round(lignes(c.diameter))} lignes)
      </Heading>
      <Text>
        {c.direction === 'horizontal' ? 'Horizontal' : 'Vertical'} holes on the wearer's {c.side}: opening{' '}
        <b>{mm(closure.hole.opening)}</b>, overall {mm(closure.hole.overall)}, starting {mm(closure.hole.outer)} past
        centre front towards the edge.
      </Text>
      <Text mb="2">
        From the neck seam: <b>{closure.buttons.map((b) => mm(b.at)).join(', ')}</b>.
      </Text>
      <Findings findings={closure.findings} w={w} well="Clear of hem, edge and facing." />
      <Why reasons={closure.reasons} units={w.doc.units} about="these figures" />
      <Text color="quiet" fontSize="15px">
        The marking strip is printed with the pattern, 1:1. Cut holes only once the place is sure: a pin across each
        end, from the middle outward.
      </Text>
    </SheetBox>
  );
}

interface QuestionProps {
  w: Workbook;
  c: C;
  put: (part: Partial<C>, label?: string) => void;
  drawn: boolean;
  waistDrawn: boolean;
}

function Questions({ w, c, put, drawn, waistDrawn }: QuestionProps) {
  const units = w.doc.units;
  const length = (
    key: 'gap' | 'diameter' | 'thickness' | 'top' | 'bottom' | 'extension',
    label: string,
    least: number,
    most: number,
    help?: string,
  ) => (
    <Measure
      label={label}
      value={c[key]}
      least={least}
      most={most}
      units={units}
      {...(help && { help })}
      onPreview={(v) => put({ [key]: v })}
      onValue={(v) => put({ [key]: v }, `${label}: ${formatLength(v, units)}`)}
    />
  );
  return (
    <SheetBox>
      <Tick
        label="It buttons down the front"
        checked={c.on}
        onTick={(on) => put({ on }, on ? 'With buttons' : 'Without buttons')}
      />
      {c.on && (
        <>
          <Ask
            question="Decide by"
            value={c.by}
            answers={[
              ['count', 'how many'],
              ['gap', 'how far apart'],
            ]}
            onAnswer={(by) => put({ by }, by === 'count' ? 'Buttons by number' : 'Buttons by gap')}
          />
          {c.by === 'count' ? <Count c={c} put={put} /> : length('gap', 'Wished gap', 40, 200)}
          {length('top', 'First, below the neck seam', 0, 150)}
          {length('bottom', 'Last, above the hem', 0, 700)}
          {length('diameter', 'Button, across', 8, 50)}
          {length(
            'thickness',
            'Button, thick',
            1,
            20,
            'Opening = across + thick; a domed or ball button needs its full height.',
          )}
          {!drawn && length('extension', 'Front beyond centre front', 0, 80)}
          <Waist c={c} put={put} w={w} drawn={waistDrawn} />
          <Ask
            question="Holes run"
            value={c.direction}
            answers={[
              ['horizontal', 'across: where it pulls'],
              ['vertical', 'along the band'],
            ]}
            onAnswer={(direction) => put({ direction }, `Holes ${direction}`)}
          />
          <Ask
            question="Holes on the wearer's"
            value={c.side}
            answers={[
              ['right', 'right (women’s custom)'],
              ['left', 'left (men’s custom)'],
            ]}
            onAnswer={(side) => put({ side }, `Holes on the ${side}`)}
          />
        </>
      )}
    </SheetBox>
  );
}

function Count({ c, put }: Pick<QuestionProps, 'c' | 'put'>) {
  return (
    <Box mb="4" display="flex" alignItems="center" gap="3">
      <label htmlFor="button-count">How many buttons?</label>
      <Input
        id="button-count"
        type="number"
        min={1}
        max={30}
        width="5.5em"
        bg="sheet"
        borderColor="rule"
        value={c.count}
        onChange={(e) => {
          const count = Math.round(Number(e.target.value));
          if (count >= 1 && count <= 60) put({ count }, `${count} buttons`);
        }}
      />
    </Box>
  );
}

function Waist({ c, put, w, drawn }: Omit<QuestionProps, 'drawn' | 'waistDrawn'> & { drawn: boolean }) {
  const units = w.doc.units;
  const waist = (part: Partial<C['waist']>) => ({ waist: { ...c.waist, ...part } });
  const length = (key: 'at' | 'belt', label: string, least: number, most: number) => (
    <Measure
      label={label}
      value={c.waist[key]}
      least={least}
      most={most}
      units={units}
      onPreview={(v) => put(waist({ [key]: v }))}
      onValue={(v) => put(waist({ [key]: v }), `${label}: ${formatLength(v, units)}`)}
    />
  );
  return (
    <>
      <Tick
        label="Worn belted: keep the waist clear"
        checked={c.waist.keepClear}
        onTick={(keepClear) => put(waist({ keepClear }), keepClear ? 'Waist kept clear' : 'Waist not kept clear')}
      />
      {c.waist.keepClear && (
        <>
          {drawn ? (
            <Text color="quiet" fontSize="15px" mb="2">
              The waist is drawn on the pattern.
            </Text>
          ) : (
            length('at', 'Waist, below the neck seam', 150, 600)
          )}
          {length('belt', 'Belt, wide', 15, 100)}
        </>
      )}
    </>
  );
}
