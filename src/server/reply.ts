import { type Context } from 'hono';
import { type Answer, ROUTES, type Route, type RouteKey } from '../contract/index.ts';

/** Answers as the contract says: its shape is checked by the compiler, its status comes from there. */
export function reply<K extends RouteKey>(c: Context, route: K, answer: Answer<K>): Response {
  const { ok }: Route = ROUTES[route];
  return c.json(answer as unknown as object, ok ?? 200);
}
