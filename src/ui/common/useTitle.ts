import { useEffect } from 'react';

/** What the tab is called, while this is on the page. */
export function useTitle(title: string): void {
  useEffect(() => {
    const before = document.title;
    document.title = `${title} · Yemko`;
    return () => {
      document.title = before;
    };
  }, [title]);
}
