import type { ReactNode } from 'react';
import { Sides } from './Sides.tsx';
import { inWords } from './setting.ts';
import type { SettingHere } from './use-setting.ts';

interface Props {
  here: 'flow' | 'hammer';
  of: Pick<SettingHere, 'setting' | 'appliances' | 'isWaiting' | 'back'>;
  /** What is asked, at the side; on a phone under what it comes to. */
  fields: ReactNode;
  /** What stands against an answer, in words. */
  wrong: string;
  children: ReactNode;
}

/** The sheet that flow and hammer share: what is asked beside what it comes to. */
export function LineSheet({ here, of: { setting, appliances, isWaiting, back }, fields, wrong, children }: Props) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <div className="lg:col-span-2">
        <Sides {...{ here, setting, appliances }} />
      </div>
      <div className="grid content-start gap-4 max-lg:order-2 print:hidden">{fields}</div>
      <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-5">
        {back && (
          <p>
            <a href={back}>Back to the run</a>
          </p>
        )}
        {isWaiting && <p role="status">The chain’s parts are on their way.</p>}
        {wrong && !isWaiting && (
          <p className="caution" role="alert">
            {inWords(wrong)}
          </p>
        )}
        {children}
      </div>
    </div>
  );
}
