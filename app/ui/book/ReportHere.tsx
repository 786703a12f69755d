import { type ComponentProps, useEffect, useState } from 'react';
import { sync } from '../../../sync/run.ts';
import { lastPress, onPress, type Press } from '../held/index.ts';
import { ReportCallback } from './ReportCallback.tsx';

/** On a page that the server made: read again once what was reported, or taken back, is with the server. */
export function ReportHere(props: ComponentProps<typeof ReportCallback>) {
  const { visitId, runId } = props;
  const [isChanged, setIsChanged] = useState(false);
  useEffect(() => {
    // A report that was made before this page came up is taken back on it.
    const look = () => setIsChanged((was) => was || isBackOf(lastPress(), runId));
    return onPress(look);
  }, [runId]);
  useEffect(() => {
    if (!isChanged) return;
    const look = () => {
      const { kept, waiting } = sync.standing;
      if (kept > 0 && waiting === 0) location.assign(`/ledger/${visitId}/${runId}`);
    };
    look();
    return sync.subscribe(look);
  }, [isChanged, visitId, runId]);
  return <ReportCallback {...props} onReported={() => setIsChanged(true)} />;
}

/** The last press took something of a run back. */
const isBackOf = (press: Press | null, runId: string): boolean =>
  press?.isBack === true && press.entries.some((e) => 'runId' in e && e.runId === runId);
