import { type Saving } from '../../contract/index.ts';

const WHY: Record<string, Saving> = {
  ENOSPC: 'disk-full',
  EDQUOT: 'disk-full',
  EFBIG: 'disk-full',
  EROFS: 'read-only',
  EACCES: 'read-only',
  EPERM: 'read-only',
  // SQLSTATE of PostgreSQL (appendix A of its manual): disk_full, read_only_sql_transaction.
  '53100': 'disk-full',
  '25006': 'read-only',
};

export function whyOf(e: unknown): Saving {
  const { code, cause } = (e ?? {}) as { code?: string; cause?: unknown };
  return WHY[code ?? ''] ?? (cause ? whyOf(cause) : 'failing');
}

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
