/** What goes to a worker: numbered, so that an answer finds its question. */
export interface WorkerRequest<Input> {
  readonly id: number;
  readonly input: Input;
}

/** What comes back. Nothing throws across: a failure is data. */
export type WorkerAnswer<Output> =
  | { readonly id: number; readonly kind: 'progress'; readonly share: number }
  | { readonly id: number; readonly kind: 'sofar'; readonly output: Output }
  | { readonly id: number; readonly kind: 'done'; readonly output: Output }
  | { readonly id: number; readonly kind: 'failed'; readonly message: string };

/** A pure computation that may tell how far it is, as a share from 0 to 1, and what it knows before it knows all. */
export type Compute<Input, Output> = (
  input: Input,
  onProgress: (share: number) => void,
  onSofar?: (output: Output) => void,
) => Promise<Output>;

/** The little of a worker's own scope that {@link serve} needs. */
export interface WorkerScope {
  onmessage: ((event: MessageEvent) => void) | null;
  postMessage(message: unknown, transfer?: Transferable[]): void;
}

/** Makes a worker of a computation. @param moved the buffers of an output that are handed over rather than copied */
export function serve<Input, Output>(
  compute: Compute<Input, Output>,
  moved: (output: Output) => Transferable[] = () => [],
  // eslint-disable-next-line @typescript-eslint/no-unsafe-type-assertion -- a page's types know no worker's scope
  scope: WorkerScope = self as unknown as WorkerScope,
): void {
  scope.onmessage = ({ data }: MessageEvent<WorkerRequest<Input>>) => {
    const { id, input } = data;
    compute(
      input,
      (share) => scope.postMessage({ id, kind: 'progress', share } satisfies WorkerAnswer<Output>),
      (output) => scope.postMessage({ id, kind: 'sofar', output } satisfies WorkerAnswer<Output>),
    ).then(
      (output) =>
        scope.postMessage({ id, kind: 'done', output } satisfies WorkerAnswer<Output>, moved(output)),
      (error: unknown) =>
        scope.postMessage({ id, kind: 'failed', message: String(error) } satisfies WorkerAnswer<Output>),
    );
  };
}
