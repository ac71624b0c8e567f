'use client';

import { App, ConfigProvider, theme } from 'antd';
import enGB from 'antd/locale/en_GB';
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { DropZone } from '../keeping/DropZone';
import { LeaveGuard } from '../keeping/LeaveGuard';
import { OfflineReady } from '../keeping/OfflineReady';
import { LookContext } from './look';
import { cssVariables, fonts, LOOK_COOKIE, lookOf, palettes, type Look } from './tokens';
import { useReducedMotion } from './useReducedMotion';

/** On a dark bench nothing is filled brightly: the main button and the chosen one glow by their words. */
const dimComponents = {
  Button: {
    colorPrimary: '#4A1A12',
    colorPrimaryHover: '#5C1E14',
    colorPrimaryActive: '#3A140E',
    primaryColor: palettes['dark-bench'].onNightBrick,
    primaryShadow: 'none',
    defaultHoverColor: palettes['dark-bench'].ink,
    defaultActiveColor: palettes['dark-bench'].ink,
    defaultHoverBorderColor: palettes['dark-bench'].tick,
    defaultActiveBorderColor: palettes['dark-bench'].tick,
  },
  Radio: {
    buttonSolidCheckedBg: '#4A1A12',
    buttonSolidCheckedHoverBg: '#5C1E14',
    buttonSolidCheckedActiveBg: '#3A140E',
    buttonSolidCheckedColor: palettes['dark-bench'].onNightBrick,
  },
};

function antTheme(look: Look, isStill: boolean) {
  const colors = palettes[look];
  return {
    algorithm: look === 'day' ? theme.defaultAlgorithm : theme.darkAlgorithm,
    token: {
      colorPrimary: colors.accent,
      colorInfo: colors.accent,
      colorLink: colors.accent,
      colorSuccess: colors.teal,
      colorWarning: colors.amber,
      colorError: colors.brick,
      colorText: colors.ink,
      colorTextSecondary: colors.inkSoft,
      colorTextDescription: colors.inkSoft,
      colorTextPlaceholder: colors.hint,
      colorTextLightSolid: colors.onAccent,
      colorBorder: colors.field,
      colorBorderSecondary: colors.lineSoft,
      colorBgLayout: colors.paper,
      ...(look === 'day'
        ? {}
        : {
            colorBgBase: colors.paper,
            colorBgContainer: colors.card,
            colorBgElevated: colors.amberPale,
            colorTextBase: colors.ink,
            colorTextTertiary: colors.inkSoft,
            colorTextQuaternary: colors.field,
            colorWhite: colors.onAccent,
            colorIcon: colors.ink,
            colorSplit: colors.line,
          }),
      fontFamily: fonts.text,
      fontFamilyCode: fonts.figures,
      fontSize: 14,
      controlHeight: 30,
      controlHeightSM: 24,
      sizeUnit: 3,
      padding: 12,
      borderRadius: 5,
      wireframe: false,
      motion: !isStill,
    },
    components: {
      Table: { cellPaddingBlockSM: 4, cellPaddingInlineSM: 6 },
      ...(look === 'day' ? {} : dimComponents),
    },
  };
}

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
