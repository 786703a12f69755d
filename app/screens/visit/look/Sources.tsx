import { useMemo, useState } from 'react';
import {
  compareSources,
  endName,
  InputError,
  length,
  lengthTyped,
  quantityWords,
  readLengthIn,
  type SourcesCompared,
} from '../../../../core/index.ts';
import type { Bodies } from '../../../../record/index.ts';
import { needOfRun, stockOf, vanOf } from '../../../../record/index.ts';
import { newId } from '../../../ui/book/index.ts';
import { EndPicker, usualEnds } from '../../../ui/ends/index.ts';
import { Choices } from '../../../ui/form/index.ts';
import { InUnits, ownUnit, Reasons, unitsHere, useUnits } from '../../../ui/units/index.ts';
import { money } from '../../../ui/words.ts';
import type { StageProps } from '../stage-props.ts';

type Source = Bodies['source-found'];
type Props = Pick<StageProps, 'run' | 'context' | 'state' | 'write' | 'catalogue' | 'vanId'>;

/** For a run without a supply: every place its water may come from, ranked by what the way takes; the one that is taken becomes the water side. */
export default function Sources({ run, context, state, write, catalogue, vanId }: Props) {
  const { sources } = state.survey;
  const [isAdding, setAdding] = useState(sources.length === 0);
  const to = state.to?.end ?? null;
  const compared = useMemo((): SourcesCompared | string | null => {
    if (to === null || sources.length === 0) return null;
    const { need, rules } = needOfRun(context, state, catalogue.rules);
    // Length, stub and what the chain is joined to are each source's own.
    const { minLengthIn: _, stub: __, rejoinFirst: ___, ...asked } = need;
    try {
      return compareSources({
        candidates: sources.map(({ text: _t, inches, gone: _g, ...s }) => ({ ...s, lengthIn: inches })) as never,
        to,
        need: asked,
        rules,
        parts: catalogue.parts,
        loose: catalogue.loose,
        stock: stockOf(vanOf(catalogue.places, vanId)),
        work: context.look.sourceWork,
      });
    } catch (error) {
      if (error instanceof InputError) return error.message;
      throw error;
    }
  }, [context, state, catalogue, vanId, sources, to]);
  const take = (s: Source) => {
    write('end-seen', run.id, { side: 'from', end: s.end, how: 'seen' });
    write('end-seen', run.id, { side: 'rejoin', end: s.rejoin ?? null, how: 'seen' });
    write('distance-measured', run.id, { text: s.text, inches: s.inches });
  };
  return (
    <>
      {sources.length > 0 && to === null && <p>The inlet is wanted first: then they are ranked.</p>}
      {typeof compared === 'string' && <p className="caution">{compared}</p>}
      <ol>
        {orderOf(sources, compared).map((s) => (
          <Row
            currency={catalogue.currency}
            key={s.id}
            source={s}
            compared={typeof compared === 'string' ? null : compared}
            onTake={() => take(s)}
            onGiveUp={() => write('source-found', run.id, { ...s, gone: true })}
          />
        ))}
      </ol>
      {isAdding ? (
        <AddSource
          water={run.water}
          onAdd={(s) => {
            write('source-found', run.id, s);
            setAdding(false);
          }}
        />
      ) : (
        <button type="button" className="key justify-self-start" onClick={() => setAdding(true)}>
          Another source
        </button>
      )}
    </>
  );
}

function orderOf(sources: readonly Source[], compared: SourcesCompared | string | null): Source[] {
  if (!compared || typeof compared === 'string') return [...sources];
  const place = (s: Source) => compared.ranked.findIndex((o) => o.id === s.id);
  return [...sources].sort((a, b) => (place(a) < 0 ? 1e3 : place(a)) - (place(b) < 0 ? 1e3 : place(b)));
}

function Row({
  source,
  compared,
  currency,
  onTake,
  onGiveUp,
}: {
  source: Source;
  compared: SourcesCompared | null;
  currency: string;
  onTake: () => void;
  onGiveUp: () => void;
}) {
  const units = useUnits();
  const option = compared?.ranked.find((o) => o.id === source.id);
  const refused = compared?.refused.find((r) => r.id === source.id);
  const isBest = option !== undefined && compared?.ranked[0] === option;
  return (
    <li className={`grid gap-1 border-t border-rule py-2 ${isBest ? 'border-l-4 border-l-brass-deep pl-3' : ''}`}>
      <span>
        <b className="text-lg">{source.name}</b>
        {isBest && <b> · the best way</b>}
        {refused && <b> · × not that way</b>}
        <span className="block text-soft">
          {endName(source.end)}, {quantityWords(length(source.inches), units)} away
          {option && ` · ${option.joints} joints, ${option.minutes} min, ${money(option.priceCents, currency)} of parts`}
        </span>
      </span>
      {(option?.because ?? refused?.because ?? []).slice(0, 2).map((r) => (
        <p key={r.rule}>
          <InUnits said={r} />
        </p>
      ))}
      {option?.cautions.slice(0, 3).map((r) => (
        <p key={r.rule} className="caution">
          <InUnits said={r} />
        </p>
      ))}
      {option && option.skills.length + option.tools.length > 0 && (
        <p className="text-soft">Wants {[...option.skills, ...option.tools].join(', ')}.</p>
      )}
      {option && <Reasons because={option.chain.cautions} label="Of its chain" />}
      <span className="flex flex-wrap gap-3">
        {option && (
          <button type="button" className={`key ${isBest ? 'key-main' : ''}`} onClick={onTake}>
            Take the water here
          </button>
        )}
        <button type="button" className="key" onClick={onGiveUp}>
          Give it up
        </button>
      </span>
    </li>
  );
}

const KINDS: [Source['kind'], string][] = [
  ['stop', 'a stop in use'],
  ['idle-line', 'an idle capped line'],
  ['pipe', 'a pipe to be cut'],
  ['manifold', 'a manifold port'],
  ['tank', 'a tank outlet'],
  ['saddle', 'a saddle valve'],
];
const SHUT: [Source['shut'], string][] = [
  ['nothing', 'nothing'],
  ['stop', 'one stop'],
  ['branch', 'a branch'],
  ['main', 'the main'],
];
const DRY: [Source['dry'], string][] = [
  ['yes', 'dries'],
  ['no', 'keeps weeping'],
  ['unknown', 'not known'],
];
const HOLDS: [NonNullable<Source['holds']>, string][] = [
  ['unproved', 'not proved'],
  ['cold', 'cold water, proved'],
  ['hot', 'hot water, proved'],
  ['no water', 'something else'],
];
const THROUGH = ['cabinet', 'floor', 'wall'] as const;

function AddSource({ water, onAdd }: { water: 'cold' | 'hot'; onAdd: (source: Source) => void }) {
  const units = useUnits();
  const [name, setName] = useState('');
  const [kind, setKind] = useState<Source['kind']>('stop');
  const [end, setEnd] = useState<string | null>(null);
  const [rejoin, setRejoin] = useState<string | null>(null);
  const [text, setText] = useState('');
  const [holes, setHoles] = useState<Source['holes']>([]);
  const [shut, setShut] = useState<Source['shut']>('stop');
  const [dry, setDry] = useState<Source['dry']>('unknown');
  const [holds, setHolds] = useState<NonNullable<Source['holds']>>('unproved');
  const [fault, setFault] = useState('');
  const add = () => {
    const typed = lengthTyped(text, unitsHere());
    const inches = readLengthIn(typed);
    if (end === null) return setFault('Say what the chain would be joined to there.');
    if (inches === null || inches <= 0 || inches > 3600) return setFault('Say how far the line has to go: 60, 5 ft, 1500 mm.');
    const named = name.trim() || KINDS.find(([k]) => k === kind)![1];
    onAdd({
      id: newId(),
      name: named.slice(0, 200),
      kind,
      end,
      ...(rejoin ? { rejoin } : {}),
      text: typed.slice(0, 200),
      inches,
      holes,
      shut,
      dry,
      ...(kind === 'idle-line' ? { holds } : {}),
      ...(kind === 'tank' ? { afterOsmosis: true } : {}),
    });
  };
  return (
    <div className="grid gap-3 border border-rule p-3">
      <Choices legend="Source" options={KINDS} value={kind} onChange={setKind} />
      <label className="grid">
        <span className="label">Name, or where it is</span>
        <input className="field" maxLength={200} value={name} onChange={(e) => setName(e.target.value)} />
      </label>
      <EndPicker id="source-end" label="There the chain joins" value={end} onChange={setEnd} hint={usualEnds('from', null)} />
      {(kind === 'stop' || kind === 'pipe') && (
        <EndPicker
          id="source-rejoin"
          label="What is parted there, to be joined again"
          value={rejoin}
          onChange={setRejoin}
          hint={usualEnds('rejoin', null)}
        />
      )}
      <label className="grid justify-start">
        <span className="label">From there to the inlet, along the way ({ownUnit('length', units)})</span>
        <input className="field max-w-40" maxLength={30} value={text} onChange={(e) => setText(e.target.value)} />
      </label>
      <fieldset className="grid gap-1">
        <legend className="label">Holes on the way</legend>
        {THROUGH.map((through) => {
          const hole = holes.find((h) => h.through === through);
          return (
            <div key={through} className="flex flex-wrap items-center gap-3">
              <label className="flex min-h-12 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5"
                  checked={hole !== undefined}
                  onChange={(e) => setHoles(e.target.checked ? [...holes, { through }] : holes.filter((h) => h.through !== through))}
                />
                {through === 'cabinet' ? 'a cabinet side' : `a ${through}`}
              </label>
              {hole && (
                <input
                  className="field max-w-60"
                  aria-label={`In the way of the ${through} hole`}
                  placeholder="in the way: joist, cable"
                  maxLength={200}
                  value={hole.inTheWay ?? ''}
                  onChange={(e) =>
                    setHoles(holes.map((h) => (h === hole ? { through, ...(e.target.value ? { inTheWay: e.target.value } : {}) } : h)))
                  }
                />
              )}
            </div>
          );
        })}
      </fieldset>
      <Choices legend="For it is shut" options={SHUT} value={shut} onChange={setShut} />
      <Choices legend="The pipe there" options={DRY} value={dry} onChange={setDry} />
      {kind === 'idle-line' && (
        <>
          <Choices legend="It holds" options={HOLDS} value={holds} onChange={setHolds} />
          <p className="caution">
            An idle line may be heating water, glycol, irrigation, reclaimed water (purple) or gas: proved to be {water} drinking water before anyone
            drinks of it.
          </p>
        </>
      )}
      {fault && (
        <p className="caution" role="alert">
          {fault}
        </p>
      )}
      <button type="button" className="key key-main justify-self-start" onClick={add}>
        Add it
      </button>
    </div>
  );
}
