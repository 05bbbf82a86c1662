import { deflateSync } from 'node:zlib';
import { expect, test } from '@jest/globals';
import { decodePDFRawStream, type PDFDict, PDFDocument, PDFName, PDFRawStream, type PDFRef } from 'pdf-lib';
import { readPieces, textOf } from './read.ts';

const drawing = (name: string, declared = ''): string =>
  `${declared}<svg xmlns="http://www.w3.org/2000/svg" width="500mm" height="500mm" viewBox="0 0 500 500"><g id="${name}"><path d="M0 0H300V400H0Z"/></g></svg>`;
const read = (bytes: Uint8Array, name = 'a') => readPieces({ name, bytes, unit: undefined, choices: {} });
const codes = async (bytes: Uint8Array, name?: string): Promise<string[]> => {
  const r = await read(bytes, name);
  return r.ok ? ['read'] : r.findings.map((f) => f.code);
};

// XML 1.0, section 4.3.3 and appendix F: the declaration, or the first bytes, say how the letters are written.
test('names are read in the encoding a drawing declares or shows', async () => {
  const latin = Buffer.from(drawing('Jupe côté', '<?xml version="1.0" encoding="ISO-8859-1"?>'), 'latin1');
  const wide = Buffer.from(drawing('Spódnica', '<?xml version="1.0" encoding="utf-16"?>'), 'utf16le');
  const cyrillic = Buffer.from(drawing('~~~~', '<?xml version="1.0" encoding="windows-1251"?>'), 'latin1');
  for (let at = cyrillic.indexOf('~'), i = 0; i < 4; i++) cyrillic[at + i] = [0xfe, 0xe1, 0xea, 0xe0][i] as number;
  const named = async (b: Uint8Array): Promise<string> => {
    const r = await read(b);
    return r.ok ? (r.value.pieces[0]?.name ?? '') : JSON.stringify(r.findings);
  };
  expect(await named(latin)).toBe('Jupe côté');
  expect(await named(wide)).toBe('Spódnica');
  expect(await named(cyrillic)).toBe('Юбка');
  expect(await named(Buffer.from(drawing('Jupe été'), 'latin1'))).toBe('Jupe été');
  expect(textOf(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]))).toBeNull();
});

test('a reference to no character is refused, with its line', async () => {
  const r = await read(Buffer.from(drawing('x').replace('id="x"', 'id="a&#x00;b"')));
  expect(r.ok ? [] : r.findings).toEqual([
    expect.objectContaining({ code: 'xml-broken', data: expect.objectContaining({ line: 1 }) }),
  ]);
});

async function packed(times: number, mb: number): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  const page = doc.addPage([600, 800]);
  let data: Uint8Array = Buffer.alloc(mb << 20, '0 0 m 9 9 l S\n');
  for (let i = 0; i < times; i++) data = deflateSync(data);
  const dict = doc.context.obj({ Filter: Array.from({ length: times }, () => PDFName.of('FlateDecode')) });
  page.node.set(PDFName.of('Contents'), doc.context.register(PDFRawStream.of(dict, data)));
  return doc.save({ useObjectStreams: false });
}

/** Forms that each draw the one before so many times, on one page. */
async function nested(levels: number, times: number): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  const page = doc.addPage([600, 800]);
  let inner: PDFRef | null = null;
  for (let i = 0; i < levels; i++) {
    const commands = inner ? Array(times).fill('q 1 0 0 1 1 1 cm /F Do Q').join(' ') : '9 9 300 400 re S';
    const dict: PDFDict = doc.context.obj({ Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 600, 800] });
    if (inner) dict.set(PDFName.of('Resources'), doc.context.obj({ XObject: { F: inner } }));
    inner = doc.context.register(PDFRawStream.of(dict, deflated(dict, commands)));
  }
  page.node.setXObject(PDFName.of('F'), inner as PDFRef);
  page.node.set(PDFName.of('Contents'), doc.context.register(doc.context.stream('/F Do')));
  return doc.save();
}
const deflated = (dict: PDFDict, commands: string): Uint8Array => {
  dict.set(PDFName.of('Filter'), PDFName.of('FlateDecode'));
  return deflateSync(Buffer.from(commands));
};

test('forms that draw forms are counted as often as they are drawn, before anything is drawn', async () => {
  expect(await codes(await nested(9, 10), 'a.pdf')).toEqual(['pdf-too-heavy']);
  expect(await codes(await nested(3, 2), 'a.pdf')).not.toContain('pdf-too-heavy');
});

/** LZW of blanks: after a clearing code the strings grow by one each, 1 + 2 + 3 … bytes (ISO 32000-1, 7.4.4). */
function lzwOfBlanks(tables: number): { bytes: Uint8Array; unpacked: number } {
  const bits: string[] = [];
  let unpacked = 0;
  const put = (code: number, next: number): number =>
    bits.push(code.toString(2).padStart(Math.max(9, Math.floor(Math.log2(next + 1)) + 1), '0'));
  for (let t = 0; t < tables; t++) {
    put(256, t ? 4094 : 258);
    for (let k = 1; k <= 3836; k++) {
      // The table lags one string behind what is written.
      put(k === 1 ? 32 : 256 + k, 256 + Math.max(2, k));
      unpacked += k;
    }
  }
  const all = bits.join('');
  const bytes = Uint8Array.from({ length: Math.ceil(all.length / 8) }, (_, i) =>
    Number.parseInt(all.slice(8 * i, 8 * i + 8).padEnd(8, '0'), 2),
  );
  return { bytes, unpacked };
}

test('the older way of packing is counted as well', async () => {
  const pdf = async (tables: number): Promise<Uint8Array> => {
    const doc = await PDFDocument.create();
    const dict = doc.context.obj({ Filter: 'LZWDecode' });
    const stream = PDFRawStream.of(dict, lzwOfBlanks(tables).bytes);
    doc.addPage([600, 800]).node.set(PDFName.of('Contents'), doc.context.register(stream));
    return doc.save({ useObjectStreams: false });
  };
  // Another library unpacks it to as many blanks as are counted by hand (its buffer ends in zeros).
  const one = lzwOfBlanks(1);
  const dict = (await PDFDocument.create()).context.obj({ Filter: 'LZWDecode' });
  const blanks = decodePDFRawStream(PDFRawStream.of(dict, one.bytes)).decode().indexOf(0);
  expect(blanks).toBe(one.unpacked);
  expect(await codes(await pdf(12), 'a.pdf')).toEqual(['pdf-too-heavy']);
  expect(await codes(await pdf(1), 'a.pdf')).not.toContain('pdf-too-heavy');
});

test('a PDF that unpacks to more than any pattern holds is refused before it is opened', async () => {
  const bombs = await Promise.all([packed(1, 80), packed(2, 80), packed(1, 6)]);
  for (const b of bombs) {
    expect(b.length).toBeLessThan(1 << 20);
    expect(await codes(b, 'a.pdf')).toEqual(['pdf-too-heavy']);
  }
});
