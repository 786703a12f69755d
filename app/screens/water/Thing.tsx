import { STANDING } from '../../../core/index.ts';
import type { WaterThing } from '../../../record/index.ts';
import { Choices, KeptField } from '../../ui/form/index.ts';
import { CONDITIONS, PLACE_WORDS } from '../../ui/water-words.ts';
import { readFeet } from './draw.ts';
import { Follow, PartPipe } from './Follow.tsx';
import type { ThingProps } from './thing-props.ts';

/** One thing of the water: what it is, what is done with it, what comes next from it. */
export function Thing(props: ThingProps) {
  const { thing, net, nameOf, isWork, isStruck, onWork, onStrike, onTried, onDraw, onGone, onClose } = props;
  const change = (to: Partial<WaterThing>) => onDraw([{ ...thing, ...to } as WaterThing], thing.id);
  const condition = net.valves.find((v) => v.id === thing.id)?.condition ?? null;
  const feet = (text: string, apply: (ft: number) => void) => {
    const ft = readFeet(text);
    if (ft !== null) apply(ft);
  };
  return (
    <section aria-label="What is pressed" className="grid gap-3 border border-ink bg-sheet px-4 py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2>{nameOf(thing.id)}</h2>
        <button type="button" className="key" onClick={onClose}>
          Done with it
        </button>
      </div>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="key key-main" aria-pressed={isWork} onClick={onWork}>
          {isWork ? 'Not the work after all' : 'The work is here'}
        </button>
        {thing.what === 'valve' && (
          <button type="button" className="key" aria-pressed={isStruck} onClick={() => onStrike(!isStruck)}>
            {isStruck ? 'Count on it again' : 'Strike it out'}
          </button>
        )}
      </div>
      {thing.what === 'valve' && <Choices legend="Tried: it" options={CONDITIONS} value={condition} onChange={onTried} />}
      {thing.what === 'pipe' && <PartPipe {...{ net, thing, onDraw }} />}
      {thing.what === 'place' && <Follow {...props} thing={thing} />}
      <details className="why">
        <summary>Name, measures, take it away</summary>
        <div className="mt-2 grid gap-3">
          {thing.what !== 'pipe' && (
            <KeptField label="Name" value={thing.name ?? ''} onKeep={(name) => change({ name: name || undefined } as Partial<WaterThing>)} />
          )}
          {thing.what === 'place' && (
            <>
              <p className="text-soft">{PLACE_WORDS[thing.kind]}</p>
              <KeptField
                label="Height, ft over the level everything is measured from"
                value={String(thing.heightFt)}
                onKeep={(text) => feet(text, (heightFt) => change({ heightFt }))}
              />
            </>
          )}
          {thing.what === 'place' && (
            <Choices
              legend="There stands"
              options={[...STANDING.map((s): [string, string] => [s, s]), ['', 'nothing of its own']]}
              value={thing.stands ?? ''}
              onChange={(stands) => change({ stands: (stands || undefined) as typeof thing.stands })}
            />
          )}
          {thing.what === 'pipe' && (
            <>
              <KeptField
                label="Length, ft"
                value={String(thing.lengthFt)}
                onKeep={(text) => feet(text, (lengthFt) => lengthFt >= 0 && change({ lengthFt }))}
              />
              <KeptField label="Bore, in" value={String(thing.boreIn)} onKeep={(text) => Number(text) > 0 && change({ boreIn: Number(text) })} />
            </>
          )}
          <button type="button" className="key justify-self-start" onClick={onGone}>
            Take it out of the drawing
          </button>
        </div>
      </details>
    </section>
  );
}
