/** Errors as the web wants them: problem details (RFC 9457), worded for the user, with the remedy. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  /** Where in the request it is. */
  at?: string;
}

/** @param at the field that is to blame; what is the caller's fault always has one */
export function problem(status: number, rule: string, title: string, detail: string, at?: string): Response {
  const body: Problem = { type: `/problems/${rule}`, title, status, detail, ...(at ? { at } : {}) };
  return new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/problem+json' } });
}

export function json(body: unknown, headers: Record<string, string> = {}): Response {
  return new Response(JSON.stringify(body), { headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...headers } });
}
