/** The register of subjects. The border's check, the fold, the words, the file format and the API description follow from it. */

import { ownPart } from '../parts/own-part.ts';
import { appliance } from '../premises/appliance.ts';
import { place } from '../premises/place.ts';
import { premises } from '../premises/premises.ts';
import { run } from '../premises/run.ts';
import { rules } from '../rules/rules.ts';
import { shop } from '../shop/shop.ts';
import { stockPlace } from '../stock/stock-place.ts';
import { followUp } from '../visit/follow-up.ts';
import { visit } from '../visit/visit.ts';
import type { SubjectKind } from './entry.ts';
import type { AnyState } from './states.ts';
import type { Subject } from './subject.ts';

const declared = { premises, place, appliance, run, visit, 'follow-up': followUp, stock: stockPlace, shop, rules, part: ownPart } as const;

/** A kind of subject whose states are not looked into here. */
export type AnySubject = Omit<Subject<SubjectKind, AnyState>, 'nameOf' | 'belongsTo'> & {
  nameOf: (now: AnyState) => string;
  belongsTo?: (now: AnyState) => { kind: SubjectKind; id: string };
};

export const subjectOf = (kind: SubjectKind): AnySubject => declared[kind] as unknown as AnySubject;

export const subjects: readonly AnySubject[] = Object.values(declared) as unknown as AnySubject[];
