export type { Finding, Verdict } from '../run/kind.ts';
