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

const isSent = (b: object): b is Sent => 'file' in b;

function formOf({ file, name, fields = {} }: Sent): FormData {
  const form = new FormData();
  form.set('file', new File([file as string], name));
  for (const [key, value] of Object.entries(fields)) form.set(key, value);
  return form;
}

/** Asks a server as a script would. `body`: JSON as a value or as text, or a file. */
export const asks =
  (url: string) =>
  async (method: string, path: string, body?: object | string): Promise<Answer> => {
    const json = typeof body === 'string' || (body && !isSent(body));
    const answer = await fetch(url + path, {
      method,
      ...(json && { headers: { 'content-type': 'application/json' } }),
      ...(body !== undefined && {
        body: typeof body === 'string' ? body : isSent(body) ? formOf(body) : JSON.stringify(body),
      }),
    });
    const text = await answer.text();
    const isJson = answer.headers.get('content-type')?.includes('json');
    return { status: answer.status, text, json: isJson ? JSON.parse(text) : null };
  };
