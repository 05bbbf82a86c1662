import { Text } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { type PanelEdge } from '../../../core/garment/index.ts';
import { seamFits, type WalkedSeam } from '../../../core/pattern/index.ts';
import { inUnit } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { AllWell, Findings } from '../../ui/Notes.tsx';
import { Empty, Page } from '../../ui/Page.tsx';
import { EdgeFate, useJoining } from './EdgeFate.tsx';
import { OpenedView } from './OpenedView.tsx';
import { SeamGroups } from './SeamGroups.tsx';

/** What is wrong in the pattern itself beside seams of unlike length. */
const FAULTS = new Set([
  ...['seam-kink', 'notches-apart', 'dart-legs', 'edges-alone', 'joins-lost'],
  ...[
    'cap-not-lifted',
    'cap-not-deepened',
    'neck-narrow',
    'waist-closed',
    'cut-in',
    'opening-crosses',
    'opening-small',
  ],
]);

const takesPart = (s: WalkedSeam, e: PanelEdge): boolean =>
  [...s.a, ...s.b].some((x) => x.piece === e.piece && x.edge === e.edge);

/** Will it go together? Every seam walked on both sides. */
export function Seams({ w }: { w: Workbook }) {
  const { seams, surface } = w.computed;
  // The seam that is looked at is in the address: it stays on reload, and the finder leads to it.
  const [asked, setAsked] = useSearchParams();
  const chosen = asked.get('seam');
  const setChosen = (id: string): void => setAsked({ seam: id }, { replace: true });
  const seam = seams.find((s) => s.id === chosen) ?? seams.find((s) => !seamFits(s)) ?? seams[0];
  const lit = useMemo(
    () => new Set([...(seam?.a ?? []), ...(seam?.b ?? [])].map((s) => `${s.piece}/${s.edge}`)),
    [seam],
  );
  const [picked, setPicked] = useState<string | null>(null);
  const joining = useJoining(w);
  if (!seams.length) {
    return (
      <Page question="Will it go together?">
        <Empty title="No seams yet">
          Seams follow from the edges: name a front, a back and a sleeve on the first page, and both sides of each seam
          are measured here.
        </Empty>
      </Page>
    );
  }
  const edge = picked === null ? undefined : surface.edges.get(picked);
  const onEdge = (e: PanelEdge): void => {
    if (joining.on && edge) {
      joining.join(edge, e);
      return;
    }
    setPicked(e.key);
    const its = seams.find((s) => takesPart(s, e));
    if (its) setChosen(its.id);
  };
  const fate = edge && <EdgeFate key={edge.key} w={w} edge={edge} joining={joining} />;
  const within = edge && seam && takesPart(seam, edge);
  const off = seams.filter((s) => !seamFits(s));
  return (
    <Page
      question="Will it go together?"
      lead={inUnit(
        'Both sides of every seam, walked along the seam line from end to end. Up to {1.5 mm} passes.',
        w.doc.units,
      )}
      side={
        <>
          {off.length === 0 ? (
            <AllWell words={`All ${seams.length} seams go together.`} />
          ) : (
            <Text color="berry" fontWeight="650" mb="2">
              {off.length} of {seams.length} seams do not fit yet.
            </Text>
          )}
          {!within && fate}
          <SeamGroups w={w} chosen={seam?.id} fate={within ? fate : null} onChoose={setChosen} />
          <Findings findings={w.computed.findings.filter((f) => FAULTS.has(f.code))} w={w} />
        </>
      }
    >
      <OpenedView w={w} lit={lit} seam={seam} picked={picked} onEdge={onEdge} />
    </Page>
  );
}
