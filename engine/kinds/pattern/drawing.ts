import type { Drawing } from '../drawing.ts';
import type { PatternBody } from './body.ts';
import type { PatternPlan } from './plan.ts';

/** A pattern is drawn from its notation, part by part; its specimen is the notation's own. */
export const drawing: Drawing<PatternPlan, PatternBody> = { sample: () => [] };
