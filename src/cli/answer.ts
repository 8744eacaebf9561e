/** What a command answers: a value for JSON, the same as text, and whether there are findings. */
export interface Answer {
  readonly json: unknown;
  readonly text: string;
  readonly findings: boolean;
  /** Written as it stands, whatever the output is asked to be. */
  readonly raw?: string | Uint8Array;
  /** Said beside the output, on the standard error. */
  readonly aside?: readonly string[];
}
