import { flow, pressure, quantityWords, type RunFlow, type Units, USUAL_PSI } from '../../../core/index.ts';
import { useUnits } from '../units/index.ts';

/** A flow as a figure: its number, and its unit with a mark where it is weak. */
export function gets({ point }: RunFlow, units: Units): { value: string; unit: string } {
  const [value = '', unit = ''] = quantityWords(flow(point.gpm), units).split(' ');
  return { value, unit: point.verdict === 'weak' ? `${unit} ▲ weak` : unit };
}

/** Less by this part than the most of the chains: worth a word. */
const NARROWER_BY = 0.05;

/** What a narrower line costs in flow. */
export function Narrower({ flow: { point }, most, isRead }: { flow: RunFlow; most: number; isRead: boolean }) {
  const units = useUnits();
  const less = most - point.gpm;
  if (less < most * NARROWER_BY && point.verdict === 'enough') return null;
  return (
    <p>
      {less >= most * NARROWER_BY && <>Narrower: {quantityWords(flow(less), units)} less than the widest of these. </>}
      {point.verdict === 'weak' && <b>▲ {quantityWords(pressure(point.inletPsi), units)} flowing is under what its maker asks. </b>}
      {!isRead && <span className="text-soft">At a usual {quantityWords(pressure(USUAL_PSI), units)}: nobody read it here.</span>}
    </p>
  );
}
