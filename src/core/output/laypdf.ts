import { type Sheet } from './items.ts';
import { LONGEST } from './longpdf.ts';
import { MARGIN } from './paper.ts';
import { beginPdf, datedTitle, drawItems, PT, type ToPage } from './pdfpage.ts';

/** Kept free above the cloth for what it is called, mm. */
const HEAD = 20;

/** `sheets`: as they lie, x across the cloth and y along it. */
type LayJob = Parameters<typeof beginPdf>[0] & { sheets: Sheet[]; size: { width: number; height: number } };

/** A lay at full size on one page, as large as the cloth that it takes; null where a PDF page cannot be so large. */
export async function layPdf(job: LayJob): Promise<Uint8Array | null> {
  const [wide, high] = [job.size.width + 2 * MARGIN, job.size.height + 2 * MARGIN + HEAD];
  if (Math.max(wide, high) > LONGEST) return null;
  const { doc, w } = await beginPdf(job);
  const page = doc.addPage([wide * PT, high * PT]);
  w.text(
    page,
    w.fit(datedTitle(job.title, job.now), 18, (wide - 2 * MARGIN) * PT),
    [MARGIN * PT, (high - MARGIN - 8) * PT],
    18,
  );
  const to: ToPage = (p) => [(p.x + MARGIN) * PT, (high - MARGIN - HEAD - p.y) * PT];
  for (const s of job.sheets) drawItems(page, s.items, to, w);
  return doc.save();
}
