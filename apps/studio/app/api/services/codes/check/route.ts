import { answerQuestion } from '../../answer-question.ts';

/** Whether a code is the one that was sent to the address in the request. */
export const POST = answerQuestion('/api/services/codes/check');
