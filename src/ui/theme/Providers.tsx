'use client';

import { App, ConfigProvider } from 'antd';
import enGB from 'antd/locale/en_GB';
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { DropZone } from '../keeping/DropZone';
import { LeaveGuard } from '../keeping/LeaveGuard';
import { OfflineReady } from '../keeping/OfflineReady';
import { antTheme } from './antTheme';
import { LookContext } from './look';
import { cssVariables, LOOK_COOKIE, lookOf, type Look } from './tokens';
import { useReducedMotion } from './useReducedMotion';

interface ProvidersProps {
  /** The look that the server has sent the page in. */
  readonly look: Look;
  readonly children: ReactNode;
}

/** Theme, locale and message context for every page. */
export function Providers({ look: first, children }: ProvidersProps) {
  const [look, setLook] = useState(first);
  const change = useCallback((next: Look) => {
    setLook(next);
    document.cookie = `${LOOK_COOKIE}=${next}; path=/; max-age=31536000; samesite=strict`;
    document.documentElement.dataset.look = next;
    for (const [name, value] of Object.entries(cssVariables(next))) {
      document.documentElement.style.setProperty(name, value);
    }
  }, []);
  // A page that was kept for use without the server may be of another look than the one chosen since.
  useEffect(() => {
    const wanted = document.cookie.split('; ').find((cookie) => cookie.startsWith(`${LOOK_COOKIE}=`));
    const kept = lookOf(wanted?.slice(LOOK_COOKIE.length + 1));
    if (kept !== first) queueMicrotask(() => change(kept));
  }, [first, change]);
  const isStill = useReducedMotion();
  const choice = useMemo(() => ({ look, change }), [look, change]);
  const antDesign = useMemo(() => antTheme(look, isStill), [look, isStill]);
  return (
    <LookContext value={choice}>
      <ConfigProvider theme={antDesign} locale={enGB}>
        <App message={{ maxCount: 2 }} notification={{ placement: 'bottomLeft' }}>
          <LeaveGuard />
          <OfflineReady />
          <DropZone>{children}</DropZone>
        </App>
      </ConfigProvider>
    </LookContext>
  );
}
