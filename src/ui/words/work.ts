import type { RunTrouble } from '@/workers/client';

/** Why a work beside the page gave nothing, where the work itself is not to blame. */
export function workTrouble(reason: RunTrouble): string {
  switch (reason) {
    case 'died':
      return 'The part of this page that computes could not be started: reload the page.';
    case 'silent':
      return 'The computation did not answer for half a minute and was ended.';
    case 'failed':
      return 'The computation ended with an error.';
    case 'cancelled':
      return 'Cancelled.';
  }
}
