import { type Reason, reason } from '../../reason.ts';
import type { SealId } from '../../rows/index.ts';
import { diameter, said } from '../../units/index.ts';
import type { SocketEnd, ThreadEnd, TubeEnd } from '../code.ts';
import { jointReason } from '../sayings.ts';
import { type Fit, refuse } from './joint.ts';
import { NEAR_NOMINAL } from './near-miss.ts';

const SOURCE = 'thread standards: ASME B1.20.1 and B1.20.7, SAE J512, ISO 228-1; trade practice: how joints seal';

interface Grip {
  seal: SealId;
  loose: string[];
  because: Reason[];
}

/** Judges a plain tube offered to a compression body, a push socket, a solder cup or a barb. */
export function tubeJoint(tube: TubeEnd, other: ThreadEnd | SocketEnd): Fit {
  const nominal = tube.tube.nominalIn === other.size && takesTube(other) ? { nearMiss: NEAR_NOMINAL } : {};
  if (tube.tube.material === 'polybutylene') {
    return refuse(
      reason('polybutylene', 'Grey polybutylene takes only fittings listed for it; plan its replacement and tell the owner.', { source: SOURCE }),
      nominal,
    );
  }
  if (other.kind === 'thread') {
    if (other.family === 'comp' && other.gender === 'm') return sized(tube, other, nominal, ferrule(tube));
    if (other.family === 'flare' && other.gender === 'm' && tube.tube.material === 'copper') {
      return refuse(reason('needs-flare', 'A flare body takes a flared tube: it needs a flare and its nut.', { source: SOURCE }));
    }
    return refuse(reason('tube-thread', 'A plain tube has no thread: it needs a fitting that grips tube.', { source: SOURCE }), nominal);
  }
  return sized(tube, other, nominal, GRIPS[other.family](tube));
}

function takesTube(other: ThreadEnd | SocketEnd): boolean {
  return other.kind === 'socket' ? other.family !== 'nose' : other.family === 'comp' && other.gender === 'm';
}

/** The grip holds only when the socket is made for the tube's outside diameter; the shared nominal name is the trap. */
function sized(tube: TubeEnd, other: ThreadEnd | SocketEnd, nominal: Partial<Fit>, grip: Grip | Reason): Fit {
  const tubeSize = tube.code.endsWith('ips') ? null : tube.size;
  if (tubeSize !== other.size) {
    const text = nominal.nearMiss
      ? said`The tube is ${other.size} in by name only: outside it measures ${diameter(tube.tube.odIn)}. It takes the fitting for its outside diameter.`
      : said`The fitting is for ${other.size} in outside diameter, the tube measures ${diameter(tube.tube.odIn)}.`;
    return refuse(reason(nominal.nearMiss ?? 'tube-size', text, { source: tube.tube.source, figures: { tubeOdIn: tube.tube.odIn } }), nominal);
  }
  if ('rule' in grip) return refuse(grip);
  return { verdict: 'seals', seal: grip.seal, loose: grip.loose, because: grip.because };
}

const od = (tube: TubeEnd) => `${tube.size}od`;

/** Nut and ferrule on a compression body, by what the tube is made of. */
function ferrule(tube: TubeEnd): Grip | Reason {
  const large = tube.tube.odIn >= 0.5;
  const nut = `nut-comp-${tube.size}`;
  switch (tube.tube.material) {
    case 'copper':
      return {
        seal: large ? 'ferrule-large' : 'ferrule',
        loose: [nut, `ferrule-${od(tube)}`],
        because: [jointReason('ferrule-copper')],
      };
    case 'pex':
      if (large) {
        return {
          seal: 'ferrule-large',
          loose: [nut, `ferrule-${od(tube)}`, `insert-${od(tube)}`],
          because: [jointReason('ferrule-pex')],
        };
      }
      return plasticFerrule(tube, nut);
    case 'pe':
      return plasticFerrule(tube, nut);
    case 'cpvc':
      return reason('cpvc-ferrule', 'CPVC takes push-to-connect and threaded adapters here, not a ferrule.', { source: SOURCE });
    default:
      return reason('ferrule-material', 'A ferrule does not grip this pipe.', { source: SOURCE });
  }
}

function plasticFerrule(tube: TubeEnd, nut: string): Grip {
  return {
    seal: 'ferrule-plastic',
    loose: [nut, `plastic-ferrule-${od(tube)}`, `insert-${od(tube)}`],
    because: [jointReason('ferrule-plastic')],
  };
}

function push(tube: TubeEnd): Grip | Reason {
  const { material, odIn } = tube.tube;
  if (material === 'steel') return reason('push-steel', 'Push-to-connect does not take steel pipe.', { source: SOURCE });
  const small = odIn <= 0.375;
  const because = [jointReason('push', { size: small ? 'small' : 'large' })];
  if (small && material === 'copper') {
    because.push(jointReason('push-small-copper'));
  }
  const insert = material === 'pex' && odIn >= 0.5;
  return { seal: small ? 'push-small' : 'push', loose: insert ? [`insert-${od(tube)}`] : [], because };
}

function cup(tube: TubeEnd): Grip | Reason {
  if (tube.tube.material === 'cpvc') return reason('cement-socket', 'Cement socket: not covered.', { source: SOURCE });
  if (tube.tube.material !== 'copper') return reason('solder-copper', 'Only copper is soldered into a cup.', { source: SOURCE });
  return {
    seal: 'solder',
    loose: [],
    because: [jointReason('solder')],
  };
}

const ring = (seal: 'crimp' | 'expansion', kind: string) => (tube: TubeEnd) =>
  tube.tube.material === 'pex'
    ? { seal, loose: [`${kind}-${od(tube)}`], because: [jointReason(seal)] }
    : reason(`${seal}-pex`, 'This barb takes PEX, nothing else.', { source: SOURCE });

const GRIPS: Record<SocketEnd['family'], (tube: TubeEnd) => Grip | Reason> = {
  ptc: push,
  cup,
  crimp: ring('crimp', 'crimp-ring'),
  expand: ring('expansion', 'expansion-ring'),
  nose: () => reason('nose-tube', 'A riser nose seals on a shank, not on tube.', { source: SOURCE }),
};

/** Judges a riser's nose on a threaded shank. */
export function noseJoint(nose: SocketEnd, shank: ThreadEnd): Fit {
  const base = shank.code.replace(/:.*$/, '');
  const loose = [`cone-washer-${nose.size}od`, `nut-${shank.thread.id}`];
  if (base === 'npsm-1/2-m' || base === 'bc-7/8-m') {
    return {
      verdict: 'seals',
      seal: 'cone',
      loose,
      because: [jointReason('cone')],
    };
  }
  if (base === 'npt-1/2-m' || base === 'g-1/2-m') {
    return {
      verdict: 'marginal',
      seal: 'cone',
      loose,
      because: [jointReason('cone-marginal')],
    };
  }
  return refuse(reason('nose-shank', 'A riser nose seals on a 1/2 in straight shank or a ballcock shank.', { source: SOURCE }));
}
