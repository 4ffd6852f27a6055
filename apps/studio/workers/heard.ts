/** A worker that failed. */
export interface Failed {
  readonly is: 'failed';
  readonly why: string;
}

/** Listens to a worker. One that ends unexpectedly is reported as failed, in the words of `ended`. */
export function heard<Step>(worker: Worker, ended: string, hear: (step: Step | Failed) => void): Worker {
  worker.addEventListener('message', ({ data }: MessageEvent<Step>) => hear(data));
  worker.addEventListener('error', () => hear({ is: 'failed', why: ended }));
  return worker;
}
