import { answerQuestion } from '../answer-question.ts';

/** The pass registry. */
export const POST = answerQuestion('/api/services/passes');
