import { useEffect, useState } from 'react';

/** Read before a screen writes its own state into the address. */
const atLoad = typeof location === 'undefined' ? '' : location.search;

const read = (params: URLSearchParams): Record<string, string> => Object.fromEntries([...params].map(([k, v]) => [k, v.slice(0, 1000)]));

/** What the address asks, by name. A page kept for use without a connection was made for another address: there it is read once the page stands. */
export function useAddress(made: Record<string, string>): Record<string, string> {
  const [asked, setAsked] = useState(made);
  useEffect(() => {
    const now = read(new URLSearchParams(atLoad));
    setAsked((before) => (JSON.stringify(before) === JSON.stringify(now) ? before : now));
  }, []);
  return asked;
}

/** The same on the server. */
export const addressOf = (url: URL): Record<string, string> => read(url.searchParams);
