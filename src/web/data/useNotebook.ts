import { type Written } from '../../core/bench/index.ts';
import { useAsked } from './client.ts';
import { useAgain } from './useAgain.ts';
import { type Workbook } from './useProject.ts';

const NONE: Written[] = [];

/** All entries of all notebooks, this project's as they stand here. */
export function useNotebook(w: Workbook): Written[] {
  const { data, mutate } = useAsked('GET /api/notebook', {});
  const { notebook } = w.doc.decisions;
  useAgain(notebook, () => void mutate());
  const others = data?.entries.filter((e) => e.project !== w.id) ?? NONE;
  const { name, garment, shell } = w.doc;
  const about = { project: w.id, name, garment, pattern: shell?.fileName ?? '' };
  const own = notebook.map((entry): Written => ({ ...about, entry }));
  return [...own, ...others];
}
