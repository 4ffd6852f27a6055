export type { Finding, Verdict } from '../run/finding.ts';
