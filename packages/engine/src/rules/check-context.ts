/** What a check may know beside the value. */
export interface CheckContext {
  /** The clock (ISO 8601); empty without one. */
  readonly today: string;
  /** Other fields of the form that it reads, by id. A field that does not count has no value. */
  readonly others: Readonly<Record<string, Other>>;
  /** Servers' answers about the value, by rule id. */
  readonly answers: Readonly<Record<string, Answer>>;
}

/** Another field as a check sees it. */
export interface Other {
  /** Its name outside of the form, if that is not its id. */
  readonly name?: string;
  /** Its typed value. */
  readonly value: string | null;
  readonly label: string;
  readonly display: string;
}

/** A server's answer. `unreachable`: nobody answered; it can be asked again. */
export interface Answer {
  readonly verdict: 'pass' | 'fail' | 'unreachable';
  readonly code?: string;
  /** Data for the message, by name. */
  readonly data?: Readonly<Record<string, string>>;
  readonly facts?: Readonly<Record<string, string>>;
}
