import type { Bodies } from '../../../../record/index.ts';
import { Choices, KeptField } from '../../../ui/form/index.ts';
import type { StageProps } from '../stage-props.ts';

type Props = Pick<StageProps, 'run' | 'context' | 'state' | 'write'>;

/** Power, drain, way out; and how it was before anything was touched. */
export function AboutIt({ run, context: { appliance }, state, write }: Props) {
  const known = state.survey.surroundings ?? {};
  const about = (change: Partial<Bodies['surroundings-seen']>) => write('surroundings-seen', run.id, change);
  return (
    <>
      {appliance.powered && (
        <>
          <Choices
            legend="Power"
            options={[
              ['plug', 'a plug'],
              ['wired', 'wired in'],
              ['none', 'none'],
            ]}
            value={known.power ?? null}
            onChange={(power) => about({ power })}
          />
          <KeptField
            isLong
            label="Where the outlet or breaker is, and what shares it"
            value={known.powerAt ?? ''}
            onKeep={(powerAt) => about({ powerAt })}
          />
        </>
      )}
      <KeptField isLong label="Drain near by" value={known.drain ?? ''} onKeep={(drain) => about({ drain })} />
      {appliance.moves && (
        <>
          <KeptField isLong label="Floor and way out" value={known.wayOut ?? ''} onKeep={(wayOut) => about({ wayOut })} />
          <Choices
            legend="It moves with its line on"
            options={[
              ['yes', 'yes'],
              ['no', 'no'],
            ]}
            value={known.movesWithLine === undefined ? null : known.movesWithLine ? 'yes' : 'no'}
            onChange={(to) => about({ movesWithLine: to === 'yes' })}
          />
        </>
      )}
    </>
  );
}

const NOISES: [NonNullable<Bodies['baseline-taken']['noise']>, string][] = [
  ['quiet', 'quiet'],
  ['hum', 'hums'],
  ['bang', 'bangs'],
  ['whistle', 'whistles'],
  ['drip', 'drips'],
];

const AGAINST: [NonNullable<Bodies['hammer-heard']['there']>, string][] = [
  ['none', 'nothing'],
  ['arrestor', 'an arrestor'],
  ['air-chamber', 'an air chamber'],
];

/** Noise and damage before the work, and what is there against hammer. */
export function Before({ run, state, write }: Props) {
  const { baseline, hammer } = state.survey;
  const before = (change: Partial<Bodies['baseline-taken']>) => write('baseline-taken', run.id, change);
  return (
    <>
      <Choices legend="As it runs and shuts, it" options={NOISES} value={baseline?.noise ?? null} onChange={(noise) => before({ noise })} />
      <Choices
        legend="Against hammer there is"
        options={AGAINST}
        value={hammer?.there ?? null}
        onChange={(there) =>
          write('hammer-heard', run.id, { ...(baseline?.noise && hammer?.bangs === undefined ? { bangs: baseline.noise === 'bang' } : {}), there })
        }
      />
      {hammer && (
        <Choices
          legend="Heard when it shuts"
          options={[
            ['bangs', 'it bangs'],
            ['quiet', 'no bang'],
          ]}
          value={hammer.bangs === undefined ? null : hammer.bangs ? 'bangs' : 'quiet'}
          onChange={(to) => write('hammer-heard', run.id, { bangs: to === 'bangs' })}
        />
      )}
      <KeptField isLong label="Damage that is there already" value={baseline?.damage ?? ''} onKeep={(damage) => before({ damage })} />
    </>
  );
}
