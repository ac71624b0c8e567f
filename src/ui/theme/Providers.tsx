'use client';

import { App, ConfigProvider } from 'antd';
import dynamic from 'next/dynamic';
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { DropZone } from '../keeping/DropZone';
import { keepFocus } from '../keeping/focusGoesOn';
import { LeaveGuard } from '../keeping/LeaveGuard';
import { OfflineReady } from '../keeping/OfflineReady';
import { OpenSettings } from '../settings/context';
import { useSetting } from '../settings/settings';
import { antTheme } from './antTheme';
import { LookContext } from './look';
import type { LookChoice } from './tokens';
import { useChosenLook } from './useChosenLook';
import { useReducedMotion } from './useReducedMotion';

const SettingsModal = dynamic(async () => (await import('../settings/SettingsModal')).SettingsModal, {
  ssr: false,
});

interface ProvidersProps {
  /** The look that was chosen when the server sent the page. */
  readonly look: LookChoice;
  readonly children: ReactNode;
}

/** Theme, locale, settings and message context for every page. */
export function Providers({ look: first, children }: ProvidersProps) {
  const chosen = useChosenLook(first);
  const isStill = useReducedMotion();
  const antDesign = useMemo(() => antTheme(chosen.look, isStill), [chosen.look, isStill]);
  const [isOpen, setOpen] = useState<boolean | null>(null);
  const openSettings = useCallback(() => setOpen(true), []);
  useEffect(() => keepFocus(document), []);
  // Every figure on the page is written anew in another notation.
  const notation = `${useSetting('decimal')} ${useSetting('distance')}`;
  return (
    <LookContext value={chosen}>
      <ConfigProvider theme={antDesign}>
        <App message={{ maxCount: 2 }} notification={{ placement: 'bottomLeft' }}>
          <OpenSettings value={openSettings}>
            <LeaveGuard />
            <OfflineReady />
            <DropZone key={notation}>{children}</DropZone>
            {isOpen !== null && <SettingsModal isOpen={isOpen} onClose={() => setOpen(false)} />}
          </OpenSettings>
        </App>
      </ConfigProvider>
    </LookContext>
  );
}
