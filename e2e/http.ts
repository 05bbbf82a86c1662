export interface Answer {
  status: number;
  text: string;
  // biome-ignore lint/suspicious/noExplicitAny: whatever was answered; the tests look at it.
  json: any;
}

/** A file to be sent as an upload, with the other fields of its form. */
export interface Sent {
  file: string | Uint8Array;
  name: string;
  fields?: Record<string, string>;
}

/** Bytes as they are. */
export interface Raw {
  bytes: Uint8Array;
}

type Body = string | object | Sent | Raw;

/** What goes over the line of it, and as what. */
function goes(body: Body): { body: string | FormData | Blob; headers?: Record<string, string> } {
  if (typeof body === 'object' && 'file' in body) return { body: formOf(body as Sent) };
  if (typeof body === 'object' && 'bytes' in body)
    return {
      body: new Blob([(body as Raw).bytes as Uint8Array<ArrayBuffer>]),
      headers: { 'content-type': 'application/zip' },
    };
  return {
    body: typeof body === 'string' ? body : JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  };
}

function formOf({ file, name, fields = {} }: Sent): FormData {
  const form = new FormData();
  form.set('file', new File([file as string], name));
  for (const [key, value] of Object.entries(fields)) form.set(key, value);
  return form;
}

/** Asks a server as a script would. `body`: JSON as a value or as text, or a file, or bytes. */
export const asks =
  (url: string) =>
  async (method: string, path: string, body?: Body): Promise<Answer> => {
    const answer = await fetch(url + path, { method, ...(body !== undefined && goes(body)) });
    const text = await answer.text();
    const isJson = answer.headers.get('content-type')?.includes('json');
    return { status: answer.status, text, json: isJson ? JSON.parse(text) : null };
  };
