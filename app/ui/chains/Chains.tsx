import { memo, type ReactNode, useMemo, useState } from 'react';
import {
  type Apart,
  type Chain,
  type HouseRules,
  type Kit,
  kitFor,
  lengthMaking,
  loops,
  type MatchAnswer,
  type Part,
  type RunFlow,
  type SealCount,
  saidIn,
  tellApart,
} from '../../../core/index.ts';
import { labelsOf, Section, scaleFor, sectionOf } from '../drawn/index.ts';
import { InUnits, useUnits } from '../units/index.ts';
import { money } from '../words.ts';
import { gets, Narrower } from './ChainFlow.tsx';
import { AT_ONCE, Cautions, Details } from './Details.tsx';
import { Lengths } from './Lengths.tsx';

interface Props {
  result: MatchAnswer;
  from: string;
  to: string;
  water: 'cold' | 'hot';
  parts: Part[];
  names: Record<string, string>;
  rules: HouseRules;
  currency: string;
  kits: readonly Kit[];
  /** What the shop has seen of its seals; the first guesses stand alone where it is not given. */
  callbacks?: SealCount[];
  /** Where what the van has not lies, by item: 'Workshop shelf (3)'. */
  elsewhere?: (item: string) => string;
  /** What the appliance gets through each, where there is one; as `isRead` or at a usual pressure. */
  flows?: { of: (chain: Chain) => RunFlow | null; isRead: boolean };
  /** The same chain with another of its lengths. */
  withLength: (chain: Chain, part: string) => Chain | null;
  /** Where none was said a length is asked for before a chain is taken. */
  minLengthIn: number | undefined;
  /** What such an appliance usually takes, where nobody measured. */
  usualIn?: number;
  /** Takes a chain, where there is a run to take it for. */
  onUse?: (chain: Chain) => void;
  used?: string | null;
  /** On the key that takes a chain. */
  useWord?: string;
  /** Between the chains and what was refused. */
  children?: ReactNode;
}

/** Room for a chain's drawing beside its figures; all chains share one scale. */
const DRAWING_PX = 470;

export const chainKey = (chain: Chain) => chain.parts.join(' ') || 'direct';

/** All that matching has to say: what is missing where there is no chain, the chains, and what was refused. Painted again only for another answer. */
export const Chains = memo(function Chains({ children, ...props }: Props) {
  return (
    <div>
      {props.result.unreachable?.map((r) => (
        <p key={r.rule} className="caution my-2 text-lg">
          <InUnits said={r} />
        </p>
      ))}
      <Ranked {...props} />
      {children}
      <Refused result={props.result} names={props.names} />
    </div>
  );
});

/** Ranked chains as drawings with the figures people decide by. */
function Ranked({
  result,
  from,
  to,
  water,
  parts,
  names,
  rules,
  currency,
  kits,
  callbacks,
  elsewhere,
  flows,
  onUse,
  used,
  useWord = 'Use this',
  withLength,
  minLengthIn,
  usualIn,
}: Omit<Props, 'children'>) {
  const [picked, setPicked] = useState<Record<string, Chain>>({});
  const [asks, setAsks] = useState<string | null>(null);
  // What is in use stands in its row, whichever length it has.
  const inUse = useMemo(() => {
    const parts = used?.split(' ') ?? [];
    return result.chains.map((chain, i) => {
      const part = lengthMaking(chain, result.lengths[i]!, parts);
      return part === null || chain.parts.includes(part) ? null : withLength(chain, part);
    });
  }, [result, used, withLength]);
  const chains = result.chains.map((chain, i) => picked[chainKey(chain)] ?? inUse[i] ?? chain);
  const apart = tellApart(chains, parts, names, rules);
  const byId = new Map(parts.map((p) => [p.id, p]));
  const asOne = (toBuy: string[]) => {
    const kit = kitFor(toBuy, kits, (item) => byId.get(item)?.priceCents ?? 0);
    return kit ? ` (as one: ${kit.name}, ${money(kit.priceCents, currency)})` : '';
  };
  const sections = chains.map((chain) => sectionOf(from, to, chain, byId));
  const flowOf = chains.map((chain) => flows?.of(chain) ?? null);
  const take = (of: string, chain: Chain, isChoice: boolean) => {
    if (minLengthIn === undefined && isChoice && !picked[of]) return setAsks(of);
    setAsks(null);
    onUse?.(chain);
  };
  const scale = scaleFor(sections, DRAWING_PX, 58);
  const units = useUnits();
  const mostGpm = Math.max(0, ...flowOf.map((f) => f?.point.gpm ?? 0));
  return (
    <div>
      {chains.map((chain, i) => (
        <article
          key={chainKey(result.chains[i]!)}
          className={`border-b border-rule py-3 ${i === 0 ? 'border-l-6 border-l-brass-deep bg-sheet pl-3' : 'later pl-4'}`}
          aria-label={`Chain ${i + 1}`}
        >
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <h3 className="text-2xl">{i + 1}</h3>
            <div className="scroll min-w-0 flex-1 basis-80">
              <Section
                section={sections[i]!}
                scale={scale}
                labels={labelsOf(sections[i]!, (id) => names[id] ?? id)}
                water={water}
                title={`Chain ${i + 1}: ${chain.parts.map((p) => names[p]).join(', then ') || 'the two ends meet'}`}
              />
            </div>
            <Figure value={String(chain.joints.length)} unit={chain.joints.length === 1 ? 'joint' : 'joints'} />
            <Figure value={money(chain.priceCents, currency)} unit="parts" />
            <Figure value={String(chain.minutes)} unit="minutes" />
            <Figure value={oneIn(chain.leakRisk)} unit="comes back" />
            {flowOf[i] && <Figure {...gets(flowOf[i], units)} />}
            <Figure
              value={chain.offVan.length === 0 ? 'all' : String(chain.offVan.length)}
              unit={chain.offVan.length === 0 ? 'on the van' : 'to buy'}
            />
            {onUse && (
              <button
                type="button"
                className={`key ${i === 0 ? 'key-main' : ''}`}
                onClick={() => take(chainKey(result.chains[i]!), chain, result.lengths[i]!.length > 1)}
              >
                {used === chainKey(chain) ? 'In use' : useWord}
              </button>
            )}
          </div>
          {flowOf[i] && <Narrower flow={flowOf[i]} most={mostGpm} isRead={flows!.isRead} />}
          <InWords apart={apart[i]!} offVan={chain.offVan} elsewhere={elsewhere} asOne={asOne} />
          <Lengths
            of={result.lengths[i]!.filter((l) => chain.parts.includes(l.part) || minLengthIn === undefined || !loops(l.lengthIn, minLengthIn))}
            chain={chain}
            isAsked={asks === chainKey(result.chains[i]!)}
            usualIn={minLengthIn === undefined ? usualIn : undefined}
            onPick={(part) => {
              const key = chainKey(result.chains[i]!);
              const other = withLength(result.chains[i]!, part);
              if (!other) return;
              setPicked((all) => ({ ...all, [key]: other }));
              // It was asked for the chain that was pressed: that is taken at once.
              if (asks !== key) return;
              setAsks(null);
              onUse?.(other);
            }}
          />
          <Cautions of={chain.cautions.filter((c) => AT_ONCE.has(c.rule))} />
          <details className={`why ${i === 0 ? 'to-print' : ''}`}>
            <summary>Joints, parts and cost</summary>
            <Details {...{ chain, names, currency, callbacks }} />
          </details>
        </article>
      ))}
    </div>
  );
}

interface InWordsProps {
  apart: Apart;
  offVan: string[];
  elsewhere?: Props['elsewhere'];
  /** Of what has to be bought: what is sold as one, in words. */
  asOne: (toBuy: string[]) => string;
}

/** What it is made of, what has to be bought, and why it stands first against a rule of the house. */
function InWords({ apart: { parts, missing, departs }, offVan, elsewhere, asOne }: InWordsProps) {
  const units = useUnits();
  const rows = missing.map((name, i) => ({ name, item: offVan[i]!, where: elsewhere?.(offVan[i]!) ?? '' }));
  const [inStock, toBuy] = [rows.filter((r) => r.where !== ''), rows.filter((r) => r.where === '')];
  return (
    <div className="mt-1">
      <p>{parts.map((part) => saidIn(part, units)).join(' + ') || 'The two ends meet by themselves.'}</p>
      {inStock.length > 0 && (
        <p>
          <b>In stock:</b> {inStock.map(({ name, where }) => `${name}, on: ${where}`).join('; ')}
        </p>
      )}
      {toBuy.length > 0 && (
        <p>
          <b>To buy:</b> {toBuy.map(({ name }) => name).join('; ')}
          {asOne(toBuy.map(({ item }) => item))}
        </p>
      )}
      {departs && <p className="text-soft">{departs.text}</p>}
    </div>
  );
}

/** One callback in so many, with no false digits: '1 in 83' is '1 in 80'. */
function oneIn(risk: number): string {
  const jobs = 1 / risk;
  const digit = 10 ** Math.max(0, Math.floor(Math.log10(jobs)) - 1);
  return `1 in ${Math.round(jobs / digit) * digit}`;
}

function Figure({ value, unit }: { value: string; unit: string }) {
  return (
    <div className="min-w-16 text-center">
      <div className="font-head text-2xl font-semibold">{value}</div>
      <div className="text-sm text-soft">{unit}</div>
    </div>
  );
}

/** Parts that look right and are not, and those a need refuses. */
function Refused({ result, names }: { result: MatchAnswer; names: Record<string, string> }) {
  const near = result.refused.filter((r) => r.because.some((b) => b.rule.startsWith('near-')));
  return (
    <div className="mt-3 grid gap-2">
      {near.length > 0 && (
        // Once an answer stands it is for who asks.
        <details className="why" open={result.chains.length === 0}>
          <summary>Looks right, is not ({near.length})</summary>
          {near.slice(0, 6).map((r) => (
            <p key={r.part} className="looks-right mt-1">
              {names[r.part]}.{' '}
              {r.because
                .filter((b) => b.rule.startsWith('near-'))
                .slice(0, 1)
                .map((b) => (
                  <InUnits key={b.rule} said={b} />
                ))}
            </p>
          ))}
        </details>
      )}
      {result.refused.length > 0 && (
        <details className="why">
          <summary>Parts refused, and why ({result.refused.length === 20 ? 'the first 20' : result.refused.length})</summary>
          <ul className="list-disc pl-5">
            {result.refused.map((r) => (
              <li key={r.part}>
                {names[r.part]}: {r.because[0] && <InUnits said={r.because[0]} />}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
