import type { RegionPlan } from '../../plans/region-plan.ts';
import {
  type Candidates,
  candidatesFor,
  knownOf,
  type Leads,
  leadsIn,
  longest,
  none,
  type PhonePlan,
  regionIn,
} from './plan.ts';

/** The components of a number. */
export interface Read {
  /** `+`, an international prefix, a trunk prefix, or ''. */
  readonly lead: string;
  /** The calling code as written; '' if not known yet, and in national notation. */
  readonly code: string;
  /** The region; '' if not known. */
  readonly region: string;
  /** The number without lead and calling code. */
  readonly digits: string;
  readonly extension: string | undefined;
  readonly formats: Candidates;
  readonly own: RegionPlan | undefined;
  /** From this many digits on, region and formats no longer change. */
  readonly settled: number;
}

/** Splits content into its components: digits, a leading `+` if there is one, an `x` before an extension. */
export function takeApart(plan: PhonePlan, content: string): Read {
  const mark = plan.extension ? content.indexOf('x') : -1;
  const number = mark < 0 ? content : content.slice(0, mark);
  const extension = mark < 0 ? undefined : content.slice(mark + 1);
  const home = plan.plans[plan.home];
  const isPlus = number.charCodeAt(0) === 43;
  if (isPlus || (home?.idd && home.trunk !== home.idd && number.startsWith(home.idd))) {
    const lead = isPlus ? '+' : home!.idd;
    const behind = number.slice(lead.length);
    for (let length = 1; length <= 3 && length <= behind.length; length++) {
      const code = behind.slice(0, length);
      const leads = leadsIn(plan, code);
      if (leads) return readOf(plan, leads, lead, code, behind.slice(length), extension);
    }
    return {
      lead,
      code: '',
      region: '',
      digits: behind,
      extension,
      formats: none,
      own: undefined,
      settled: longest,
    };
  }
  const trunk = home?.trunk ?? '';
  const hasLead =
    trunk !== '' && (number.startsWith(trunk) || (number.length < trunk.length && trunk.startsWith(number)));
  const lead = hasLead ? number.slice(0, trunk.length) : '';
  const digits = hasLead ? number.slice(trunk.length) : number;
  const leads = home && leadsIn(plan, home.code);
  if (leads) return readOf(plan, leads, lead, '', digits, extension);
  return { lead, code: '', region: plan.home, digits, extension, formats: none, own: home, settled: longest };
}

function readOf(
  plan: PhonePlan,
  leads: Leads,
  lead: string,
  code: string,
  digits: string,
  extension: string | undefined,
): Read {
  const region = regionIn(leads, digits);
  const own = plan.plans[region];
  if (!own) return { lead, code, region, digits, extension, formats: none, own, settled: longest };
  const { telling } = knownOf(own);
  // Without a calling code, further digits may turn these into an international prefix.
  const prefix = code ? 0 : (plan.plans[plan.home]?.idd.length ?? 0);
  const settled = Math.max(telling, leads.longest, prefix);
  return { lead, code, region, digits, extension, formats: candidatesFor(own, digits), own, settled };
}
