import { describe, expect, test } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import sharp from 'sharp';
import { serving } from '../../test/api.ts';
import { takePicture } from './picture.ts';
import { kindOf } from './strip.ts';

const { ask, app } = serving('pictures');

/** A picture with something in it, and written beside it where it was taken. */
const taken = (format: 'jpeg' | 'png' | 'webp', orientation = 6): Promise<Buffer> =>
  sharp({ create: { width: 90, height: 60, channels: 3, background: '#7a9' }, limitInputPixels: 1e6 })
    .withExif({
      IFD0: { Make: 'Secretcam', Orientation: String(orientation) },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1', GPSLongitudeRef: 'E', GPSLongitude: '0/1 7/1 0/1' },
    })
    .withMetadata({ orientation })
    .toFormat(format, { progressive: format === 'jpeg' })
    .toBuffer();
const drawn = (b: Uint8Array): Promise<Buffer> => sharp(b).raw().toBuffer();

describe('pictures of the notebook', () => {
  test.each(['jpeg', 'png', 'webp'] as const)(
    'a %s keeps every bit of what is drawn, and nothing of where it was taken; the way up it is held stays',
    async (format) => {
      const sent = await taken(format);
      expect((await sharp(sent).metadata()).exif?.toString('latin1')).toContain('Secretcam');
      const got = await takePicture(sent);
      if ('refused' in got) throw new Error(got.refused);
      expect(kindOf(got.bytes)).toBe(format);
      expect(Buffer.compare(await drawn(got.bytes), await drawn(sent))).toBe(0);
      const read = await sharp(got.bytes).metadata();
      expect([read.width, read.height]).toEqual([90, 60]);
      const text = Buffer.from(got.bytes).toString('latin1');
      for (const secret of ['Secretcam', 'GPS', 'http://ns.adobe.com/xap']) expect(text).not.toContain(secret);
      if (format === 'jpeg') expect(read.orientation).toBe(6);
      // What was cleaned once is clean.
      const again = await takePicture(got.bytes);
      expect('bytes' in again && Buffer.compare(again.bytes, got.bytes)).toBe(0);
    },
  );

  test('what breaks off or is none is refused in words, wherever it breaks off; a film behind a picture is left behind', async () => {
    for (const format of ['jpeg', 'png', 'webp'] as const) {
      const whole = await taken(format);
      for (const share of [0.02, 0.1, 0.4, 0.7, 0.97]) {
        const got = await takePicture(whole.subarray(0, Math.floor(whole.length * share)));
        expect([format, share, 'refused' in got]).toEqual([format, share, true]);
      }
    }
    const film = Buffer.concat([await taken('jpeg'), Buffer.from('ftypmp4 with a place in it')]);
    const got = await takePicture(film);
    expect('bytes' in got && Buffer.from(got.bytes).includes('ftypmp4')).toBe(false);
    for (const none of ['', '<svg xmlns="http://www.w3.org/2000/svg"/>', 'GIF89a'])
      expect(await takePicture(Buffer.from(none))).toEqual({ refused: expect.stringContaining('no picture') });
    expect(await takePicture(new Uint8Array(26 * 1024 * 1024))).toEqual({ refused: expect.stringContaining('25 MB') });
  });

  test('an entry with its picture: written, shown small, taken away as Markdown; nothing is half kept', async () => {
    const { id } = (await ask('POST', '/api/projects', { name: 'Apron', garment: 'other' })).json;
    const send = (entry: string, picture?: Uint8Array) => {
      const form = new FormData();
      form.set('entry', entry);
      if (picture) form.set('picture', new Blob([picture as Uint8Array<ArrayBuffer>]), '../../x.jpg');
      return ask('POST', `/api/projects/${id}/entries`, form);
    };
    const sample = {
      kind: 'fusing',
      step: 'sew:gone',
      seam: 'shell-cap',
      words: 'Held *well*',
      figures: { heat: 140, seconds: 12, result: 'no bubbles' },
    };
    const kept = await send(JSON.stringify(sample), await taken('jpeg'));
    expect([kept.status, kept.json.entry.pictures.length]).toEqual([201, 1]);
    for (const [entry, picture, status] of [
      ['{', undefined, 400],
      ['{"kind":"song"}', undefined, 422],
      ['{}', undefined, 422],
      [JSON.stringify({ words: 'x', figures: { heat: 1e9 } }), undefined, 422],
      [JSON.stringify(sample), Buffer.from('no picture'), 422],
    ] as const)
      expect((await send(entry, picture)).status).toBe(status);
    expect((await ask('GET', `/api/projects/${id}/entries`)).json.entries).toEqual([kept.json.entry]);
    const picture = kept.json.entry.pictures[0];
    const get = (path: string) =>
      app().request(`http://127.0.0.1/api/projects/${id}/${path}`, { headers: { host: '127.0.0.1' } });
    const small = await get(`pictures/${picture}?size=small`);
    expect(small.headers.get('content-type')).toBe('image/jpeg');
    // Held on its side it is shown upright.
    expect(await sharp(Buffer.from(await small.arrayBuffer())).metadata()).toMatchObject({ width: 60, height: 90 });
    expect((await get('pictures/nothing')).status).toBe(404);
    const zip = unzipSync(new Uint8Array(await (await get('export/notebook.zip')).arrayBuffer()));
    expect(Object.keys(zip).sort()).toEqual(['notebook.md', `pictures/${picture}.jpg`]);
    const text = strFromU8(zip['notebook.md'] as Uint8Array);
    expect(text).toContain('Held \\*well\\*');
    expect(text).toContain('About sew: gone, the seam “shell cap”.');
    expect(text).toContain('- heat: 140 °C');
    expect(text).toContain(`](pictures/${picture}.jpg)`);
  });
});
