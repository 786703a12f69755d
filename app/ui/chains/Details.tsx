/** A chain opened: its joints, parts and cost, and what its seals are expected to do. */
import {
  type Branch,
  type Chain,
  endLabel,
  length,
  type Reason,
  type SealCount,
  said,
  sealById,
  shortName,
  turns24,
  weighedSeal,
  writeTurns,
} from '../../../core/index.ts';
import { InUnits, Reasons } from '../units/index.ts';
import { money } from '../words.ts';

interface Props {
  chain: Chain;
  names: Record<string, string>;
  currency: string;
  /** What the shop has seen of its seals; the first guesses stand alone where it is not given. */
  callbacks?: SealCount[] | undefined;
}

/** Cautions about the choice itself, seen before it is opened; the others belong to the work. */
export const AT_ONCE = new Set(['narrow', 'marginal']);

export function Cautions({ of }: { of: Reason[] }) {
  return of.map((c) => (
    <p key={c.rule} className="caution mt-2">
      <InUnits said={c} />
    </p>
  ));
}

export function Details({ chain, names, currency, callbacks = [] }: Props) {
  const sum = (amount: number) => money(Math.round(amount * 100), currency);
  return (
    <div className="grid gap-4 py-2 md:grid-cols-2">
      <div>
        <table className="w-full">
          <thead>
            <tr>
              <th>Joint</th>
              <th>Seal</th>
              <th>On the thread</th>
              <th>Turns past hand-tight</th>
            </tr>
          </thead>
          <tbody>
            {chain.joints.map((j) => (
              <tr key={j.n} className="border-t border-faint align-top">
                <td className="py-1 font-head text-lg font-semibold">J{j.n}</td>
                <td>
                  {j.mating.seal && sealById(j.mating.seal).shortName}
                  {j.mating.verdict === 'marginal' && <b> (marginal)</b>}
                  <div className="text-sm text-soft">
                    {endLabel(j.a)} with {endLabel(j.b)}
                  </div>
                  <Reasons because={j.mating.because} />
                </td>
                <td>{j.mating.sealant === 'none' ? 'nothing' : j.mating.sealant}</td>
                <td>{j.mating.turns ? writeTurns(turns24(j.mating.turns.default)) : 'not screwed'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div>
        <h4 className="label">Parts</h4>
        <ul className="list-disc pl-5">
          {chain.path.map((s) => (
            <li key={s.part}>
              {names[s.part]} {s.cutLengthIn !== undefined && <InUnits said={said`, cut to ${length(s.cutLengthIn)}`} />}{' '}
              {chain.offVan.includes(s.part) && <b>(to buy)</b>}
            </li>
          ))}
          {Object.entries(chain.loose).map(([code, n]) => (
            <li key={code}>
              {n} x {names[code] ?? code} {chain.offVan.includes(code) && <b>(to buy)</b>}
            </li>
          ))}
        </ul>
        <Branches branches={chain.branches} names={names} />
        <h4 className="label mt-2">Cost expected: {sum(chain.cost.total)}</h4>
        <p>
          parts {sum(chain.cost.price)} + time {sum(chain.cost.minutes)} + callbacks {sum(chain.cost.callbacks)} + trip {sum(chain.cost.trip)} + not
          preferred {sum(chain.cost.preference)}
        </p>
        <p>Callbacks expected: {inThousand(chain.leakRisk)} in 1,000 such jobs, from the rates of its joints' seals:</p>
        <SealRates chain={chain} callbacks={callbacks} />
        <Cautions of={chain.cautions.filter((c) => !AT_ONCE.has(c.rule))} />
      </div>
    </div>
  );
}

const inThousand = (share: number): string => (share * 1000).toFixed(1);

/** What each kind of seal is expected to do, and from what: the first guess, the shop's own joints, and both weighed. */
function SealRates({ chain, callbacks }: { chain: Chain; callbacks: SealCount[] }) {
  const kinds = [...new Set(chain.joints.flatMap((j) => (j.mating.seal ? [j.mating.seal] : [])))];
  return (
    <ul className="list-disc pl-5">
      {kinds.map((id) => {
        const { guess, own, weighed } = weighedSeal(id, callbacks);
        return (
          <li key={id}>
            {sealById(id).shortName}: {inThousand(weighed)} in 1,000 (first guess {inThousand(guess)};{' '}
            {own.joints === 0
              ? 'none made by this shop yet'
              : `this shop ${own.callbacks} of ${own.joints.toLocaleString('en-US')}, so ${inThousand(own.low)} to ${inThousand(own.high)}`}
            )
          </li>
        );
      })}
    </ul>
  );
}

const BRANCH_WORDS: Record<Branch['use'], string> = {
  rejoin: 'takes the old line back',
  free: 'stays free behind its own valve: another run can begin there',
  cap: 'is capped',
};

/** What becomes of the ends that the water does not go through. */
function Branches({ branches, names }: { branches: Branch[]; names: Record<string, string> }) {
  if (branches.length === 0) return null;
  return (
    <>
      <h4 className="label mt-2">Outlets beside the line</h4>
      <ul className="list-disc pl-5">
        {branches.map((b) => (
          <li key={`${b.part} ${b.end}`}>
            {endLabel(b.code)} of the {shortName(names[b.part] ?? b.part)} {BRANCH_WORDS[b.use]}
          </li>
        ))}
      </ul>
    </>
  );
}
