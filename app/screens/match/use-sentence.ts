import { useEffect, useRef } from 'react';

/**
 * The bar at the head of every page, while the bench is open: what is typed there is read with every key, and stays there.
 *
 * @param text   the sentence as it stands
 * @param onText what was typed
 * @param onDone Enter, where the sentence is a question of fittings
 */
export function useSentence(text: string, onText: (text: string) => void, onDone: () => void): void {
  const latest = useRef({ onText, onDone });
  latest.current = { onText, onDone };
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was typed before is compared with the sentence as the page came
  useEffect(() => {
    const bar = document.querySelector<HTMLInputElement>('#quick');
    if (!bar) return;
    const typed = () => latest.current.onText(bar.value);
    const done = () => latest.current.onDone();
    // Typed before the page answered.
    if (bar.value.trim() !== '' && bar.value !== text) typed();
    bar.addEventListener('input', typed);
    document.addEventListener('answer-asked', done);
    return () => {
      bar.removeEventListener('input', typed);
      document.removeEventListener('answer-asked', done);
    };
  }, []);
  useEffect(() => {
    const bar = document.querySelector<HTMLInputElement>('#quick');
    if (bar && bar.value !== text && document.activeElement !== bar) bar.value = text;
  }, [text]);
}
