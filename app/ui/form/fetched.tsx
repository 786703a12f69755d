import { type ComponentType, useEffect, useState } from 'react';

interface Part<P> {
  /** For the words: 'This stage'. */
  what: string;
  load: () => Promise<{ default: ComponentType<P> }>;
  /** Once it is here. */
  known: ComponentType<P> | null;
}

/**
 * A part of a screen that is fetched when it is first asked for; kept for use without a connection like every file of the program. Where it cannot
 * be had, it says so, and the rest of the screen stays.
 */
export function fetched<P extends object>(what: string, load: Part<P>['load']): ComponentType<P> {
  const part: Part<P> = { what, load, known: null };
  return (props) => <Fetched part={part} props={props} />;
}

function Fetched<P extends object>({ part, props }: { part: Part<P>; props: P }) {
  const [Here, setHere] = useState<ComponentType<P> | null>(() => part.known);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    if (part.known) return;
    let isShown = true;
    part.load().then(
      (module) => {
        part.known = module.default;
        if (isShown) setHere(() => module.default);
      },
      () => isShown && setFailed(true),
    );
    return () => {
      isShown = false;
    };
  }, [part]);
  if (Here) return <Here {...props} />;
  if (!failed) return <p aria-busy="true">One moment ...</p>;
  return (
    <div role="alert">
      <p className="caution">{part.what} could not be fetched: is there a connection? Nothing entered is lost.</p>
      <button type="button" className="key mt-2" onClick={() => location.reload()}>
        Try again
      </button>
    </div>
  );
}
