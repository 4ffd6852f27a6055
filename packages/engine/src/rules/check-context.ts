/** What a check is given beside the value: all it may know of the world. */
export interface CheckContext {
  /** The clock, an ISO 8601 date; empty where none is at hand. */
  readonly today: string;
  /** The other fields of the form that it reads, by id; one that does not count has no value. */
  readonly others: Readonly<Record<string, Other>>;
  /** What was answered about the value, by the rule's id. */
  readonly answers: Readonly<Record<string, Answer>>;
}

/** Another field, as a check meets it. */
export interface Other {
  /** Its typed value. */
  readonly value: string | null;
  readonly label: string;
  readonly display: string;
}

/** What came back of a question put elsewhere. `unreachable`: nobody answered; it can be asked again. */
export interface Answer {
  readonly verdict: 'pass' | 'fail' | 'unreachable';
  readonly code?: string;
  /** For a message, by name. */
  readonly data?: Readonly<Record<string, string>>;
  readonly facts?: Readonly<Record<string, string>>;
}
