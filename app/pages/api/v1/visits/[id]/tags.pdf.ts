import { tagsAsked } from '../../../../../http/answers/index.ts';
import { file } from '../../../../../http/door/index.ts';
import { tagsPdf } from '../../../../../http/pdf/tags.ts';

/** Tags of all runs of a visit, ten on a sheet. */
export const GET = file({ type: 'application/pdf', name: 'tags.pdf', shown: true }, async (asked) => tagsPdf(await tagsAsked(asked)));
