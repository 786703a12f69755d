import { type ComponentProps, useEffect, useState } from 'react';
import { sync } from '../../sync/run.ts';
import { ReportCallback } from './ReportCallback.tsx';

/** On a page that the server made: read again once what was reported is with the server. */
export function ReportHere(props: ComponentProps<typeof ReportCallback>) {
  const [isReported, setIsReported] = useState(false);
  useEffect(() => {
    if (!isReported) return;
    const look = () => {
      if (sync.standing.waiting === 0) location.assign(`/ledger/${props.visitId}/${props.runId}`);
    };
    look();
    return sync.subscribe(look);
  }, [isReported, props.visitId, props.runId]);
  return <ReportCallback {...props} onReported={() => setIsReported(true)} />;
}
