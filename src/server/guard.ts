import { type MiddlewareHandler } from 'hono';
import { isUnfit } from '../core/text.ts';
import { problem } from './problem.ts';

const CSP = [
  "default-src 'self'",
  "script-src 'self'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self'",
  "connect-src 'self'",
  "worker-src 'self' blob:",
  "object-src 'none'",
  "frame-ancestors 'none'",
  "base-uri 'none'",
  "form-action 'self'",
].join('; ');

const hostName = (host: string): string =>
  host
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')
    .toLowerCase();

const HEADERS: [string, string][] = [
  ['content-security-policy', CSP],
  ['x-content-type-options', 'nosniff'],
  ['x-frame-options', 'DENY'],
  ['referrer-policy', 'no-referrer'],
  ['cross-origin-resource-policy', 'same-origin'],
  ['cross-origin-opener-policy', 'same-origin'],
  ['permissions-policy', 'camera=(), microphone=(), geolocation=()'],
];

/** Every answer, refusals and errors too, carries these; what the interface over HTTP says is kept by no cache. */
export function headers(): MiddlewareHandler {
  return async (c, next) => {
    await next();
    for (const [name, value] of HEADERS) c.header(name, value);
    if (c.req.path.startsWith('/api/')) c.header('cache-control', 'no-store');
  };
}

/** Only addresses that are text. */
function readable(url: string): boolean {
  try {
    return !isUnfit(decodeURIComponent(url));
  } catch {
    return false;
  }
}

/** Only requests addressed to one of our own names, and from our own pages, get in: no rebinding, no foreign forms. */
export function guard(names: string[]): MiddlewareHandler {
  const allowed = new Set(names.map((n) => n.toLowerCase()));
  return async (c, next) => {
    const host = c.req.header('host') ?? '';
    if (!allowed.has(hostName(host))) return problem(c, 403, 'host', 'This address is not one Woodbine answers to.');
    const origin = c.req.header('origin');
    if (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`) {
      return problem(c, 403, 'origin', 'Requests from other pages are not answered.');
    }
    if (c.req.header('sec-fetch-site') === 'cross-site')
      return problem(c, 403, 'origin', 'Requests from other pages are not answered.');
    if (!readable(c.req.url.replace(/^[^/]*\/\/[^/]*/, '')))
      return problem(c, 400, 'address', 'The address holds characters that are no text.');
    return next();
  };
}

/** A body has to say what it is: JSON, or a multipart form where a file is sent. */
export function contentType(): MiddlewareHandler {
  return async (c, next) => {
    if (['POST', 'PATCH', 'PUT'].includes(c.req.method)) {
      const type = (c.req.header('content-type') ?? '').split(';')[0]?.trim().toLowerCase();
      const length = c.req.header('content-length');
      const empty = type === '' && (length === undefined || length === '0') && !c.req.header('transfer-encoding');
      const zip = type === 'application/zip' && c.req.path === '/api/backups/brought';
      if (!empty && !zip && type !== 'application/json' && type !== 'multipart/form-data') {
        return problem(c, 415, 'content-type', 'Send JSON, or a form with a file.');
      }
    }
    await next();
    return undefined;
  };
}
