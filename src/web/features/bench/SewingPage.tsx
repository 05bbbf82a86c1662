import { type ReactNode } from 'react';
import { usePartNames } from '../../data/usePartNames.ts';
import { usePlan } from '../../data/usePlan.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Empty, Page } from '../../ui/Page.tsx';
import { SewingTabs } from '../../ui/SewingTabs.tsx';
import { Now } from './Now.tsx';
import { SewingCalendar } from './SewingCalendar.tsx';
import { type Sewing } from './sewing.ts';

type SewingView = 'now' | 'calendar';

const QUESTIONS: Record<SewingView, string> = {
  now: 'What do I do now?',
  calendar: 'When is it done?',
};

/** Where she stopped and what is next, or when it is done: what the plan is at the machine. */
export function SewingPage({ w, view }: { w: Workbook; view: SewingView }) {
  const { plan } = usePlan(w);
  const names = usePartNames(plan, w);
  const question = QUESTIONS[view];
  if (!w.computed.shell.length)
    return (
      <Page question={question}>
        <Empty title="Nothing to sew yet">The steps follow from the pieces. Put the pattern in first.</Empty>
      </Page>
    );
  if (!plan?.ok)
    return (
      <Page question={question}>
        <Empty title={plan ? 'There is no order of making yet' : 'Working out the order …'}>
          {plan ? 'The page of the order says what is in its way.' : 'It takes a moment.'}
        </Empty>
      </Page>
    );
  const p: Sewing = { w, plan: plan.value, names };
  const tabs: ReactNode = <SewingTabs id={w.id} at={view} />;
  return view === 'now' ? (
    <Now p={p} question={question} tabs={tabs} />
  ) : (
    <SewingCalendar p={p} question={question} tabs={tabs} />
  );
}
