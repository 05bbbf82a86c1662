import { inflateSync } from 'node:zlib';
import { PDFArray, type PDFContext, PDFDict, PDFDocument, PDFName, PDFRawStream } from 'pdf-lib';

/** What a page may draw in all, every form counted as often as it is called, bytes. */
const MOST_DRAWN = 64 << 20;
/** Forms nest no deeper than this in any pattern; what does is drawn no further. */
const DEEPEST = 40;

const name = (n: string): PDFName => PDFName.of(n);

/** The drawing commands of a stream; empty where they are packed in a way that is not looked into here. */
function commandsOf(s: PDFRawStream): string {
  const filter = String(s.dict.get(name('Filter')) ?? '');
  if (filter && !/^\[?\s*\/(?:FlateDecode|Fl)\s*\]?$/.test(filter)) return '';
  try {
    const bytes = filter ? inflateSync(s.contents, { maxOutputLength: MOST_DRAWN }) : s.contents;
    return Buffer.from(bytes).toString('latin1');
  } catch {
    return '';
  }
}

/** How often each named form or picture is drawn. */
function calls(commands: string): Map<string, number> {
  const out = new Map<string, number>();
  for (const m of commands.matchAll(/\/([^\s/<>[\]()]+)\s+Do\b/g))
    out.set(m[1] as string, (out.get(m[1] as string) ?? 0) + 1);
  return out;
}

/** Bytes of commands that drawing some streams comes to, forms within forms included. Known forms are looked up. */
class Scale {
  private known = new Map<PDFRawStream, number>();
  constructor(private context: PDFContext) {}

  weigh(streams: PDFRawStream[], resources: PDFDict | undefined, depth = 0): number {
    const commands = streams.map(commandsOf).join('\n');
    const held = resources?.lookupMaybe(name('XObject'), PDFDict);
    let sum = commands.length;
    for (const [called, times] of held && depth < DEEPEST ? calls(commands) : []) {
      const form = held?.lookup(name(called));
      if (form instanceof PDFRawStream && this.isForm(form)) sum += times * this.form(form, resources, depth);
      if (sum > MOST_DRAWN) return sum;
    }
    return sum;
  }

  private isForm = (s: PDFRawStream): boolean => this.context.lookup(s.dict.get(name('Subtype'))) === name('Form');

  private form(s: PDFRawStream, outer: PDFDict | undefined, depth: number): number {
    const had = this.known.get(s);
    if (had !== undefined) return had;
    // A form that calls itself is drawn by no reader.
    this.known.set(s, 0);
    const weight = this.weigh([s], s.dict.lookupMaybe(name('Resources'), PDFDict) ?? outer, depth + 1);
    this.known.set(s, weight);
    return weight;
  }
}

/**
 * Whether forms that draw forms come to more than any pattern draws: ten forms that each call the one before ten times are
 * a few kilobytes and thousands of millions of lines. A file that is damaged or locked is left to who reads it.
 */
export async function drawsTooMuch(file: Uint8Array): Promise<boolean> {
  const raw = Buffer.from(file.buffer, file.byteOffset, file.byteLength);
  if (raw.indexOf('/Form') === raw.lastIndexOf('/Form')) return false;
  try {
    const doc = await PDFDocument.load(file, { updateMetadata: false, ignoreEncryption: true });
    const scale = new Scale(doc.context);
    return doc.getPages().some(({ node }) => {
      const contents = node.Contents();
      const parts = contents instanceof PDFArray ? contents.asArray().map((r) => doc.context.lookup(r)) : [contents];
      const streams = parts.filter((p): p is PDFRawStream => p instanceof PDFRawStream);
      return scale.weigh(streams, node.Resources()) > MOST_DRAWN;
    });
  } catch {
    return false;
  }
}
