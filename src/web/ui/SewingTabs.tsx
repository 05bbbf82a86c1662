import { useNavigate } from 'react-router';
import { Tabs } from './Tabs.tsx';

/** The way from one page of the sewing to the other. */
export function SewingTabs({ id, at }: { id: string; at: 'now' | 'calendar' | 'notebook' }) {
  const go = useNavigate();
  return (
    <Tabs
      words="Pages of the sewing"
      tabs={[
        ['now', 'Now'],
        ['calendar', 'Calendar'],
        ['notebook', 'Notebook'],
      ]}
      at={at}
      onTab={(t) => void go(`/project/${id}/sewing${t === 'now' ? '' : `/${t}`}`)}
    />
  );
}
