import type { Later } from '../../../sync/push.ts';
import { sync } from '../../../sync/run.ts';
import { useStanding } from './use-standing.ts';

const WHY: Record<Later, string> = {
  'no connection': 'no connection',
  'server busy': 'the server does not answer rightly',
  'sign in': 'the server wants a sign-in',
  'too large': 'the server finds it too large',
  'newer page': 'the server is older than this page',
};

/** Refusals told in full; the rest stand on their own screen. */
const SHOWN = 2;

/** What is entered and not yet with the server, told on every screen. */
export default function KeptStrip() {
  const { waiting, refused, pictures, later, notKept, kept, elsewhere, cleared } = useStanding();
  const rest = later ? `: kept on this device, sent when the connection is back (${WHY[later]}).` : ' ...';
  return (
    <div data-kept={kept} data-waiting={waiting} className="empty:hidden">
      {notKept && (
        <p role="alert" className="border-b border-ink bg-sheet px-4 py-2 text-lg font-bold">
          ▲ NOT KEPT: {notKept}
        </p>
      )}
      {cleared !== null && (
        <div role="alert" className="flex min-h-10 flex-wrap items-center gap-x-4 border-b border-ink bg-sheet px-4 py-1">
          <b>
            ▲ This browser was cleared of what was kept here
            {cleared > 0
              ? `: ${cleared} not sent by then ${cleared === 1 ? 'is' : 'are'} lost. Enter ${cleared === 1 ? 'it' : 'them'} again.`
              : '. Nothing waited to be sent.'}
          </b>
          <button type="button" className="key" onClick={() => sync.clearedSeen()}>
            Seen
          </button>
        </div>
      )}
      {elsewhere.map(({ shop, waiting: there }) => (
        <p key={shop} role="status" className="flex min-h-10 flex-wrap items-center gap-x-4 border-b border-rule bg-sheet px-4 py-1">
          {there} not sent yet in another shop on this device.{' '}
          <button type="button" className="key" data-enter-shop={shop}>
            Go there to send
          </button>
        </p>
      ))}
      {(waiting > 0 || refused.length > 0) && (
        <div role="status" className="border-b border-rule bg-sheet px-4 py-1">
          {waiting > 0 && (
            <p className="flex min-h-10 flex-wrap items-center gap-x-4">
              <span>
                ✓ Kept. {waiting} not sent yet{rest}
              </span>
              {later && <a href="/unsent">See what</a>}
            </p>
          )}
          {refused.slice(0, SHOWN).map((why, i) => (
            <p key={i} className="caution my-1">
              Not taken: {why}
            </p>
          ))}
          {refused.length > 0 && (
            <p className="flex min-h-10 flex-wrap items-center gap-x-4">
              <b>▲ {refused.length} not taken by the server, kept here.</b>
              <a className="inline-flex min-h-10 items-center" href="/unsent">
                See, mend or send again
              </a>
            </p>
          )}
        </div>
      )}
      {pictures > 0 && (
        <p role="status" className="border-b border-rule bg-sheet px-4 py-1">
          ✓ {pictures === 1 ? 'One picture is' : `${pictures} pictures are`} kept here and on the way
          {later ? ', sent when the connection is back' : ' ...'}
        </p>
      )}
      {kept > 0 && waiting === 0 && pictures === 0 && refused.length === 0 && !notKept && cleared === null && (
        <p role="status" className="border-b border-rule bg-sheet px-4 py-1 text-soft">
          ✓ Kept, and with the server.
        </p>
      )}
    </div>
  );
}
