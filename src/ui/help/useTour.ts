import { useState } from 'react';
import { exactly, flag, wholeWithin } from '@/core/schema';
import { useKept } from '../common/useKept';
import { tourStops } from '../words/panels/help';

const tourField = exactly({ stop: wholeWithin({ min: 0, max: tourStops.length - 1 }), isDone: flag() });

/** The tour: begun by an address with `?tour` unless it was done before, left anywhere, and taken up again there. */
export function useTour() {
  const [kept, keep] = useKept('yemko-tour', tourField, { stop: 0, isDone: false });
  // Only as the page comes up: an opened project is drawn in the browser alone.
  const [isOpen, setOpen] = useState(
    () => !kept.isDone && new URLSearchParams(window.location.search).has('tour'),
  );
  return {
    isOpen,
    stop: kept.stop,
    begin: () => {
      if (kept.isDone) keep({ stop: 0, isDone: false });
      setOpen(true);
    },
    goTo: (stop: number) => keep({ stop }),
    /** Left at its last stop it is done. */
    leave: () => {
      if (kept.stop === tourStops.length - 1) keep({ isDone: true, stop: 0 });
      setOpen(false);
    },
  };
}
