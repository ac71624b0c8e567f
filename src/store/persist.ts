let isAsked = false;

/** Asks the browser, once a page, not to clear what is stored when the disk gets full. */
export function askToPersist(): void {
  if (isAsked || typeof navigator === 'undefined' || !('storage' in navigator)) return;
  isAsked = true;
  void navigator.storage.persist?.().catch(() => false);
}
