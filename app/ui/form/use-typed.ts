import { useEffect, useRef, useState } from 'react';

/**
 * What is typed in a field whose text is kept elsewhere. What is taken back, or comes from another device, takes its place; what is being typed
 * and is not kept yet stays.
 */
export function useTyped(kept: string): [text: string, setText: (text: string) => void] {
  const [text, setText] = useState(kept);
  const before = useRef(kept);
  useEffect(() => {
    const was = before.current;
    before.current = kept;
    setText((typed) => (typed === was ? kept : typed));
  }, [kept]);
  return [text, setText];
}
