import { type OpenedScreen, opened } from '../ui/opened.tsx';

export const Bench = opened(() => import('../features/bench/Bench.tsx'), 'Bench');
export const Buttons = opened(() => import('../features/closure/Buttons.tsx'), 'Buttons');
export const ClosingSheet = opened(() => import('../features/closure/ClosingSheet.tsx'), 'ClosingSheet');
export const CalendarSheet = opened(() => import('../features/bench/CalendarSheet.tsx'), 'CalendarSheet');
export const Cutting = opened(() => import('../features/cutting/Cutting.tsx'), 'Cutting');
export const LaySheet = opened(() => import('../features/cutting/LaySheet.tsx'), 'LaySheet');
export const BuySheet = opened(() => import('../features/cutting/BuySheet.tsx'), 'BuySheet');
export const HistoryPage = opened(() => import('../features/history/History.tsx'), 'HistoryPage');
export const Inside = opened(() => import('../features/drafting/Inside.tsx'), 'Inside');
export const Notebook = opened(() => import('../features/notebook/Notebook.tsx'), 'Notebook');
export const NotebookSheet = opened(() => import('../features/notebook/NotebookSheet.tsx'), 'NotebookSheet');
export const Paper = opened(() => import('../features/paper/Paper.tsx'), 'Paper');
export const Pattern = opened(() => import('../features/pattern/Pattern.tsx'), 'Pattern');
export const PlanPage = opened(() => import('../features/plan/Plan.tsx'), 'PlanPage');
export const PlanSheet = opened(() => import('../features/plan/PlanSheet.tsx'), 'PlanSheet');
export const Seams = opened(() => import('../features/seams/Seams.tsx'), 'Seams');
export const SewingPage = opened(() => import('../features/bench/SewingPage.tsx'), 'SewingPage');
export const StashPage = opened(() => import('../features/stash/StashPage.tsx'), 'StashPage');
export const TrimPage = opened(() => import('../features/pattern/TrimPage.tsx'), 'TrimPage');

/** Screens of a project, by how their addresses begin. */
const BY_PATH: readonly (readonly [string, OpenedScreen<never>])[] = [
  ['bench', Bench],
  ['buttons/sheet', ClosingSheet],
  ['buttons', Buttons],
  ['plan/sheet', PlanSheet],
  ['plan', PlanPage],
  ['pattern/trim', TrimPage],
  ['pattern', Pattern],
  ['seams', Seams],
  ['cutting/sheet', LaySheet],
  ['cutting/buy', BuySheet],
  ['cutting', Cutting],
  ['paper', Paper],
  ['sewing/calendar/sheet', CalendarSheet],
  ['sewing/notebook/sheet', NotebookSheet],
  ['sewing/notebook', Notebook],
  ['sewing', SewingPage],
  ['stash', StashPage],
  ['history', HistoryPage],
  ['inside', Inside],
];

/** Fetches a screen of a project before it is opened. */
export const fetchScreen = (path: string): Promise<unknown> | undefined =>
  BY_PATH.find(([p]) => path.startsWith(p))?.[1].load();
