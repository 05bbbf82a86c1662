import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';

const MM = 25.4 / 72;

export interface ReadPage {
  width: number;
  height: number;
  text: string;
  /** Its words by the left end of their baseline, and their size, mm. */
  words: { text: string; x: number; y: number; height: number }[];
  /** Subpaths as points in mm, y down from the page's top; curves by their control points. */
  runs: { x: number; y: number }[][];
}

/** The pages as another library reads them. Transforms are not used in our files but for state saving. */
export async function readPdf(bytes: Uint8Array): Promise<ReadPage[]> {
  const pdf = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
  const pages: ReadPage[] = [];
  for (let n = 1; n <= pdf.numPages; n++) {
    const page = await pdf.getPage(n);
    const { width, height } = page.getViewport({ scale: 1 });
    const ops = await page.getOperatorList();
    const runs: ReadPage['runs'] = [];
    ops.fnArray.forEach((fn, i) => {
      if (fn !== OPS.constructPath) return;
      const data = (ops.argsArray[i] as [number, [Float32Array | null]])[1][0];
      let run: ReadPage['runs'][number] = [];
      for (let k = 0; data && k < data.length; ) {
        const code = data[k++] as number;
        if (code === 0) {
          run = [];
          runs.push(run);
        }
        const count = code === 4 ? 0 : code === 2 ? 3 : 1;
        for (let j = 0; j < count; j++, k += 2)
          run.push({ x: (data[k] as number) * MM, y: (height - (data[k + 1] as number)) * MM });
      }
    });
    const words = (await page.getTextContent()).items.flatMap((t) => {
      if (!('str' in t)) return [];
      const [, , , , x, y] = t.transform as number[];
      return [{ text: t.str, x: (x as number) * MM, y: (height - (y as number)) * MM, height: t.height * MM }];
    });
    const text = words.map((t) => t.text).join(' ');
    pages.push({ width: width * MM, height: height * MM, text, words, runs });
  }
  return pages;
}
