/** What a survey leaves open, where it concerns the run at all. */
import { InputError } from '../errors.ts';
import type { Survey } from './survey.ts';

/** Which facts are open; what does not concern the run is not asked. */
export function isUnknown(fact: string, s: Survey): boolean {
  const hasLine = s.line?.kind !== 'none';
  switch (fact) {
    case 'line-kind':
      return s.line?.kind === undefined;
    case 'line-age':
      return hasLine && (s.line?.kind === 'braided' || s.line?.kind === 'rubber') && s.line.ageYears === undefined;
    case 'line-seen':
      return hasLine && s.line?.seen === undefined;
    case 'stop-condition':
      return s.stop === undefined || (s.stop.kind !== 'none' && s.stop.condition === 'unknown');
    case 'static':
      return s.staticPsi === undefined;
    case 'running':
      return s.runningPsi === undefined && s.bucket === undefined;
    case 'hot':
      return s.water === 'hot' && s.hotF === undefined;
    case 'osmosis':
      return s.afterOsmosis === undefined && s.water === 'cold';
    case 'power':
      return s.appliance.powered && s.power === undefined;
    case 'way-out':
      return s.appliance.moves && !s.wayOutKnown;
    case 'moves':
      return s.appliance.moves && s.movesWithLine === undefined;
    case 'hidden':
      return s.hidden === undefined;
    case 'ends':
      return !s.endsKnown;
    case 'ends-sure':
      return s.endsDoubted === true;
    default:
      throw new InputError('fact', fact, 'The catalogue names a fact that no survey holds.');
  }
}
