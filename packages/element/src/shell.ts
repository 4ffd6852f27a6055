/** What a controller needs of the element around it. */
export interface FieldShell {
  readonly element: HTMLElement;
  readonly internals: ElementInternals;
  readonly root: ShadowRoot;
  /** Whether a program only asks if it is valid. */
  isAsking(): boolean;
  /** What the page says is wrong; empty if nothing is. */
  problem(): string;
}
