import { Text } from '@chakra-ui/react';
import { type Decisions } from '../../core/document/project.ts';
import { type Piece } from '../../core/pattern/index.ts';
import { formatLength } from '../../core/units.ts';
import { Ask, Tick } from '../parts/Ask.tsx';
import { hide, Length, shellOf } from './asking.tsx';
import { type Deciding } from './deciding.ts';
import { OpenSeams } from './OpenSeams.tsx';

export function LiningQuestions(d: Deciding) {
  const l = d.w.doc.decisions.lining;
  return (
    <>
      <Tick
        label="Line it"
        checked={l.on}
        onTick={(on) => d.set('lining', { on }, on ? 'With lining' : 'Without lining')}
      />
      {hide(
        l.on,
        <>
          <Tick
            label="Worn on both sides: the lining is the shell again"
            checked={l.self}
            onTick={(self) => d.set('lining', { self }, self ? 'Worn on both sides' : 'Worn on one side')}
          />
          {l.self && (
            <Text color="quiet" fontSize="15px" mb="3">
              Both layers are cut alike, without facings, and seamed edge to edge. Before joining measure each pair of
              edges against each other: they have to agree within {formatLength(2, d.w.doc.units)}.
            </Text>
          )}
        </>,
      )}
      {l.on && !l.self && (
        <>
          <LiningParts {...d} />
          <LiningDetails {...d} />
          {d.w.computed.shell.some((p) => p.kind === 'sleeve') && <SleeveLining {...d} />}
          {d.w.computed.shell.some((p) => p.kind === 'back' && hasBackPleat(p, l)) && (
            <>
              <Length
                d={d}
                of="lining"
                key_="pleat"
                label="Centre back pleat, in all"
                least={0}
                most={60}
                help="{25–40 mm} in a coat, half of it on each side of the back; none in a bodice or beside a zip."
              />
              {d.w.computed.shell.some(
                (p) => p.kind === 'back' && p.ring.some((e) => e.role === 'centre-back' && !e.onFold),
              ) && (
                <Length
                  d={d}
                  of="lining"
                  key_="pleatLength"
                  label="It goes down from the neck"
                  least={0}
                  most={800}
                  help="Then it runs out; 0 for all the way to the hem, or to the vent."
                />
              )}
            </>
          )}
        </>
      )}
    </>
  );
}

/** Whether the shell is gathered or pleated anywhere. */
const isFull = ({ w }: Deciding): boolean =>
  w.computed.shell.some((p) => p.lines.some((l) => l.kind === 'gather' || l.kind === 'pleat')) ||
  w.computed.seams.some((s) => s.group === 'shell' && s.easeOf === 'gather');

/** Which parts are lined. */
function LiningParts(d: Deciding) {
  const l = d.w.doc.decisions.lining;
  const has = (kind: Piece['kind']): boolean => d.w.computed.shell.some((p) => p.kind === kind);
  return (
    <>
      {l.body && has('front') && has('back') && (
        <Ask
          question="The fronts"
          value={l.fronts}
          answers={[
            ['lined', 'lined as the rest is'],
            ['double', 'cut twice, and the back only faced'],
          ]}
          onAnswer={(fronts) => d.set('lining', { fronts }, fronts === 'double' ? 'Fronts cut double' : 'Fronts lined')}
        />
      )}
      {isFull(d) && (
        <Ask
          question="Where the shell is gathered or pleated"
          value={l.fullness}
          answers={[
            ['kept', 'the lining is too'],
            ['out', 'the lining lies smooth: the fullness is folded out of it'],
          ]}
          onAnswer={(fullness) =>
            d.set('lining', { fullness }, fullness === 'out' ? 'Lining without gathers' : 'Lining gathered too')
          }
        />
      )}
      {has('sleeve') && (has('front') || has('back')) && (
        <>
          <Tick
            label="Line the body"
            checked={l.body}
            onTick={(body) => d.set('lining', { body }, body ? 'Body lined' : 'Body not lined')}
          />
          <Tick
            label="Line the sleeves"
            checked={l.sleeves}
            onTick={(sleeves) => d.set('lining', { sleeves }, sleeves ? 'Sleeves lined' : 'Sleeves not lined')}
          />
        </>
      )}
    </>
  );
}

/** A bodice has no pleat at the centre back, nor has a back with a zip in it, or one that is only faced. */
const hasBackPleat = (back: Piece, l: Decisions['lining']): boolean =>
  l.fronts === 'lined' &&
  (l.zip.length === 0 || l.zip.at !== 'centre-back') &&
  !back.ring.some((e) => e.role === 'waist');

/** Where a sleeve lining is set into the lining's own armhole. */
function SleeveLining(d: Deciding) {
  return (
    <>
      <Length
        d={d}
        of="lining"
        key_="raise"
        label="Raise the underarm"
        least={0}
        most={25}
        help="The seam allowance stands up there inside."
      />
      <Length d={d} of="lining" key_="out" label="Let out the underarm" least={0} most={15} />
      <Length
        d={d}
        of="lining"
        key_="capEase"
        label="Ease in the lining's sleeve cap"
        least={0}
        most={40}
        help="{10–20 mm} is usual."
      />
    </>
  );
}

/** What a lining does with darts, a zip, a skirt and an armhole without a sleeve. */
function LiningDetails(d: Deciding) {
  const l = d.w.doc.decisions.lining;
  const s = shellOf(d);
  return (
    <>
      {!s.has('sleeve') && s.edge('armhole', 'front', 'back') && (
        <Length d={d} of="lining" key_="smaller" label="Armhole of the lining smaller by" least={0} most={6} />
      )}
      {s.has('skirt-front', 'skirt-back') && (
        <Tick
          label="Line the skirt too"
          checked={l.skirt}
          onTick={(skirt) => d.set('lining', { skirt }, skirt ? 'Skirt lined' : 'Skirt not lined')}
        />
      )}
      {s.darts && (
        <Ask
          question="Darts in the lining are"
          value={l.darts}
          answers={[
            ['sewn', 'sewn as in the shell'],
            ['pleats', 'laid as soft pleats'],
          ]}
          onAnswer={(darts) =>
            d.set('lining', { darts }, darts === 'sewn' ? 'Lining darts sewn' : 'Lining darts as pleats')
          }
        />
      )}
      {s.seamed('pocket') && (
        <Ask
          question="Pockets grown on to a seam"
          value={l.pockets}
          answers={[
            ['out', 'left out of the lining'],
            ['kept', 'kept in the lining'],
          ]}
          onAnswer={(pockets) =>
            d.set('lining', { pockets }, pockets === 'out' ? 'Pockets left out of the lining' : 'Pockets in the lining')
          }
        />
      )}
      <OpenSeams {...d} />
    </>
  );
}
