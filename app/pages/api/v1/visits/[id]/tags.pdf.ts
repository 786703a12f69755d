import { file } from '../../../../../http/endpoint.ts';
import { tagsPdf } from '../../../../../http/pdf/tags.ts';
import { tagsAsked } from '../../../../../http/tags.ts';

/** Tags of all runs of a visit, ten on a sheet. */
export const GET = file({ type: 'application/pdf', name: 'tags.pdf', shown: true }, async (asked) => tagsPdf(await tagsAsked(asked)));
