/**
 * What is known of the numbers of a region: how they are written and dialled, and how they differ from those
 * of others.
 */

export type PhoneType = 'mobile' | 'fixed' | 'either' | 'other';

/** One format for numbers of a region. Digits are counted without trunk prefix. */
export interface PhoneFormat {
  readonly type: PhoneType;
  /** Leading digits: a digit, `?` for any, `[2-5]` for one of these. */
  readonly starts: readonly string[];
  readonly min: number;
  readonly max: number;
  /** `#` is a digit, a digit is one of the trunk prefix, anything else is fixed text. */
  readonly national: string;
  readonly international: string;
}

export interface RegionPlan {
  readonly code: string;
  /** What is dialled before a number inside the region, and before a calling code; '' for nothing. */
  readonly trunk: string;
  readonly idd: string;
  /** Leading digits that distinguish the region from others with its calling code; none for the main one. */
  readonly leads: readonly string[];
  readonly formats: readonly PhoneFormat[];
}
