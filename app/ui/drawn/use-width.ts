import { useCallback, useState } from 'react';

/** How wide an element stands, px, for a drawing that is laid out by it; `first` until it is on the page. */
export function useWidth(first: number): [ref: (element: Element | null) => (() => void) | undefined, width: number] {
  const [width, setWidth] = useState(first);
  const ref = useCallback((element: Element | null) => {
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => setWidth(Math.round(entry!.contentRect.width)));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [ref, width];
}
