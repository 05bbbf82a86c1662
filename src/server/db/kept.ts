import { type Saving } from '../../contract/index.ts';

const WHY: Record<string, Saving> = {
  ENOSPC: 'disk-full',
  EDQUOT: 'disk-full',
  EFBIG: 'disk-full',
  EROFS: 'read-only',
  EACCES: 'read-only',
  EPERM: 'read-only',
};

export const whyOf = (e: unknown): Saving => WHY[(e as NodeJS.ErrnoException)?.code ?? ''] ?? 'failing';

/** A write that could not be written down. */
export class NotKept extends Error {
  readonly why: Saving;
  constructor(
    cause: unknown,
    /** Nothing of it is kept, for certain. Else the disk did not answer, and it may be found after the next start. */
    readonly certain: boolean,
  ) {
    super(`not kept: ${(cause as Error)?.message ?? cause}`, { cause });
    this.why = whyOf(cause);
  }
}
