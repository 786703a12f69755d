import { diameter, HOUSE_CHOICES, pressure, quantityWords, said } from '../../../core/index.ts';
import { EndPicker, usualEnds } from '../../ui/ends/index.ts';
import { FigureInput, InUnits, ownUnit, useUnits } from '../../ui/units/index.ts';
import type { Question } from './question.ts';

interface Props {
  q: Question;
  /** What the usual appliance asks, in. */
  bore: number | null;
  set: (change: Partial<Question>) => void;
  badLength: boolean;
  badPsi: boolean;
}

/** What the chain must do, and the house rules to try. */
export function Demands({ q, bore, set, badLength, badPsi }: Props) {
  const units = useUnits();
  const box = (key: 'stop' | 'arrestor' | 'check' | 'stopLeak' | 'outlet' | 'hidden' | 'wide' | 'afterRo' | 'vanOnly', label: string) => (
    <label className="flex min-h-10 items-center gap-2">
      <input type="checkbox" className="size-5 shrink-0" checked={q[key]} onChange={(e) => set({ [key]: e.target.checked })} /> {label}
    </label>
  );
  const choice = <K extends 'push' | 'applianceLine' | 'toiletLine'>(key: K, label: string, options: readonly Question[K][]) => (
    <label className="grid gap-0.5">
      <span className="label">{label}</span>
      <select className="field" value={q[key]} onChange={(e) => set({ [key]: e.target.value } as Partial<Question>)}>
        {options.map((o) => (
          <option key={o}>{o}</option>
        ))}
      </select>
    </label>
  );
  return (
    <fieldset className="grid grid-cols-2 gap-x-3 border-rule lg:border-l lg:pl-4">
      <legend className="label">It must</legend>
      <label className="flex min-h-10 items-center gap-2">
        <input
          type="checkbox"
          className="size-5 shrink-0"
          checked={q.water === 'hot'}
          onChange={(e) => set({ water: e.target.checked ? 'hot' : 'cold' })}
        />{' '}
        carry hot water
      </label>
      {box('stop', 'have its own stop')}
      {box('arrestor', 'have an arrestor')}
      {box('check', 'stop backflow')}
      {box('stopLeak', 'stop a leak')}
      {box('outlet', 'leave an outlet free')}
      {box('hidden', 'be walled in')}
      {box('afterRo', 'follow an RO unit')}
      {box('vanOnly', 'come off the van')}
      {bore !== null && box('wide', `be ${quantityWords(diameter(bore), units)} wide, as usual`)}
      <label className="col-span-2 flex items-center gap-2">
        reach at least
        <FigureInput
          of="length"
          className="field max-w-24"
          maxLength={20}
          value={q.length}
          onChange={(length) => set({ length })}
          aria-invalid={badLength}
        />{' '}
        {ownUnit('length', units)}
      </label>
      {badLength && <p className="col-span-2">Give a length of more than 0, or nothing.</p>}
      <details className="why col-span-2 mt-1" open={q.rejoin !== null || q.psi !== ''}>
        <summary>Old line to join again, pressure</summary>
        <EndPicker
          id="rejoin"
          label="End of the old line, where the outlet is in use"
          value={q.rejoin}
          onChange={(rejoin) => set({ rejoin })}
          hint={usualEnds('rejoin', null)}
        />
        <label className="flex items-center gap-2">
          hold
          <FigureInput
            of="pressure"
            className="field max-w-24"
            maxLength={10}
            placeholder={units === 'metric' ? '5.5' : '80'}
            value={q.psi}
            onChange={(psi) => set({ psi })}
            aria-invalid={badPsi}
          />{' '}
          {ownUnit('pressure', units)}
        </label>
        {badPsi && (
          <p>
            <InUnits said={said`Give a pressure of ${pressure(1)} to ${pressure(1000)}, or nothing.`} />
          </p>
        )}
      </details>
      <details className="why col-span-2 mt-1">
        <summary>House rules, tried out</summary>
        <div className="grid gap-2">
          {choice('push', 'Push-to-connect', HOUSE_CHOICES.push)}
          {choice('applianceLine', 'Line to an appliance', HOUSE_CHOICES.applianceLine)}
          {choice('toiletLine', 'Line to a toilet or basin', HOUSE_CHOICES.toiletLine)}
        </div>
      </details>
    </fieldset>
  );
}
