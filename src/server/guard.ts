import { type MiddlewareHandler } from 'hono';
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
    await next();
    c.header('content-security-policy', CSP);
    c.header('x-content-type-options', 'nosniff');
    c.header('referrer-policy', 'no-referrer');
    c.header('cross-origin-resource-policy', 'same-origin');
    return undefined;
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
