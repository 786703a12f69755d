/** Whether the line that is there may stay. */
import { finite } from '../errors.ts';
import type { HouseRules } from '../house/index.ts';
import { reason } from '../reason.ts';
import { said, temperature } from '../units/index.ts';
import type { FindingRow, LookData } from './rows.ts';
import type { Survey } from './survey.ts';
import { asSeen, type Judgement, sentence, WEIGHT, type Weighed, worst } from './verdict.ts';

/** What polyethylene bears, F. */
const PE_MOST_F = 100;

export function judgeLine(
  survey: Survey,
  found: FindingRow[],
  { ages }: LookData,
  rules: Pick<HouseRules, 'connector' | 'maxAgeYears'>,
): Judgement[] {
  const { line } = survey;
  if (!line || line.kind === 'none') return [];
  const { kind } = line;
  const all: Weighed[] = found.filter((f) => f.on === 'line' && (kind === undefined || f.kinds === '*' || f.kinds.includes(kind))).map(asSeen);
  // A washer that has taken its set is the connector's own.
  if (found.some((f) => f.on === 'washer' && f.verdict === 'replace') && (line.kind === 'braided' || line.kind === 'rubber')) {
    all.push({
      verdict: 'replace',
      because: reason('washer-of-line', 'A damaged washer in its nut means a new connector.', { source: 'trade practice' }),
    });
  }
  if (survey.afterOsmosis && line.kind === 'copper') {
    const row = reason('osmosis-metal', 'Copper after reverse osmosis: that water attacks it.', { source: 'trade practice: reverse osmosis' });
    all.push({ verdict: 'replace', because: row });
  }
  if (survey.pairReplaced) {
    const pair = reason('pair', `Hot and cold are renewed together: the line of ${survey.pairReplaced} is.`, {
      source: 'trade practice',
    });
    all.push({ verdict: 'replace', because: pair });
  }
  if (kind === 'pe' && survey.water === 'hot' && (survey.hotF ?? PE_MOST_F + 1) > PE_MOST_F) {
    const words = said`Polyethylene bears ${temperature(PE_MOST_F)}: never on hot water.`;
    all.push({ verdict: 'replace', urgency: 'now', because: reason('pe-hot', words, { source: 'its rating', figures: { mostF: PE_MOST_F } }) });
  }
  const age = ages.find((a) => a.kind === line.kind);
  const limit = age?.replaceYears == null ? null : (rules.maxAgeYears?.[age.kind] ?? age.replaceYears);
  if (age && limit !== null && line.ageYears !== undefined) {
    const years = finite('ageYears', line.ageYears, { atLeast: 0, atMost: 150 });
    const figures = { years, limit };
    const watch = Math.min(age.watchYears!, limit);
    if (years > limit)
      all.push({
        verdict: 'replace',
        urgency: 'house',
        because: reason('over-age', `${sentence(age.name)} of ${years} years: the house renews it after ${limit}.`, { source: age.source, figures }),
      });
    else if (years >= watch)
      all.push({
        verdict: 'watch',
        because: reason('near-age', `${sentence(age.name)} of ${years} years: due at ${limit}.`, { source: age.source, figures }),
      });
  }
  if (all.some((a) => WEIGHT[a.verdict] >= WEIGHT.replace)) return worst('line', all);
  if (line.kind === undefined || line.seen === undefined) {
    all.push({ verdict: 'unknown', because: reason('line-unseen', 'Nobody has said what it is and how it looks: what is not known is not kept.') });
  } else if (line.kind === 'braided' || line.kind === 'rubber') {
    if (rules.connector === 'new') {
      all.push({
        verdict: 'replace',
        urgency: 'house',
        because: reason('house-new', 'The house fits a new connector every time: its washer has taken its set.', { source: 'house rule' }),
      });
    } else if (limit !== null && line.ageYears === undefined) {
      all.push({
        verdict: 'replace',
        urgency: 'house',
        because: reason('age-unknown', 'Its age is not known: it counts as old.', { source: age?.source }),
      });
    } else
      all.push({
        verdict: 'keep',
        because: reason('reuse', 'Sound and young: it may stay, its washers soft and unmarked.', { source: 'house rule' }),
      });
  } else all.push({ verdict: 'keep', because: reason('sound', 'Nothing was found on it: it may stay.') });
  return worst('line', all);
}
