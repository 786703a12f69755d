import { branchFlow, type Drawn, type LossRow, withSteps } from '../../../core/index.ts';
import { type ApplianceFacts, type ReadSetting, readSetting, type Setting, usualSetting } from './setting.ts';

/** The same pipe of the house with others open on it: each by its usual stop and line. */
export function together({ read, appliances, losses }: { read: ReadSetting; appliances: ApplianceFacts[]; losses: LossRow[] }): Drawn[] {
  const house = read.pieces.slice(0, read.housePieces);
  const stretch = (setting: Setting) => {
    const other = readSetting({ ...setting, house: '' }, appliances, losses, []).read;
    return other ? [{ name: other.appliance.name, pieces: withSteps(other.pieces), riseFt: other.line.riseFt, appliance: other.line.appliance }] : [];
  };
  const own = {
    name: read.appliance.name,
    pieces: withSteps(read.pieces.slice(read.housePieces)),
    riseFt: read.line.riseFt,
    appliance: read.line.appliance,
  };
  const others = read.also.flatMap((a) => stretch(usualSetting(a)));
  return branchFlow({ ...read.line, branch: { pieces: house, riseFt: 0, onward: [own, ...others] } }).drawn;
}
