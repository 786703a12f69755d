import { identifyThread } from '../../../../core/index.ts';
import { identifyShape } from '../../../http/api-shapes.ts';
import { post } from '../../../http/endpoint.ts';

/** Which thread it is, by what was measured. */
export const POST = post(identifyShape, (reading) => identifyThread(reading));
