'use client';

import { App, ConfigProvider } from 'antd';
import enGB from 'antd/locale/en_GB';
import type { ReactNode } from 'react';
import { colors, fonts } from './tokens';

const antTheme = {
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
    colorTextPlaceholder: '#6B7188',
    colorBorder: '#B9BED0',
    colorBorderSecondary: colors.lineSoft,
    colorBgLayout: colors.paper,
    fontFamily: fonts.text,
    fontFamilyCode: fonts.figures,
    fontSize: 14,
    controlHeight: 30,
    controlHeightSM: 24,
    sizeUnit: 3,
    padding: 12,
    borderRadius: 5,
    wireframe: false,
  },
  components: { Table: { cellPaddingBlockSM: 4, cellPaddingInlineSM: 6 } },
};

/** Theme, locale and message context for every page. */
export function Providers({ children }: { readonly children: ReactNode }) {
  return (
    <ConfigProvider theme={antTheme} locale={enGB}>
      <App message={{ maxCount: 2 }} notification={{ placement: 'bottomLeft' }}>
        {children}
      </App>
    </ConfigProvider>
  );
}
